package com.shuttle.leads;

import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Function;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The states that leads go through, and the organisation's own fields. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/leads/set-up")
class LeadSetUpController {

    private final LeadSetUp setUp;
    private final LeadCallbacks callbacks;

    LeadSetUpController(LeadSetUp setUp, LeadCallbacks callbacks) {
        this.setUp = setUp;
        this.callbacks = callbacks;
    }

    /** One who is called back. @param key with which they check signatures */
    record CalledBack(LeadCallbacks.Callback callback, String key) {}

    @GetMapping
    String show(Model model) {
        if (!model.containsAttribute("states")) {
            model.addAttribute("states", setUp.states());
        }
        if (!model.containsAttribute("fields")) {
            model.addAttribute("fields", setUp.own());
        }
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        model.addAttribute(
                "callbacks",
                callbacks.all().stream()
                        .map(one -> new CalledBack(one, callbacks.key(one)))
                        .toList());
        model.addAttribute("events", LeadCallbacks.events());
        model.addAttribute("outcomes", LeadState.Outcome.values());
        model.addAttribute(
                "kinds",
                List.of(LeadField.Kind.TEXT, LeadField.Kind.NUMBER, LeadField.Kind.DATE, LeadField.Kind.YES_NO));
        return "leads/set-up";
    }

    @PostMapping("/states")
    String states(@RequestParam Map<String, String> form, RedirectAttributes flash) {
        List<LeadState> wanted = rows(
                form,
                "state",
                at -> new LeadState(
                        form.getOrDefault(at + "id", ""),
                        form.getOrDefault(at + "name", ""),
                        LeadState.Outcome.of(form.getOrDefault(at + "outcome", ""))));
        return kept(setUp.keepStates(wanted), "states", wanted, flash);
    }

    @PostMapping("/fields")
    String fields(@RequestParam Map<String, String> form, RedirectAttributes flash) {
        List<LeadField> wanted = rows(
                form,
                "field",
                at -> new LeadField(
                        form.getOrDefault(at + "id", ""),
                        form.getOrDefault(at + "name", ""),
                        LeadField.Kind.of(form.getOrDefault(at + "kind", ""))));
        return kept(setUp.keepFields(wanted), "fields", wanted, flash);
    }

    @PostMapping("/callbacks")
    String callback(
            @RequestParam(defaultValue = "") String address,
            @RequestParam(name = "event", defaultValue = "") List<String> events,
            RedirectAttributes flash) {
        if (callbacks.add(address, events) instanceof Checked.Bad<LeadCallbacks.Callback>(Map<String, String> errors)) {
            flash.addFlashAttribute("errors", errors);
        } else {
            flash.addFlashAttribute("said", "Kept.");
        }
        return "redirect:/leads/set-up";
    }

    @PostMapping("/callbacks/{callback}/delete")
    String noCallback(@PathVariable String callback) {
        callbacks.delete(callback);
        return "redirect:/leads/set-up";
    }

    /** The rows of a form in their order; those without a name are left out. */
    private static <T> List<T> rows(Map<String, String> form, String list, Function<String, T> row) {
        TreeSet<Integer> numbers = new TreeSet<>();
        form.keySet().stream()
                .filter(name -> name.matches(list + "\\.\\d{1,3}\\.name"))
                .forEach(name -> numbers.add(Integer.valueOf(name.split("\\.")[1])));
        List<T> rows = new ArrayList<>();
        for (int number : numbers) {
            String at = list + "." + number + ".";
            if (!form.getOrDefault(at + "name", "").isBlank()) {
                rows.add(row.apply(at));
            }
        }
        return rows;
    }

    private static <T> String kept(Checked<List<T>> checked, String what, List<T> wanted, RedirectAttributes flash) {
        if (checked instanceof Checked.Bad<List<T>>(Map<String, String> errors)) {
            flash.addFlashAttribute("errors", errors);
            flash.addFlashAttribute(what, wanted);
        } else {
            flash.addFlashAttribute("said", "Kept.");
        }
        return "redirect:/leads/set-up";
    }
}
