package com.shuttle.scorecards;

import com.shuttle.core.flow.Scorecard;
import java.time.Instant;

/** A drafted scorecard. @param bot id of the bot it is for; empty where all bots share it */
public record StoredCard(Scorecard card, String bot, Instant changedAt) {

    public String id() {
        return card.id();
    }

    public String name() {
        return card.name();
    }
}
