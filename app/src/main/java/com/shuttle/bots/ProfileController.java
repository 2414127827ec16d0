package com.shuttle.bots;

import com.shuttle.settings.AccountService;
import com.shuttle.web.Access;
import com.shuttle.web.Merge;
import com.shuttle.web.Sent;
import java.time.ZoneId;
import java.util.Map;
import java.util.TreeSet;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A bot's profile. */
@Controller
@Access(Access.Who.DESIGNER)
class ProfileController {

    private final BotForms forms;
    private final AccountService accounts;
    private final BotFrame frame;

    ProfileController(BotForms forms, AccountService accounts, BotFrame frame) {
        this.forms = forms;
        this.accounts = accounts;
        this.frame = frame;
    }

    @GetMapping("/bots/{id}/profile")
    String profile(@PathVariable String id, Model model) {
        Bot bot = frame.fill(id, "profile", model);
        model.addAttribute("form", bot);
        model.addAttribute("was", Merge.written(ProfileForm.fields(bot)));
        model.addAttribute("errors", Map.of());
        fillProfile(model);
        return "bots/profile";
    }

    @PostMapping("/bots/{id}/profile")
    String change(
            @PathVariable String id, @RequestParam Map<String, String> form, Model model, RedirectAttributes flash) {
        if (forms.profile(id, form) instanceof Sent.Refused<Bot>(Map<String, String> errors, String was)) {
            Bot bot = frame.fill(id, "profile", model);
            model.addAttribute("form", ProfileForm.read(form, bot.manner()));
            model.addAttribute("was", was);
            model.addAttribute("errors", ProfileForm.told(errors));
            fillProfile(model);
            return "bots/profile";
        }
        flash.addFlashAttribute("saved", true);
        return "redirect:/bots/" + id + "/profile";
    }

    private void fillProfile(Model model) {
        model.addAttribute("days", ProfileForm.DAYS);
        model.addAttribute("teams", accounts.teams());
        model.addAttribute("regions", BotForm.regions());
        model.addAttribute(
                "zones",
                new TreeSet<>(ZoneId.getAvailableZoneIds().stream()
                        .filter(zone -> zone.contains("/") && !zone.startsWith("Etc/") && !zone.startsWith("System"))
                        .toList()));
    }
}
