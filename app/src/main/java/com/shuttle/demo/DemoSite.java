package com.shuttle.demo;

import com.shuttle.bots.Bot;
import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Happening;
import com.shuttle.core.cue.Where;
import com.shuttle.panel.Presence;
import com.shuttle.panel.Site;
import com.shuttle.panel.Sites;
import com.shuttle.web.Checked;
import com.shuttle.web.PublicAddress;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The observatory's website, with two bots that speak up on it. */
@Component
@ConditionalOnProperty("shuttle.demo")
class DemoSite {

    private static final String NAME = "Tarnfell Observatory";

    private final Sites sites;
    private final StandIns standIns;
    private final PublicAddress address;

    DemoSite(Sites sites, StandIns standIns, PublicAddress address) {
        this.sites = sites;
        this.standIns = standIns;
        this.address = address;
    }

    /** Makes it, with Vesper on every page. */
    void make(Bot vesper, Bot hire) {
        sites.keep("", NAME, standIns.site().address(), List.of(vesper.id(), hire.id()));
        sites.keep(
                hire.id(),
                new Presence(
                        true,
                        "Hire the dome",
                        "#7a3b2e",
                        "right",
                        List.of(
                                cue(
                                        "left-form",
                                        "Enquiry left unfinished",
                                        Happening.FORM_LEFT,
                                        0,
                                        List.of("enquiry"),
                                        "/hire",
                                        "Forms are tedious. Shall we talk it through instead? Four questions."),
                                cue(
                                        "hire-page",
                                        "Long on the hire page",
                                        Happening.STAYED,
                                        45,
                                        List.of(),
                                        "/hire",
                                        "Thinking of an evening under the dome? I can tell you what it would cost."),
                                keyword("dome"))));

        sites.keep(
                vesper.id(),
                new Presence(
                        true,
                        "Ask Vesper",
                        "#2f4a33",
                        "right",
                        List.of(
                                cue(
                                        "schools",
                                        "Schools page",
                                        Happening.STAYED,
                                        20,
                                        List.of(),
                                        "/schools",
                                        "Planning a day with your class? Ask me anything about it."),
                                cue(
                                        "back",
                                        "Somebody comes back",
                                        Happening.RETURNING,
                                        0,
                                        List.of(),
                                        "/",
                                        "Good to see you again. Is there anything left to ask?"),
                                keyword("ask", "vesper"))));
    }

    /** Has a bot begin with words on the phone. */
    void keywords(Bot bot, String... words) {
        sites.keep(bot.id(), Presence.USUAL.with(List.of(keyword(words))));
    }

    private static Cue keyword(String... words) {
        return cue(
                "keyword-" + words[0],
                "On the phone: " + words[0].toUpperCase(Locale.ROOT),
                Happening.KEYWORD,
                0,
                List.of(words),
                "",
                "");
    }

    private static Cue cue(
            String id, String name, Happening what, int amount, List<String> words, String page, String greeting) {
        return new Cue(
                id,
                name,
                true,
                what,
                amount,
                words,
                page.isEmpty() ? List.of() : List.of(new Where(Where.Of.PAGE, Where.How.EQUALS, page, false)),
                Map.of(),
                List.of(),
                List.of(),
                Cue.Limits.USUAL,
                greeting,
                "",
                false);
    }

    /** The website has another port after another start; and its pages need the panel's address. */
    @EventListener(ApplicationReadyEvent.class)
    void reach() {
        for (Site site : sites.sites()) {
            if (site.name().equals(NAME)
                    && sites.keep(site.id(), NAME, standIns.site().address(), List.of())
                            instanceof Checked.Good<Site>) {
                standIns.site().panel(address.of("/panel.js"), site.id());
            }
        }
    }
}
