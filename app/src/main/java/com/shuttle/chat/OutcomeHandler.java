package com.shuttle.chat;

import com.shuttle.core.conversation.Effect;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.Instant;
import org.springframework.stereotype.Component;

/** Keeps what a conversation leaves behind: values of the visitor, milestones, the rating, the brief for a person. */
@Component
class OutcomeHandler implements EffectHandler {

    private final OutcomeStore store;

    OutcomeHandler(OutcomeStore store) {
        this.store = store;
    }

    @Override
    public void handle(Conversation conversation, Effect effect, Instant at) {
        switch (effect) {
            case Effect.Remember(String variable, Value value) -> {
                if (!conversation.visitor().isEmpty() && !(value instanceof Value.Secret)) {
                    store.remember(conversation.bot(), conversation.visitor(), variable, value, at);
                }
            }
            case Effect.Reach(String milestone, BigDecimal value) -> store.reach(conversation, milestone, value, at);
            case Effect.Rate(int stars, String comment) -> store.rate(conversation.id(), stars, comment, at);
            case Effect.Queue(String team, String brief) -> store.brief(conversation.id(), brief);
            default -> {}
        }
    }
}
