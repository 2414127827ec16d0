package com.shuttle.studio;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.channel.PhoneWords;
import com.shuttle.core.channel.Replied;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.engine.Prompts;
import com.shuttle.web.Ids;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.SequencedMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Conversations with drafts. They live in memory only: no lead, gap or handoff comes of them. Each turn speaks the draft as it
 * is now, so that an edit is heard at once. Thread-safe.
 */
@Service
class Rehearsals {

    /**
     * A turn with what is needed to show it.
     *
     * @param clauses of what the visitor said, by the keys by which they can be marked
     */
    record Played(
            String rehearsal, Turn turn, List<Outside.Seen> seen, SequencedMap<Integer, Outside.Clause> clauses) {}

    /** The channel of websites. */
    static final String WEB = "web";

    /** A turn that sends more errands than this, one after the other, is shown as it is. */
    private static final int MOST_ERRANDS = 5;

    /** So many clauses of a rehearsal are kept to be marked. */
    private static final int MOST_CLAUSES = 500;

    /**
     * @param calendar what it has booked so far
     * @param clauses  that the visitor said, in their order
     */
    private record Rehearsal(String bot, State state, RehearsedCalendar calendar, List<Outside.Clause> clauses) {}

    private final BotService bots;
    private final Outside outside;
    private final InstantSource clock;
    private final Cache<String, Rehearsal> open = Caffeine.newBuilder()
            .maximumSize(2000)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    Rehearsals(BotService bots, Outside outside, InstantSource clock) {
        this.bots = bots;
        this.outside = outside;
        this.clock = clock;
    }

    /** @param channel that the visitor is on, such as {@code web} */
    Played begin(Bot bot, Outside.Scene scene, String channel) {
        String id = Ids.next();
        Rehearsal fresh = new Rehearsal(bot.id(), State.NEW, RehearsedCalendar.EMPTY, List.of());
        return play(id, bot, fresh, scene, (stamp, playbook, state) -> new Event.Started(stamp, channel, ""));
    }

    /** The visitor types; empty if the rehearsal is gone or belongs to another bot. A secret is not kept at all. */
    Optional<Played> say(String id, Bot bot, Outside.Scene scene, String text) {
        return tell(id, bot, scene, (stamp, playbook, state) -> {
            if (Engine.isSecret(playbook, state, text)) {
                return new Event.Confided(stamp, "rehearsed");
            }
            // On a phone options are picked by their numbers, too.
            Prompt prompt = state.channel().equals(WEB) ? null : prompt(playbook, state);
            return prompt != null
                            && Replied.words(text, prompt.options(), prompt.many(), 0, PhoneWords.ENGLISH)
                                    instanceof Replied.Picks(List<String> options)
                    ? new Event.Picked(stamp, options)
                    : new Event.Said(stamp, text);
        });
    }

    private @Nullable Prompt prompt(Playbook playbook, State state) {
        ZoneId zone = Zones.firstKnown(playbook.release().profile().zone());
        return Prompts.of(playbook, state, LocalDate.ofInstant(clock.instant(), zone));
    }

    /** What a rehearsal offers now; empty for nothing. */
    Optional<Prompt> prompt(String id, Bot bot) {
        return Optional.ofNullable(open.getIfPresent(id))
                .filter(one -> one.bot().equals(bot.id()))
                .map(one -> prompt(new Playbook(bots.draftRelease(bot)), one.state()));
    }

    /** The visitor picks; empty as for {@link #say}. */
    Optional<Played> pick(String id, Bot bot, Outside.Scene scene, List<String> options) {
        return tell(id, bot, scene, (stamp, playbook, state) -> new Event.Picked(stamp, options));
    }

    /** What is waited for comes at once: the time, the signal, or a file; empty as for {@link #say}. */
    Optional<Played> goOn(String id, Bot bot, Outside.Scene scene) {
        return tell(id, bot, scene, (stamp, playbook, state) -> {
            Awaiting awaiting = state.awaiting();
            String key = awaiting == null ? "" : awaiting.key();
            return switch (awaiting) {
                case Awaiting.Signal signal -> new Event.Signalled(stamp, key, "rehearsed");
                case Awaiting.Reply reply -> new Event.Sent(stamp, "rehearsed", "sample.png");
                case null, default -> new Event.TimeCame(stamp, key);
            };
        });
    }

