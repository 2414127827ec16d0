package com.shuttle.bots;

import com.shuttle.web.Access;
import com.shuttle.web.Merge;
import com.shuttle.web.Sent;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What a bot says on occasions that are no step's, what it hears at any time, and how fast it types. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/manners")
class MannersController {

    private final BotService bots;
    private final BotForms forms;
    private final BotFrame frame;

    MannersController(BotService bots, BotForms forms, BotFrame frame) {
        this.bots = bots;
        this.forms = forms;
        this.frame = frame;
    }

    @GetMapping
    String show(@PathVariable String id, Model model) {
        Map<String, String> kept = MannersForm.fields(bots.bot(id));
        return show(id, kept, Merge.written(kept), Map.of(), model);
    }

    private String show(String id, Map<String, String> fields, String was, Map<String, String> errors, Model model) {
        Bot bot = frame.fill(id, "manners", model);
        MannersForm form = MannersForm.read(fields);
        boolean hours = !bot.manner().hours().isEmpty();
        Map<String, String> flows = new LinkedHashMap<>();
        bots.drafts(id)
                .forEach(draft -> flows.put(draft.flow().id(), draft.flow().name()));
        model.addAttribute("manners", Manners.of(form.sayings(), form.standing(), form.letters(), hours, flows));
        model.addAttribute("was", was);
        model.addAttribute("errors", errors);
        return "bots/manners";
    }

    @PostMapping
    String save(
            @PathVariable String id, @RequestParam Map<String, String> form, Model model, RedirectAttributes flash) {
        return switch (forms.manners(id, form)) {
            case Sent.Refused<Bot>(Map<String, String> errors, String was) -> show(id, form, was, errors, model);
            case Sent.Kept<Bot> kept -> {
                flash.addFlashAttribute("saved", true);
                yield "redirect:/bots/" + id + "/manners";
            }
        };
    }
}
