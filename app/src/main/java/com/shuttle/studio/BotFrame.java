package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.releases.ReleaseService;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What the head of every page of a bot shows: its name, what is live, and its tabs. */
@Component
class BotFrame {

    private final BotService bots;
    private final ReleaseService releases;

    BotFrame(BotService bots, ReleaseService releases) {
        this.bots = bots;
        this.releases = releases;
    }

    /** Fills the model for the head and returns the bot. */
    Bot fill(String id, String tab, Model model) {
        Bot bot = bots.bot(id);
        int live = releases.live(id)
                .map(release -> releases.playbook(release).release().number())
                .orElse(0);
        model.addAttribute("bot", bot);
        model.addAttribute("tab", tab);
        model.addAttribute("live", live);
        boolean differs = releases.draftDiffers(bot);
        model.addAttribute("draftDiffers", differs);
        model.addAttribute(
                "liveWords",
                live == 0
                        ? "not released yet"
                        : "release " + live + " is live" + (differs ? " · the draft has changes" : ""));
        return bot;
    }
}
