package com.shuttle.core.conversation;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.shuttle.core.knowledge.Finding;

/**
 * Something that leaves the building once the turn is committed, at least once, with its key for idempotency. What comes of
 * it returns as one {@link Event.Came} with the same key, which the conversation waits for; so does that nothing came in
 * time. Stored as JSON.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "errand")
@JsonSubTypes(@JsonSubTypes.Type(value = Errand.Consult.class, name = "consult"))
public sealed interface Errand extends Effect {

    /** Unique within its conversation. */
    String key();

    /** Seconds after which it counts as failed. */
    long limit();

    /** Asks the language model what it makes of a finding; the result is a {@link Finding}. */
    record Consult(String key, String question, Finding finding) implements Errand {
        @Override
        public long limit() {
            return 30;
        }
    }
}
