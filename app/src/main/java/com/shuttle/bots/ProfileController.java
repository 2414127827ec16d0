package com.shuttle.bots;

import com.shuttle.settings.AccountService;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
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

    private static final List<String> DAYS = Arrays.stream(DayOfWeek.values())
            .map(day -> day.name().toLowerCase(Locale.ROOT))
            .toList();

    private final BotService bots;
    private final AccountService accounts;
    private final BotFrame frame;

    ProfileController(BotService bots, AccountService accounts, BotFrame frame) {
        this.bots = bots;
        this.accounts = accounts;
        this.frame = frame;
    }

    @GetMapping("/bots/{id}/profile")
    String profile(@PathVariable String id, Model model) {
        Bot bot = frame.fill(id, "profile", model);
        model.addAttribute("form", bot);
        model.addAttribute("errors", Map.of());
        fillProfile(bot, model);
        return "bots/profile";
    }

    @PostMapping("/bots/{id}/profile")
    String change(
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam String slug,
            @RequestParam(defaultValue = "") String description,
            @RequestParam String region,
            @RequestParam String zone,
            @RequestParam Map<String, String> all,
            Model model,
            RedirectAttributes flash) {
        Map<String, String> hours = new LinkedHashMap<>();
        DAYS.forEach(day -> hours.put(day, all.getOrDefault("hours-" + day, "")));
        Manner before = bots.bot(id).manner();
        Manner manner = new Manner(
                all.getOrDefault("picture", "").strip(),
                all.getOrDefault("team", ""),
                BotForm.hours(hours),
                all.getOrDefault("language", "en").strip(),
                before.letters(),
                before.responses());
        BotForm form = new BotForm(name, slug, description, region, zone, manner);
        if (bots.change(id, form) instanceof Checked.Bad<Bot> bad) {
            Bot bot = frame.fill(id, "profile", model);
            model.addAttribute("form", form);
            model.addAttribute("errors", bad.errors());
            fillProfile(bot, model);
            return "bots/profile";
        }
        flash.addFlashAttribute("saved", true);
        return "redirect:/bots/" + id + "/profile";
    }

    private void fillProfile(Bot bot, Model model) {
        model.addAttribute("days", DAYS);
        model.addAttribute("teams", accounts.teams());
        model.addAttribute("regions", BotForm.regions());
        model.addAttribute(
                "zones",
                new TreeSet<>(ZoneId.getAvailableZoneIds().stream()
                        .filter(zone -> zone.contains("/") && !zone.startsWith("Etc/") && !zone.startsWith("System"))
                        .toList()));
    }
}
