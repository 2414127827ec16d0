package com.shuttle.settings;

import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import jakarta.servlet.http.HttpSession;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What people do with their own account: another password, and where they are signed in. */
@Controller
@Access(Access.Who.AGENT)
class MeController {

    private static final String PAGE = "redirect:/me";

    private final AccountService accounts;
    private final Sessions sessions;

    MeController(AccountService accounts, Sessions sessions) {
        this.accounts = accounts;
        this.sessions = sessions;
    }

    @GetMapping("/me")
    String me(@AuthenticationPrincipal SignedIn person, HttpSession session, Model model) {
        model.addAttribute("account", person.account());
        model.addAttribute("sessions", sessions.of(person.account().id()));
        model.addAttribute("here", Sessions.key(session));
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "settings/me";
    }

    /** All other sign-ins end with the old password. */
    @PostMapping("/me/password")
    String password(
            @RequestParam(defaultValue = "") String current,
            @RequestParam(defaultValue = "") String password,
            @AuthenticationPrincipal SignedIn person,
            HttpSession session,
            RedirectAttributes flash) {
        String id = person.account().id();
        if (accounts.changePassword(id, current, password) instanceof Checked.Bad<String> bad) {
            flash.addFlashAttribute("errors", bad.errors());
        } else {
            sessions.endAll(id, Sessions.key(session));
            flash.addFlashAttribute("saved", true);
        }
        return PAGE;
    }

    @PostMapping("/me/sessions/{key}/end")
    String end(@PathVariable String key, @AuthenticationPrincipal SignedIn person) {
        sessions.end(person.account().id(), key);
        return PAGE;
    }

    @PostMapping("/me/sessions/others/end")
    String endOthers(@AuthenticationPrincipal SignedIn person, HttpSession session) {
        sessions.endAll(person.account().id(), Sessions.key(session));
        return PAGE;
    }
}
