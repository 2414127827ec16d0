package com.shuttle.chat;

import com.shuttle.core.conversation.Effect;
import java.time.Instant;

/** Carries out effects that only touch the database, within the transaction of the turn. */
public interface EffectHandler {

    /** Carries out {@code effect} if it concerns this handler; otherwise does nothing. */
    void handle(Conversation conversation, Effect effect, Instant at);
}
