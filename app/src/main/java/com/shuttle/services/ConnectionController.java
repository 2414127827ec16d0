package com.shuttle.services;

import com.shuttle.web.Access;
import com.shuttle.web.Merge;
import com.shuttle.web.Sent;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Where services are, and how one gets in. Secrets are taken and never shown. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/services/connections")
class ConnectionController {

    private static final String NEW = "new";

    private final Catalogue catalogue;

    ConnectionController(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    @GetMapping("/{id}")
    String show(@PathVariable String id, Model model) {
        Connection kept = id.equals(NEW) ? blank() : catalogue.connection(id);
        if (!model.containsAttribute("form")) {
            model.addAttribute("form", form(kept));
            model.addAttribute("was", id.equals(NEW) ? "" : Merge.written(form(kept)));
            model.addAttribute("errors", Map.of());
        }
        model.addAttribute("id", id);
        model.addAttribute("hasSecret", kept.hasSecret());
        model.addAttribute("kinds", Connection.Kind.values());
        model.addAttribute("users", id.equals(NEW) ? List.of() : catalogue.usersOf(id));
        return "services/connection";
    }

    private static Connection blank() {
        return new Connection("", "", "", Connection.Kind.HEADER, "", "", "", "", Instant.EPOCH);
    }

    /** The fields as a browser sends them, but for the secret. */
    static Map<String, String> form(Connection connection) {
        Map<String, String> form = new LinkedHashMap<>();
        form.put("name", connection.name());
        form.put("address", connection.address());
        form.put("kind", connection.kind().key());
        form.put("who", connection.who());
        form.put("tokenAddress", connection.tokenAddress());
        form.put("scope", connection.scope());
        return form;
    }

    @PostMapping("/{id}")
    String keep(@PathVariable String id, @RequestParam Map<String, String> form, RedirectAttributes flash) {
        return switch (catalogue.keep(id.equals(NEW) ? "" : id, form)) {
            case Sent.Kept<String>(String kept) -> {
                flash.addFlashAttribute("said", "The connection is kept.");
                yield "redirect:/services/connections/" + kept;
            }
            case Sent.Refused<String>(Map<String, String> errors, String was) -> {
                Map<String, String> shown = new LinkedHashMap<>(form);
                shown.remove("secret");
                flash.addFlashAttribute("was", was);
                flash.addFlashAttribute("errors", errors);
                flash.addFlashAttribute("form", shown);
                yield "redirect:/services/connections/" + id;
            }
        };
    }

    /** A connection as a form has it, its secret in the clear. */
    static Connection typed(String id, Map<String, String> form) {
        return new Connection(
                id,
                ServiceForms.line(form, "name"),
                ServiceForms.line(form, "address").replaceFirst("/+$", ""),
                Connection.Kind.of(form.getOrDefault("kind", "")),
                ServiceForms.line(form, "who"),
                ServiceForms.line(form, "tokenAddress"),
                ServiceForms.line(form, "scope"),
                form.getOrDefault("secret", ""),
                Instant.EPOCH);
    }

    @PostMapping("/{id}/delete")
    String delete(@PathVariable String id, RedirectAttributes flash) {
        List<String> users = catalogue.deleteConnection(id);
        if (users.isEmpty()) {
            flash.addFlashAttribute("said", "The connection is removed, and its secret with it.");
            return "redirect:/services";
        }
        flash.addFlashAttribute("said", "It is still used by " + String.join(", ", users) + ".");
        return "redirect:/services/connections/" + id;
    }
}
