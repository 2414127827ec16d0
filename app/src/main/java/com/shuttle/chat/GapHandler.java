package com.shuttle.chat;

import com.shuttle.core.conversation.Effect;
import com.shuttle.knowledge.GapService;
import java.time.Instant;
import org.springframework.stereotype.Component;

/** Notes the questions that no knowledge answered, what answered the others, and which of those were rated badly. */
@Component
class GapHandler implements EffectHandler {

    /** Up to so many stars of five are a bad rating. */
    private static final int BAD = 2;

    private final GapService gaps;

    GapHandler(GapService gaps) {
        this.gaps = gaps;
    }

    @Override
    public void handle(Conversation conversation, Effect effect, Instant at) {
        switch (effect) {
            case Effect.NoteGap(String question) -> gaps.note(conversation.bot(), conversation.id(), question, at);
            case Effect.Answered(String ref, String question) ->
                gaps.answered(conversation.bot(), conversation.id(), ref, question, at);
            case Effect.Rate(int stars, String comment) -> {
                if (stars <= BAD) {
                    gaps.ratedBadly(conversation.bot(), conversation.id(), at);
                }
            }
            default -> {}
        }
    }
}
