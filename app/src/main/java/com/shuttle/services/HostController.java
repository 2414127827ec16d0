package com.shuttle.services;

import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Which hosts of the own network may be called, for administrators. */
@Controller
@Access(Access.Who.ADMINISTRATOR)
@RequestMapping("/settings/hosts")
class HostController {

    private final Hosts hosts;

    HostController(Hosts hosts) {
        this.hosts = hosts;
    }

    @GetMapping
    String show(Model model) {
        model.addAttribute("hosts", hosts.hosts());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "services/hosts";
    }

    @PostMapping
    String allow(
            @RequestParam(defaultValue = "") String host,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        if (hosts.allow(host, person.account().id()) instanceof Checked.Bad<String> bad) {
            flash.addFlashAttribute("errors", bad.errors());
            flash.addFlashAttribute("host", host);
        }
        return "redirect:/settings/hosts";
    }

    @PostMapping("/forbid")
    String forbid(@RequestParam(defaultValue = "") String host) {
        hosts.forbid(host);
        return "redirect:/settings/hosts";
    }
}
