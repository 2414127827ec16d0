package com.shuttle.panel;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotFrame;
import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Happening;
import com.shuttle.releases.DraftLinks;
import com.shuttle.web.Access;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * A page of somebody's choosing with the panel over it, at the width of a desk or a phone. The page is shown in a frame and touched
 * no further; in the panel speaks the draft, so that nothing comes of it.
 */
@Controller
@Access(Access.Who.DESIGNER)
class PreviewController {

    private static final Duration OPEN = Duration.ofHours(2);
    private static final String POLICY =
            "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self'; "
                    + "frame-ancestors 'none'; style-src-attr 'unsafe-inline'; frame-src 'self' ";

    private final Sites sites;
    private final BotFrame frame;
    private final DraftLinks drafts;

    PreviewController(Sites sites, BotFrame frame, DraftLinks drafts) {
        this.sites = sites;
        this.frame = frame;
        this.drafts = drafts;
    }

    /** @param page address; empty for the first website's @param cue id of one whose greeting shows; empty for none */
    @GetMapping("/bots/{id}/share/preview")
    String preview(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String page,
            @RequestParam(defaultValue = "") String cue,
            Model model,
            HttpServletResponse response) {
        Bot bot = frame.fill(id, "share", model);
        Presence presence = sites.presence(id);
        List<Cue> greetings = presence.cues().stream()
                .filter(one ->
                        one.what() != Happening.KEYWORD && !one.greeting().isEmpty())
                .toList();
        String address = page.isBlank() ? usual(id) : page.strip();
        Optional<String> origin = SiteForm.origin(address);
        origin.ifPresent(one -> response.setHeader("Content-Security-Policy", POLICY + one));
        model.addAttribute("page", address);
        model.addAttribute("shown", origin.isPresent());
        model.addAttribute("presence", presence);
        model.addAttribute("greetings", greetings);
        model.addAttribute(
                "greeting",
                greetings.stream()
                        .filter(one -> one.id().equals(cue))
                        .findFirst()
                        .orElse(null));
        model.addAttribute("draft", drafts.path(bot.id(), OPEN));
        return "panel/preview";
    }

    /** A page of the first website that the bot shows on. */
    private String usual(String bot) {
        return sites.sites().stream()
                .filter(site -> site.bots().contains(bot))
                .flatMap(site -> site.addresses().stream())
                .findFirst()
                .map(address -> address + "/")
                .orElse("");
    }
}
