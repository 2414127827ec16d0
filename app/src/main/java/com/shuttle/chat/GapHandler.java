package com.shuttle.chat;

import com.shuttle.core.engine.Effect;
import com.shuttle.knowledge.GapService;
import java.time.Instant;
import org.springframework.stereotype.Component;

/** Notes the questions that no knowledge answered. */
@Component
class GapHandler implements EffectHandler {

    private final GapService gaps;

    GapHandler(GapService gaps) {
        this.gaps = gaps;
    }

    @Override
    public void handle(Conversation conversation, Effect effect, Instant at) {
        if (effect instanceof Effect.NoteGap(String question)) {
            gaps.note(conversation.bot(), conversation.id(), question, at);
        }
    }
}