    /** What was said in a rehearsal; empty if that is gone, belongs to another bot, or nothing of that key was said. */
    Optional<Outside.Clause> clause(String id, Bot bot, int key) {
        return Optional.ofNullable(open.getIfPresent(id))
                .filter(one -> one.bot().equals(bot.id()))
                .map(Rehearsal::clauses)
                .filter(clauses -> key >= 0 && key < clauses.size())
                .map(clauses -> clauses.get(key));
    }

    private Optional<Played> tell(String id, Bot bot, Outside.Scene scene, ToEvent event) {
        Rehearsal rehearsal = open.getIfPresent(id);
        if (rehearsal == null || !rehearsal.bot().equals(bot.id())) {
            return Optional.empty();
        }
        return Optional.of(play(id, bot, rehearsal, scene, event));
    }

    private Played play(String id, Bot bot, Rehearsal rehearsal, Outside.Scene scene, ToEvent event) {
        Playbook playbook = new Playbook(bots.draftRelease(bot));
        Instant now = now(playbook, scene.day());
        Outside.Watch watch = outside.watch(bot.id(), scene.mode(), rehearsal.calendar(), now);
        Turn turn = play(playbook, rehearsal.state(), event, watch, now);
        List<Outside.Clause> said = rehearsal.clauses().size() < MOST_CLAUSES ? watch.clauses() : List.of();
        if (turn instanceof Turn.Taken taken) {
            open.put(
                    id,
                    new Rehearsal(
                            bot.id(),
                            taken.state(),
                            rehearsal.calendar().after(taken.effects()),
                            both(rehearsal.clauses(), said)));
        }
        SequencedMap<Integer, Outside.Clause> clauses = new LinkedHashMap<>();
        said.forEach(clause -> clauses.put(rehearsal.clauses().size() + clauses.size(), clause));
        return new Played(id, turn, watch.seen(), clauses);
    }

    /** Now, or this time of another day on the bot's clock. */
    private Instant now(Playbook playbook, @Nullable LocalDate day) {
        ZoneId zone = Zones.firstKnown(playbook.release().profile().zone());
        Instant now = clock.instant();
        return day == null ? now : now.atZone(zone).with(day).toInstant();
    }

    private interface ToEvent {
        Event event(Stamp stamp, Playbook playbook, State state);
    }

    /** Plays a turn, and where it sends errands, does them at once and plays on with what came of them. */
    private Turn play(Playbook playbook, State state, ToEvent event, Outside.Watch watch, Instant now) {
        Event taken = event.event(new Stamp(now, Ids.seed()), playbook, state);
        Turn turn = Engine.take(playbook, state, taken, watch);
        for (int i = 0; i < MOST_ERRANDS && turn instanceof Turn.Taken sent; i++) {
            Errand errand = sent.effects().stream()
                    .filter(Errand.class::isInstance)
                    .map(Errand.class::cast)
                    .reduce(null, (before, one) -> one);
            Awaiting awaiting = sent.state().awaiting();
            if (errand == null || awaiting == null || !awaiting.key().equals(errand.key())) {
                return turn;
            }
            Event came = new Event.Came(new Stamp(now, Ids.seed()), errand.key(), watch.perform(errand, awaiting));
            if (!(Engine.take(playbook, sent.state(), came, watch) instanceof Turn.Taken next)) {
                return turn;
            }
            turn = joined(sent, next);
        }
        return turn;
    }

    private static Turn.Taken joined(Turn.Taken first, Turn.Taken then) {
        return new Turn.Taken(
                then.state(),
                both(
                        first.effects().stream()
                                .filter(effect -> !(effect instanceof Errand))
                                .toList(),
                        then.effects()),
                both(first.trace(), then.trace()),
                both(first.way(), then.way()));
    }

    private static <T> List<T> both(List<? extends T> first, List<? extends T> then) {
        List<T> both = new ArrayList<>(first);
        both.addAll(then);
        return both;
    }
}
