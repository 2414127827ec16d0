package com.shuttle.chat;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.releases.ReleaseService;
import com.shuttle.web.Missing;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The visitor's page. */
@Controller
class ChatPageController {

    private final BotService bots;
    private final ReleaseService releases;

    ChatPageController(BotService bots, ReleaseService releases) {
        this.bots = bots;
        this.releases = releases;
    }

    @GetMapping("/chat/{slug}")
    String page(@PathVariable String slug, Model model) {
        Bot bot = bots.bySlug(slug)
                .filter(b -> releases.live(b.id()).isPresent())
                .orElseThrow(() -> new Missing("bot", slug));
        model.addAttribute("bot", bot);
        return "chat/page";
    }
}
