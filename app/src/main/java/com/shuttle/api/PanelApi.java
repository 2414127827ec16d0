package com.shuttle.api;

import com.shuttle.chat.ChatWords;
import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Happening;
import com.shuttle.core.cue.Moment;
import com.shuttle.panel.Presence;
import com.shuttle.panel.Site;
import com.shuttle.panel.Sites;
import com.shuttle.panel.Speaking;
import com.shuttle.web.Access;
import com.shuttle.web.Callers;
import com.shuttle.web.Fit;
import com.shuttle.web.JsonText;
import com.shuttle.web.MostBytes;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/**
 * What the panel's script on a website asks. Only pages of the website's own addresses are answered. Bodies are JSON sent as plain
 * text, so that browsers need not ask beforehand.
 */
@Hidden
@RestController
@RequestMapping("/api/v1/panel/{site}")
@Access(Access.Who.EVERYBODY)
@MostBytes(MostBytes.FEW_LINES)
class PanelApi {

    private static final int LONGEST_TEXT = 2000;
    private static final int MOST_CUES = 200;
    private static final int MOST_TIMES = 100;
    private static final int MOST_FACTS = 50;

    /**
     * @param bots    addresses of those that show, the one in front first; empty where none does
     * @param picture on the launcher; empty for its sign
     * @param watch what to look out for, with its amounts
     * @param away  what dismisses a greeting is called
     * @param fresh what unread messages are called, their number as {n}
     */
    record Setup(
            List<String> bots,
            String name,
            String picture,
            String words,
            String colour,
            String side,
            Map<String, TreeSet<Integer>> watch,
            String away,
            String fresh,
            String direction) {
        static final Setup NONE = new Setup(List.of(), "", "", "", "", "", Map.of(), "", "", "ltr");
    }

    /** @param times seconds since the epoch @param dismissed the same; 0 for never */
    record Acted(int visit, @Nullable List<@Nullable Long> times, long dismissed) {}

    /** @param visitors what names the visitor, by the bots' addresses */
    record Asked(
            @Nullable String what,
            int amount,
            @Nullable String said,
            @Nullable String page,
            @Nullable String referrer,
            @Nullable String campaign,
            int visits,
            @Nullable String language,
            @Nullable String device,
            @Nullable Map<String, @Nullable String> facts,
            @Nullable Map<String, @Nullable String> visitors,
            @Nullable Map<String, @Nullable Acted> past) {}

    /** @param cue its id; empty where none acts */
    record Spoken(String cue, String bot, String greeting, boolean opens, String flow) {
        static final Spoken NOTHING = new Spoken("", "", "", false, "");
    }

    record Counted(@Nullable String cue, @Nullable String what) {}

    private final Sites sites;
    private final Speaking speaking;
    private final VisitorIds named;
    private final ChatWords words;
    private final RateLimits limits;

    PanelApi(Sites sites, Speaking speaking, VisitorIds named, ChatWords words, RateLimits limits) {
        this.sites = sites;
        this.speaking = speaking;
        this.named = named;
        this.words = words;
        this.limits = limits;
    }

    @GetMapping
    Setup setup(
            @PathVariable String site,
            @RequestParam(defaultValue = "") String page,
            @RequestHeader(name = "Origin", defaultValue = "") String origin,
            HttpServletRequest request,
            HttpServletResponse response) {
        Site there = enter(site, origin, request, response);
        List<Speaking.Shown> shown = speaking.arrived(there, text(page));
        if (shown.isEmpty()) {
            return Setup.NONE;
        }
        Presence presence = shown.getFirst().presence();
        String language = shown.getFirst().bot().manner().language();
        Map<String, TreeSet<Integer>> watch = new HashMap<>();
        Speaking.watched(shown).forEach((what, amounts) -> watch.put(what.key(), amounts));
        return new Setup(
                shown.stream().map(one -> one.bot().slug()).toList(),
                shown.getFirst().bot().name(),
                shown.getFirst().bot().manner().picture(),
                presence.words(),
                presence.colour(),
                presence.side(),
                watch,
                words.word(language, "Dismiss"),
                words.word(language, "{n} new"),
                words.direction(language));
    }

    record Named(@Nullable String token) {}

    /** @param visitors what names the visitor, by the bots' addresses */
    record Known(Map<String, String> visitors) {}

