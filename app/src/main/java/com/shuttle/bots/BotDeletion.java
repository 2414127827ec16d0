package com.shuttle.bots;

import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Deletes bots, and tells whoever has something to do with them. Thread-safe. */
@Component
public class BotDeletion {

    private final BotService bots;
    private final ApplicationEventPublisher events;

    BotDeletion(BotService bots, ApplicationEventPublisher events) {
        this.bots = bots;
        this.events = events;
    }

    /** Deletes a bot; it can be brought back, its open conversations cannot. */
    public Bot delete(String id) {
        Bot gone = bots.delete(id);
        events.publishEvent(new BotDeleted(gone.id()));
        return gone;
    }
}
