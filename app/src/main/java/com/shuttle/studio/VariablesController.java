package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.bots.VariableService;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The variables of a bot: what they are, whose they are, where they are used. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/variables")
class VariablesController {

    /** Where a variable is used. */
    record Use(String flow, String step, String name) {}

    /**
     * A variable in the list.
     *
     * @param declared whether it is declared by hand, or comes with a step
     * @param uses     steps that fill, read or show it
     */
    record Row(String name, ValueType type, Variable.Origin origin, String note, boolean declared, List<Use> uses) {}

    private final BotService bots;
    private final VariableService variables;
    private final BotFrame frame;

    VariablesController(BotService bots, VariableService variables, BotFrame frame) {
        this.bots = bots;
        this.variables = variables;
        this.frame = frame;
    }

    @GetMapping
    String list(@PathVariable String id, Model model) {
        Bot bot = frame.fill(id, "variables", model);
        model.addAttribute("rows", rows(bot));
        model.addAttribute("system", new TreeMap<>(Expressions.SYSTEM));
        model.addAttribute("types", ValueType.values());
        model.addAttribute("origins", Variable.Origin.values());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "studio/variables";
    }

    @PostMapping
    String declare(
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam ValueType type,
            @RequestParam Variable.Origin origin,
            @RequestParam(defaultValue = "") String note,
            RedirectAttributes flash) {
        String plain = name.strip().toLowerCase(java.util.Locale.ROOT).replaceAll("[\\s-]+", "_");
        Variable variable = new Variable(plain, type, origin, note.strip());
        return after(id, variables.declare(id, variable), flash);
    }

    @PostMapping("/{name}/delete")
    String undeclare(@PathVariable String id, @PathVariable String name) {
        variables.undeclare(id, name);
        return "redirect:/bots/" + id + "/variables";
    }

    @PostMapping("/{name}/rename")
    String rename(
            @PathVariable String id,
            @PathVariable String name,
            @RequestParam String to,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        return after(id, variables.rename(id, name, to, person.account().id()), flash);
    }

    private static String after(String id, Checked<Bot> checked, RedirectAttributes flash) {
        if (checked instanceof Checked.Bad<Bot> bad) {
            flash.addFlashAttribute("errors", bad.errors());
        }
        return "redirect:/bots/" + id + "/variables";
    }

    private List<Row> rows(Bot bot) {
        var release = bots.draftRelease(bot);
        Map<String, ValueType> types = new TreeMap<>(new Playbook(release).variables());
        List<Row> rows = new ArrayList<>();
        types.forEach((name, type) -> {
            Variable declared = bot.variables().stream()
                    .filter(v -> v.name().equals(name))
                    .findFirst()
                    .orElse(null);
            rows.add(new Row(
                    name,
                    type,
                    declared == null ? Variable.Origin.CONVERSATION : declared.origin(),
                    declared == null ? "" : declared.note(),
                    declared != null,
                    uses(release.flows(), name)));
        });
        return rows;
    }

    private static List<Use> uses(List<Flow> flows, String name) {
        String quoted = Pattern.quote(name);
        Pattern read = Pattern.compile(
                "\\{\\{[#^/]?\\s*" + quoted + "\\b|\"(?:when|rule|value)\":\"(?:[^\"\\\\]|\\\\.)*(?<!\\w)" + quoted
                        + "\\b|\"(?:variable|of|from)\":\"" + quoted + "\"");
        List<Use> uses = new ArrayList<>();
        for (Flow flow : flows) {
            for (Step step : flow.allSteps()) {
                if (read.matcher(StepJson.tree(step).toString()).find()) {
                    uses.add(new Use(flow.id(), step.id(), step.name()));
                }
            }
        }
        return uses;
    }
}
