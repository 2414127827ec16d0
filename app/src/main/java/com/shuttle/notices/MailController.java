package com.shuttle.notices;

import com.shuttle.notices.MailServerSettings.Protection;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The mail server, for administrators, with a mail that tries it. */
@Controller
@Access(Access.Who.ADMINISTRATOR)
@RequestMapping("/settings/mail")
class MailController {

    private final MailService mail;
    private final NoticeService notices;

    MailController(MailService mail, NoticeService notices) {
        this.mail = mail;
        this.notices = notices;
    }

    @GetMapping
    String settings(Model model) {
        MailServerSettings settings = mail.settings();
        if (!model.containsAttribute("form")) {
            Map<String, String> form = new LinkedHashMap<>();
            form.put("host", settings.host());
            form.put("port", Integer.toString(settings.port()));
            form.put("protection", settings.protection().key());
            form.put("user", settings.user());
            form.put("sender", settings.sender());
            form.put("senderName", settings.senderName());
            model.addAttribute("form", form);
            model.addAttribute("errors", Map.of());
        }
        model.addAttribute("protections", Protection.values());
        model.addAttribute("hasPassword", !settings.password().isEmpty());
        model.addAttribute("there", settings.there());
        return "notices/mail";
    }

    @PostMapping
    String set(@RequestParam Map<String, String> form, RedirectAttributes flash) {
        String port = form.getOrDefault("port", "").strip();
        MailServerSettings wanted = new MailServerSettings(
                form.getOrDefault("host", "").strip(),
                port.matches("\\d{1,5}") ? Integer.parseInt(port) : -1,
                Protection.of(form.getOrDefault("protection", "")),
                form.getOrDefault("user", "").strip(),
                form.getOrDefault("password", ""),
                form.getOrDefault("sender", "").strip(),
                form.getOrDefault("senderName", "").strip());
        if (mail.set(wanted) instanceof Checked.Bad<MailServerSettings> bad) {
            Map<String, String> shown = new LinkedHashMap<>(form);
            shown.remove("password");
            flash.addFlashAttribute("form", shown);
            flash.addFlashAttribute("errors", bad.errors());
        } else {
            flash.addFlashAttribute(
                    "said", wanted.there() ? "Saved. Try it with a mail to yourself." : "Saved. No mail is sent.");
        }
        return "redirect:/settings/mail";
    }

    /** Sends a mail to whoever asks for it. */
    @PostMapping("/try")
    String tryOut(@AuthenticationPrincipal SignedIn person, RedirectAttributes flash) {
        String why = notices.tried(person.account().email());
        flash.addFlashAttribute(
                why.isEmpty() ? "said" : "wrong",
                why.isEmpty() ? "A mail is on its way to " + person.account().email() + "." : "It did not go: " + why);
        return "redirect:/settings/mail";
    }
}
