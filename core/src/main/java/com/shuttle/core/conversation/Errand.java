package com.shuttle.core.conversation;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.reading.Value;
import com.shuttle.core.service.CallResult;
import java.util.Map;

/**
 * Something that leaves the building once the turn is committed, at least once, with its key for idempotency. What comes of
 * it returns as one {@link Event.Came} with the same key, which the conversation waits for; so does that nothing came in
 * time. Stored as JSON.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "errand")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Errand.Consult.class, name = "consult"),
    @JsonSubTypes.Type(value = Errand.Call.class, name = "call")
})
public sealed interface Errand extends Effect {

    /** Unique within its conversation. */
    String key();

    /** Seconds after which it counts as failed. */
    long limit();

    /**
     * Calls a service; the result is a {@link CallResult}.
     *
     * @param service its id
     * @param inputs  by their keys
     */
    record Call(String key, String service, Map<String, Value> inputs) implements Errand {

        /** Longer than any call may take, so that what it came to is told by whoever makes it. */
        private static final long LIMIT = 15L * 60;

        public Call {
            inputs = Map.copyOf(inputs);
        }

        @Override
        public long limit() {
            return LIMIT;
        }
    }

    /** Asks the language model what it makes of a finding; the result is a {@link Finding}. */
    record Consult(String key, String question, Finding finding) implements Errand {
        @Override
        public long limit() {
            return 30;
        }
    }
}
