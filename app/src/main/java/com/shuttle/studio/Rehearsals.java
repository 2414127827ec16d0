package com.shuttle.studio;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.BotPorts;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.engine.Event;
import com.shuttle.core.engine.Playbook;
import com.shuttle.core.engine.Stamp;
import com.shuttle.core.engine.State;
import com.shuttle.core.engine.Turn;
import com.shuttle.web.Ids;
import java.time.Duration;
import java.time.InstantSource;
import java.util.Optional;
import java.util.function.Function;
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
        Turn turn = play(bot, State.NEW, stamp -> new Event.Started(stamp, "web", ""));
        keep(id, bot, turn);
        return new Played(id, turn);
    }

    /** Plays an event; empty if the rehearsal is gone or belongs to another bot. */
    Optional<Played> tell(String id, Bot bot, Function<Stamp, Event> event) {
        Rehearsal rehearsal = open.getIfPresent(id);
        if (rehearsal == null || !rehearsal.bot().equals(bot.id())) {
            return Optional.empty();
        }
        Turn turn = play(bot, rehearsal.state(), event);
        keep(id, bot, turn);
        return Optional.of(new Played(id, turn));
    }

    private Turn play(Bot bot, State state, Function<Stamp, Event> event) {
        Playbook playbook = new Playbook(bots.draftRelease(bot));
        return Engine.take(
                playbook, state, event.apply(new Stamp(clock.instant(), Ids.seed())), ports.of(bot.id(), "rehearsal"));
    }

    private void keep(String id, Bot bot, Turn turn) {
        if (turn instanceof Turn.Taken taken) {
            open.put(id, new Rehearsal(bot.id(), taken.state()));
        }
    }
}
