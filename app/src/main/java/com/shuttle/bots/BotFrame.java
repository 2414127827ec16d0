package com.shuttle.bots;

import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What the head of every page of a bot shows: its name, what is live, and its tabs. Thread-safe. */
@Component
public class BotFrame {

    private final BotService bots;
    private final LiveState releases;

    BotFrame(BotService bots, LiveState releases) {
        this.bots = bots;
        this.releases = releases;
    }

    /** @throws com.shuttle.web.Missing if there is no such bot */
    public Bot bot(String id) {
        return bots.bot(id);
    }

    /**
     * Fills the model for the head.
     *
     * @param tab name of the tab the page belongs to
     * @throws com.shuttle.web.Missing if there is no such bot
     */
    public Bot fill(String id, String tab, Model model) {
        Bot bot = bots.bot(id);
        int live = releases.liveNumber(id);
        model.addAttribute("bot", bot);
        model.addAttribute("tab", tab);
        model.addAttribute("live", live);
        model.addAttribute("next", releases.nextNumber(id));
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
