package com.shuttle.chat;

import com.shuttle.bots.BotDeleted;
import com.shuttle.core.conversation.Event;
import java.time.Duration;
import java.time.InstantSource;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Conversations whose bot is deleted: those who wait for a person, are with one, or said something today are told that it ends, and
 * leave the inbox. Thread-safe.
 */
@Component
class Orphans {

    private static final Duration LATELY = Duration.ofDays(1);

    private final ConversationStore store;
    private final TurnTaking taking;
    private final InstantSource clock;

    Orphans(ConversationStore store, TurnTaking taking, InstantSource clock) {
        this.store = store;
        this.taking = taking;
        this.clock = clock;
    }

    @EventListener
    void gone(BotDeleted bot) {
        store.open(bot.id(), clock.instant().minus(LATELY))
                .forEach(id -> taking.turn(id, null, (stamp, playbook, state) -> new Event.BotGone(stamp)));
    }
}
