package com.shuttle.releases;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotFrame;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.edit.ReleaseDiff;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A bot's releases: what is in them, making one, and which is live. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/releases")
class ReleaseController {

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("EEE d MMMM, HH:mm", Locale.ENGLISH);

    private static final int LONGEST_LINK = 30;

    private final ReleaseService releases;
    private final Lives lives;
    private final BotFrame frame;
    private final DraftLinks drafts;

    ReleaseController(ReleaseService releases, Lives lives, BotFrame frame, DraftLinks drafts) {
        this.drafts = drafts;
        this.releases = releases;
        this.lives = lives;
        this.frame = frame;
    }

    /** Makes a link to the draft. @param days that it holds */
    @PostMapping("/draft-link")
    String draftLink(@PathVariable String id, @RequestParam(defaultValue = "1") int days, RedirectAttributes flash) {
        frame.bot(id);
        int held = Math.clamp(days, 1, LONGEST_LINK);
        flash.addFlashAttribute("draftLink", drafts.link(id, Duration.ofDays(held)));
        flash.addFlashAttribute("draftDays", held);
        return "redirect:/bots/" + id + "/releases";
    }

    /** A release that goes live later. @param when on the bot's clock */
    public record Planned(int number, String when) {}

    private Bot fill(String id, Model model) {
        Bot bot = frame.fill(id, "releases", model);
        List<ReleaseInfo> all = releases.releases(id);
        model.addAttribute("releases", all);
        model.addAttribute(
                "planned",
                lives.planned(id)
                        .map(plan -> new Planned(
                                all.stream()
                                        .filter(one -> one.id().equals(plan.release()))
                                        .mapToInt(ReleaseInfo::number)
                                        .findFirst()
                                        .orElse(0),
                                WHEN.format(plan.due().atZone(zone(bot))) + " (" + zone(bot) + ")"))
                        .orElse(null));
        model.addAttribute("zone", zone(bot).getId());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return bot;
    }

    private static ZoneId zone(Bot bot) {
        return Zones.firstKnown(bot.zone());
    }

    @GetMapping
    String releases(@PathVariable String id, Model model) {
        fill(id, model);
        int live = releases.liveNumber(id);
        model.addAttribute("summary", live == 0 ? "" : ReleaseDiff.summary(releases.compare(id, live, 0)));
        model.addAttribute("spells", lives.spells(id));
        model.addAttribute("unfinished", releases.unfinished(id));
        return "releases/releases";
    }

    /** One release beside another. @param number 0 for the draft @param with the other; -1 for the live one */
    @GetMapping("/{number}")
    String release(
            @PathVariable String id,
            @PathVariable int number,
            @RequestParam(defaultValue = "-1") int with,
            Model model) {
        fill(id, model);
        int live = releases.liveNumber(id);
        int other = with >= 0 ? with : live;
        model.addAttribute("number", number);
        model.addAttribute("with", other);
        model.addAttribute("shown", number == 0 ? null : releases.release(id, number));
        boolean nothing = other == 0 && number == 0;
        model.addAttribute("parts", nothing ? List.of() : releases.compare(id, other, number));
        model.addAttribute("gone", releases.gone(id, number));
        return "releases/release";
    }

    /** @param when {@code now}, {@code later} or {@code kept} */
    @PostMapping
    String make(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String note,
            @RequestParam(defaultValue = "now") String when,
            @RequestParam(defaultValue = "") String at,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        String account = person.account().id();
        Instant due = instant(id, at);
        if (when.equals("later") && due == null) {
            flash.addFlashAttribute("errors", Map.of("at", "Please give a day and a time that are ahead."));
            flash.addFlashAttribute("note", note);
            return "redirect:/bots/" + id + "/releases";
        }
        Checked<ReleaseInfo> made =
                when.equals("now") ? releases.release(id, note, account) : releases.make(id, note, account);
        switch (made) {
            case Checked.Good<ReleaseInfo>(ReleaseInfo release) -> {
                if (due != null && when.equals("later")) {
                    releases.plan(id, release.number(), due, account);
                }
                flash.addFlashAttribute(when.equals("now") ? "made" : "kept", release.number());
            }
            case Checked.Bad<ReleaseInfo> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("note", note);
            }
        }
        return "redirect:/bots/" + id + "/releases";
    }

    /** A time that is ahead, on the bot's clock; null for anything else. */
    private @Nullable Instant instant(String id, String at) {
        try {
            return releases.ahead(LocalDateTime.parse(at), releases.zone(id));
        } catch (DateTimeException none) {
            return null;
        }
    }

    @PostMapping("/{number}/live")
    String goLive(
            @PathVariable String id,
            @PathVariable int number,
            @RequestParam(defaultValue = "") String at,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        String account = person.account().id();
        Instant due = instant(id, at);
        if (at.isBlank()) {
            releases.goLive(id, number, account);
            flash.addFlashAttribute("made", number);
        } else if (due != null) {
            releases.plan(id, number, due, account);
            flash.addFlashAttribute("kept", number);
        } else {
            flash.addFlashAttribute("errors", Map.of("at", "Please give a day and a time that are ahead."));
            return "redirect:/bots/" + id + "/releases/" + number;
        }
        return "redirect:/bots/" + id + "/releases";
    }

    @PostMapping("/plan/delete")
    String unplan(@PathVariable String id) {
        lives.unplan(id);
        return "redirect:/bots/" + id + "/releases";
    }
}