    /** The website says who its visitor is. */
    @PostMapping("/visitors")
    Known visitor(
            @PathVariable String site,
            @JsonText(Named.class) @RequestBody String body,
            @RequestHeader(name = "Origin", defaultValue = "") String origin,
            HttpServletRequest request,
            HttpServletResponse response) {
        Site there = enter(site, origin, request, response);
        String token = Problems.read(body, Named.class).token();
        String name = sites.visitor(there, token == null ? "" : token)
                .orElseThrow(() -> Problems.of(
                        HttpStatus.FORBIDDEN,
                        "Not known",
                        "The token is not signed with this website's secret, not for it, or out of its time."));
        Map<String, String> visitors = new HashMap<>();
        for (Speaking.Shown shown : speaking.shown(there)) {
            visitors.put(shown.bot().slug(), named.named(shown.bot().id(), there.id(), name));
        }
        return new Known(visitors);
    }

    @PostMapping("/moments")
    Spoken moment(
            @PathVariable String site,
            @JsonText(Asked.class) @RequestBody String body,
            @RequestHeader(name = "Origin", defaultValue = "") String origin,
            HttpServletRequest request,
            HttpServletResponse response) {
        Site there = enter(site, origin, request, response);
        Asked asked = Problems.read(body, Asked.class);
        Optional<Happening> what = Arrays.stream(Happening.values())
                .filter(one -> one.key().equals(asked.what()))
                .findFirst();
        if (what.isEmpty()) {
            throw Problems.unfit("Nothing of that name happens.");
        }
        Speaking.Visit visit = new Speaking.Visit(
                what.get(),
                Math.max(0, asked.amount()),
                text(asked.said()),
                text(asked.page()),
                text(asked.referrer()),
                text(asked.campaign()),
                Math.max(1, asked.visits()),
                text(asked.language()),
                text(asked.device()),
                facts(asked.facts()),
                past(asked.past()));
        Map<String, @Nullable String> visitors = asked.visitors() == null ? new HashMap<>() : asked.visitors();
        return speaking.decide(there, visit, bot -> named.known(bot.id(), visitors.get(bot.slug())))
                .map(acts -> {
                    Cue cue = acts.cue();
                    return new Spoken(cue.id(), acts.bot().slug(), cue.greeting(), cue.opens(), cue.flow());
                })
                .orElse(Spoken.NOTHING);
    }

    /** Counts what a cue did: {@code shown} or {@code opened}. */
    @PostMapping("/counts")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void count(
            @PathVariable String site,
            @JsonText(Counted.class) @RequestBody String body,
            @RequestHeader(name = "Origin", defaultValue = "") String origin,
            HttpServletRequest request,
            HttpServletResponse response) {
        Site there = enter(site, origin, request, response);
        Counted counted = Problems.read(body, Counted.class);
        String what = text(counted.what());
        if (what.equals("shown") || what.equals("opened")) {
            speaking.count(there, text(counted.cue()), what);
        }
    }

    private Site enter(String site, String origin, HttpServletRequest request, HttpServletResponse response) {
        limits.panel(Callers.of(request));
        Site there = speaking.allowed(site, origin)
                .orElseThrow(() -> Problems.of(
                        HttpStatus.FORBIDDEN, "Not here", "The panel does not show on pages of this address."));
        response.setHeader("Access-Control-Allow-Origin", origin);
        response.setHeader("Vary", "Origin");
        return there;
    }

    private static String text(@Nullable String text) {
        return text == null ? "" : Fit.within(text, LONGEST_TEXT);
    }

    private static List<String> facts(@Nullable Map<String, @Nullable String> told) {
        return told == null || told.size() > MOST_FACTS
                ? List.of()
                : told.entrySet().stream()
                        .map(fact -> text(fact.getKey()) + ": " + text(fact.getValue()))
                        .toList();
    }

    private static Map<String, Moment.Past> past(@Nullable Map<String, @Nullable Acted> acted) {
        Map<String, Moment.Past> past = new HashMap<>();
        if (acted != null && acted.size() <= MOST_CUES) {
            acted.forEach((cue, one) -> {
                if (one != null) {
                    past.put(cue, past(one));
                }
            });
        }
        return past;
    }

    private static Moment.Past past(Acted acted) {
        List<Instant> times = new ArrayList<>();
        if (acted.times() != null) {
            for (@Nullable Long time : acted.times()) {
                if (time != null && times.size() < MOST_TIMES) {
                    times.add(instant(time));
                }
            }
        }
        return new Moment.Past(acted.visit(), times, acted.dismissed() <= 0 ? Instant.MIN : instant(acted.dismissed()));
    }

    /** Seconds that no clock shows are those of the epoch. */
    private static Instant instant(long seconds) {
        return Instant.ofEpochSecond(Math.clamp(seconds, 0, 253_402_300_799L));
    }
}
