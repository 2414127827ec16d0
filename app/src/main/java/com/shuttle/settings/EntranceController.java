package com.shuttle.settings;

import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.Map;
import org.springframework.security.access.hierarchicalroles.RoleHierarchy;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The way in: signing in, the first visit to an empty installation, and where each person starts. */
@Controller
@Access(Access.Who.EVERYBODY)
class EntranceController {

    private final AccountService accounts;
    private final RoleHierarchy roles;

    EntranceController(AccountService accounts, RoleHierarchy roles) {
        this.accounts = accounts;
        this.roles = roles;
    }

    @GetMapping("/")
    @Access(Access.Who.AGENT)
    String home(Authentication person) {
        boolean designs = roles.getReachableGrantedAuthorities(person.getAuthorities()).stream()
                .anyMatch(authority -> "ROLE_DESIGNER".equals(authority.getAuthority()));
        return designs ? "redirect:/bots" : "redirect:/inbox";
    }

    @GetMapping("/sign-in")
    String signIn() {
        return accounts.isEmpty() ? "redirect:/setup" : "settings/sign-in";
    }

    @GetMapping("/setup")
    String setup(Model model) {
        model.addAttribute("errors", Map.of());
        return accounts.isEmpty() ? "settings/setup" : "redirect:/sign-in";
    }

    @PostMapping("/setup")
    String setUp(@RequestParam String name, @RequestParam String email, @RequestParam String password, Model model) {
        if (!accounts.isEmpty()) {
            return "redirect:/sign-in";
        }
        if (accounts.createFirst(name, email, password) instanceof Checked.Bad<Account> bad) {
            model.addAttribute("errors", bad.errors());
            model.addAttribute("name", name);
            model.addAttribute("email", email);
            return "settings/setup";
        }
        return "redirect:/sign-in?ready";
    }
}
