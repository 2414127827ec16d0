package com.shuttle.panel;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Cues;
import com.shuttle.core.cue.Happening;
import com.shuttle.core.cue.Moment;
import com.shuttle.core.cue.Where;
import com.shuttle.releases.ReleaseService;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which bots show on a website, and which of their cues acts. Thread-safe. */
@Service
public class Speaking {

    private final Sites sites;
    private final CueStore counts;
    private final BotService bots;
    private final ReleaseService releases;
    private final ConversationService conversations;
    private final InstantSource clock;

    Speaking(
            Sites sites,
            CueStore counts,
            BotService bots,
            ReleaseService releases,
            ConversationService conversations,
            InstantSource clock) {
        this.sites = sites;
        this.counts = counts;
        this.bots = bots;
        this.releases = releases;
        this.conversations = conversations;
        this.clock = clock;
    }

    /** A bot as it shows. */
    public record Shown(Bot bot, Presence presence) {}

    /** Those that show on a website, in its order: switched on, and with a release that is live. */
    public List<Shown> shown(Site site) {
        List<Shown> shown = new ArrayList<>();
        for (String id : site.bots()) {
            bots.find(id)
                    .filter(bot -> releases.live(id).isPresent())
                    .map(bot -> new Shown(bot, sites.presence(id)))
                    .filter(one -> one.presence().on())
                    .ifPresent(shown::add);
        }
        return shown;
    }

    /** A website that is there and whose pages may have the panel; empty for every other origin. */
    public Optional<Site> allowed(String site, String origin) {
        return sites.site(site).filter(one -> one.allows(origin));
    }

    /** A page of a website asks for the panel. @return who shows there */
    @Transactional
    public List<Shown> arrived(Site site, String page) {
        sites.seen(site, page);
        return shown(site);
    }

    /** What the page must look out for: what happens, with the amounts at which something may come of it. */
    public static Map<Happening, TreeSet<Integer>> watched(List<Shown> shown) {
        Map<Happening, TreeSet<Integer>> watched = new LinkedHashMap<>();
        for (Shown one : shown) {
            for (Cue cue : one.presence().cues()) {
                if (cue.on() && cue.what() != Happening.KEYWORD) {
                    watched.computeIfAbsent(happens(cue.what()), what -> new TreeSet<>())
                            .add(cue.amount());
                }
            }
        }
        return watched;
    }

    /** Being here for the first time, or again, happens as soon as somebody is on the page. */
    private static Happening happens(Happening what) {
        return what == Happening.FIRST_VISIT || what == Happening.RETURNING ? Happening.STAYED : what;
    }

    /** A cue that acts, and whose it is. */
    public record Acts(Bot bot, Cue cue) {}

    /** What of a visit is the same for every bot. @param past by the cues' ids */
    public record Visit(
            Happening what,
            int amount,
            String said,
            String page,
            String referrer,
            String campaign,
            int visits,
            String language,
            String device,
            List<String> facts,
            Map<String, Moment.Past> past) {

        /** @param known what the bot remembers of the visitor, each as {@code name: value} */
        Moment at(Instant now, String zone, List<String> known) {
            return new Moment(
                    what,
                    amount,
                    said,
                    Moment.address(page),
                    Moment.path(page),
                    referrer,
                    campaign,
                    visits,
                    language,
                    device,
                    LocalDateTime.ofInstant(now, Zones.firstKnown(zone)),
                    now,
                    facts,
                    known,
                    past);
        }
    }

    /**
     * The first cue of all bots of a website that acts; empty for none.
     *
     * @param visitors whom each bot knows the visitor as; empty for a stranger
     */
    public Optional<Acts> decide(Site site, Visit visit, Function<Bot, String> visitors) {
        for (Shown shown : shown(site)) {
            Optional<Acts> acts = first(shown.bot(), shown.presence().cues(), visit, visitors.apply(shown.bot()));
            if (acts.isPresent()) {
                return acts;
            }
        }
        return Optional.empty();
    }

    private Optional<Acts> first(Bot bot, List<Cue> cues, Visit visit, String visitor) {
        Cue cue = Cues.decide(cues, visit.at(clock.instant(), bot.zone(), known(bot, cues, visitor)));
        return Optional.ofNullable(cue).map(one -> new Acts(bot, one));
    }

    /** What a bot remembers of a visitor, where a cue of its looks at that. */
    private List<String> known(Bot bot, List<Cue> cues, String visitor) {
        boolean asked = cues.stream()
                .filter(Cue::on)
                .flatMap(cue -> cue.where().stream())
                .anyMatch(where -> where.of() == Where.Of.KNOWN);
        List<String> known = new ArrayList<>();
        if (asked && !visitor.isEmpty()) {
            conversations.remembered(bot.id(), visitor).forEach((name, value) -> known.add(name + ": " + value));
        }
        return known;
    }

    /**
     * The first cue of several bots that waits for a word written on a phone; empty for none.
     *
     * @param visitor what names the person with the phone
     */
    public Optional<Acts> keyword(List<Bot> asked, String word, String visitor) {
        Visit visit = new Visit(Happening.KEYWORD, 0, word, "", "", "", 1, "", "phone", List.of(), Map.of());
        for (Bot bot : asked) {
            Optional<Acts> acts = first(bot, sites.presence(bot.id()).cues(), visit, visitor);
            if (acts.isPresent()) {
                return acts;
            }
        }
        return Optional.empty();
    }

    /** How a cue fared in a try-out. @param why not; empty where it is the one that acts */
    public record Tried(String bot, String cue, String why) {}

    /**
     * What each cue of a website would do, in their order, at a time.
     *
     * @param known what the bots remember of the visitor, each as {@code name: value}
     */
    List<Tried> tried(Site site, Visit visit, List<String> known, LocalDateTime at) {
        List<Tried> tried = new ArrayList<>();
        boolean acted = false;
        for (Shown shown : shown(site)) {
            Instant now = at.atZone(Zones.firstKnown(shown.bot().zone())).toInstant();
            Moment moment = visit.at(now, shown.bot().zone(), known);
            for (Cue cue : shown.presence().cues()) {
                String why = Cues.whyNot(cue, moment);
                tried.add(new Tried(
                        shown.bot().name(), cue.name(), why != null ? why : acted ? "One before it acts." : ""));
                acted |= why == null;
            }
        }
        return tried;
    }

    /** Counts what a cue did. @param what {@code shown} or {@code opened} */
    @Transactional
    public void count(Site site, String cue, String what) {
        for (Shown shown : shown(site)) {
            if (shown.presence().cues().stream().anyMatch(one -> one.id().equals(cue))) {
                counts.count(shown.bot().id(), cue, what);
            }
        }
    }

    /** A conversation began because of a cue. */
    @Transactional
    public void began(String conversation, String bot, String cue) {
        if (sites.presence(bot).cues().stream().anyMatch(one -> one.id().equals(cue))) {
            counts.began(conversation, bot, cue);
        }
    }

    Map<String, Brought> brought(String bot) {
        return counts.brought(bot);
    }
}
