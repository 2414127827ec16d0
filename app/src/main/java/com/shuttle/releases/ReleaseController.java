package com.shuttle.releases;

import com.shuttle.bots.BotFrame;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A bot's releases, and making one. */
@Controller
@Access(Access.Who.DESIGNER)
class ReleaseController {

    private final ReleaseService releases;
    private final BotFrame frame;

    ReleaseController(ReleaseService releases, BotFrame frame) {
        this.releases = releases;
        this.frame = frame;
    }

    @GetMapping("/bots/{id}/releases")
    String releases(@PathVariable String id, Model model) {
        frame.fill(id, "releases", model);
        model.addAttribute("releases", releases.releases(id));
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "releases/releases";
    }

    @PostMapping("/bots/{id}/releases")
    String release(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String note,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        switch (releases.release(id, note, person.account().id())) {
            case Checked.Good<ReleaseInfo>(ReleaseInfo made) -> flash.addFlashAttribute("made", made.number());
            case Checked.Bad<ReleaseInfo> bad -> flash.addFlashAttribute("errors", bad.errors());
        }
        return "redirect:/bots/" + id + "/releases";
    }
}
