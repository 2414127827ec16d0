package com.shuttle.studio;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.BotPorts;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.web.Ids;
import java.time.Duration;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;

/**
 * Conversations with drafts. They live in memory only: no lead, gap or handoff comes of them. Each turn speaks the draft as it
 * is now, so that an edit is heard at once. Thread-safe.
 */
@Service
class Rehearsals {

    /** A turn with what is needed to show it. */
    record Played(String rehearsal, Turn turn) {}

    private record Rehearsal(String bot, State state) {}

    private final BotService bots;
    private final BotPorts ports;
    private final InstantSource clock;
    private final Cache<String, Rehearsal> open = Caffeine.newBuilder()
            .maximumSize(2000)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    Rehearsals(BotService bots, BotPorts ports, InstantSource clock) {
        this.bots = bots;
        this.ports = ports;
        this.clock = clock;
    }

    Played begin(Bot bot) {
        String id = Ids.next();
        Turn turn = play(bot, State.NEW, (stamp, playbook, state) -> new Event.Started(stamp, "web", ""));
        keep(id, bot, turn);
        return new Played(id, turn);
    }

    /** The visitor types; empty if the rehearsal is gone or belongs to another bot. A secret is not kept at all. */
    Optional<Played> say(String id, Bot bot, String text) {
        return tell(
                id,
                bot,
                (stamp, playbook, state) -> Engine.isSecret(playbook, state, text)
                        ? new Event.Confided(stamp, "rehearsed")
                        : new Event.Said(stamp, text));
    }

    /** The visitor picks; empty as for {@link #say}. */
    Optional<Played> pick(String id, Bot bot, List<String> options) {
        return tell(id, bot, (stamp, playbook, state) -> new Event.Picked(stamp, options));
    }

    /** What is waited for comes at once: the time, the signal, or a file; empty as for {@link #say}. */
    Optional<Played> goOn(String id, Bot bot) {
        return tell(id, bot, (stamp, playbook, state) -> {
            Awaiting awaiting = state.awaiting();
            String key = awaiting == null ? "" : awaiting.key();
            return awaiting != null && awaiting.kind() == Awaiting.Kind.SIGNAL
                    ? new Event.Signalled(stamp, key, "rehearsed")
                    : awaiting != null && awaiting.kind() == Awaiting.Kind.QUESTION
                            ? new Event.Sent(stamp, "rehearsed", "sample.png")
                            : new Event.TimeCame(stamp, key);
        });
    }

    private Optional<Played> tell(String id, Bot bot, ToEvent event) {
        Rehearsal rehearsal = open.getIfPresent(id);
        if (rehearsal == null || !rehearsal.bot().equals(bot.id())) {
            return Optional.empty();
        }
        Turn turn = play(bot, rehearsal.state(), event);
        keep(id, bot, turn);
        return Optional.of(new Played(id, turn));
    }

    private interface ToEvent {
        Event event(Stamp stamp, Playbook playbook, State state);
    }

    private Turn play(Bot bot, State state, ToEvent event) {
        Playbook playbook = new Playbook(bots.draftRelease(bot));
        Event taken = event.event(new Stamp(clock.instant(), Ids.seed()), playbook, state);
        return Engine.take(playbook, state, taken, ports.of(bot.id(), "rehearsal"));
    }

    private void keep(String id, Bot bot, Turn turn) {
        if (turn instanceof Turn.Taken taken) {
            open.put(id, new Rehearsal(bot.id(), taken.state()));
        }
    }
}
