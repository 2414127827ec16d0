package com.shuttle.settings;

import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.List;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** People, teams and tokens. */
@Controller
@Access(Access.Who.DESIGNER)
class SettingsController {

    private final AccountService accounts;

    SettingsController(AccountService accounts) {
        this.accounts = accounts;
    }

    @GetMapping("/settings")
    String settings(@AuthenticationPrincipal SignedIn person, Model model) {
        model.addAttribute("tokens", accounts.tokens(person.account().id()));
        model.addAttribute("errors", model.getAttribute("errors") == null ? Map.of() : model.getAttribute("errors"));
        if (person.account().role() == Role.ADMINISTRATOR) {
            model.addAttribute("people", accounts.accounts());
            model.addAttribute("teams", accounts.teams());
            model.addAttribute("roles", Role.values());
        }
        return "settings/settings";
    }

    @PostMapping("/settings/tokens")
    String createToken(@AuthenticationPrincipal SignedIn person, @RequestParam String name, RedirectAttributes flash) {
        flash.addFlashAttribute("secret", accounts.createToken(person.account().id(), name));
        return "redirect:/settings#tokens";
    }

    @PostMapping("/settings/tokens/{id}/delete")
    String deleteToken(@AuthenticationPrincipal SignedIn person, @PathVariable String id) {
        accounts.deleteToken(id, person.account().id());
        return "redirect:/settings#tokens";
    }

    @PostMapping("/settings/people")
    @Access(Access.Who.ADMINISTRATOR)
    String createPerson(
            @RequestParam String name,
            @RequestParam String email,
            @RequestParam String password,
            @RequestParam Role role,
            RedirectAttributes flash) {
        if (accounts.create(name, email, password, role) instanceof Checked.Bad<Account> bad) {
            flash.addFlashAttribute("errors", bad.errors());
            flash.addFlashAttribute("typed", Map.of("name", name, "email", email));
        }
        return "redirect:/settings#people";
    }

    @PostMapping("/settings/people/{id}/role")
    @Access(Access.Who.ADMINISTRATOR)
    String changeRole(@PathVariable String id, @RequestParam Role role, RedirectAttributes flash) {
        return after(accounts.changeRole(id, role), flash);
    }

    @PostMapping("/settings/people/{id}/delete")
    @Access(Access.Who.ADMINISTRATOR)
    String deletePerson(@PathVariable String id, RedirectAttributes flash) {
        return after(accounts.delete(id), flash);
    }

    @PostMapping("/settings/teams")
    @Access(Access.Who.ADMINISTRATOR)
    String createTeam(@RequestParam String name, RedirectAttributes flash) {
        if (accounts.createTeam(name) instanceof Checked.Bad<Team> bad) {
            flash.addFlashAttribute("errors", bad.errors());
        }
        return "redirect:/settings#teams";
    }

    @PostMapping("/settings/teams/{id}")
    @Access(Access.Who.ADMINISTRATOR)
    String setMembers(@PathVariable String id, @RequestParam(defaultValue = "") List<String> members) {
        accounts.setMembers(id, members);
        return "redirect:/settings#teams";
    }

    @PostMapping("/settings/teams/{id}/delete")
    @Access(Access.Who.ADMINISTRATOR)
    String deleteTeam(@PathVariable String id) {
        accounts.deleteTeam(id);
        return "redirect:/settings#teams";
    }

    private static String after(Checked<String> done, RedirectAttributes flash) {
        if (done instanceof Checked.Bad<String> bad) {
            flash.addFlashAttribute("errors", bad.errors());
        }
        return "redirect:/settings#people";
    }
}
