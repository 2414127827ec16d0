package com.shuttle.panel;

import com.shuttle.AtOnce;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Two designers at how one bot shows, and at one website. */
@ServerTest
class SitesAtOnceTest {

    private final TestData data;
    private final Sites sites;

    SitesAtOnceTest(TestData data, Sites sites) {
        this.data = data;
        this.sites = sites;
    }

    private static AtOnce.Action done(Runnable action) {
        return () -> {
            action.run();
            return "";
        };
    }

    @Test
    void howABotShowsIsWhatTheyDoInTurn() throws Exception {
        new AtOnce<>(() -> data.bot().id(), sites::presence)
                .can("switches it off", id -> done(() -> sites.change(id, before -> before.switched(false))))
                .can(
                        "words its button",
                        id -> done(() -> sites.change(
                                id,
                                before -> new Presence(
                                        before.on(), "Talk to us", before.colour(), "left", before.cues()))))
                .can("takes its cues away", id -> done(() -> sites.cues(id, cues -> cues.subList(0, 0))))
                .check();
    }

    @Test
    void whatAWebsiteShowsIsWhatTheyDoInTurn() throws Exception {
        new AtOnce<>(
                        () -> TestData.good(sites.keep("", "Mill", "https://mill.example", List.of("b1", "b2")))
                                .id(),
                        id -> sites.site(id)
                                .map(site -> site.name()
                                        + site.addresses()
                                        + site.bots().stream().sorted().toList())
                                .orElse(""))
                .can(
                        "names it",
                        id -> () -> sites.keep(id, "The mill", "https://mill.example", List.of())
                                .getClass())
                .can("takes a bot off", id -> done(() -> sites.show(id, "b1", false)))
                .can("puts another on", id -> done(() -> sites.show(id, "b3", true)))
                .check();
    }
}
