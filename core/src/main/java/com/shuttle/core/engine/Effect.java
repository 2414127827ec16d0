package com.shuttle.core.engine;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import org.jspecify.annotations.Nullable;

/** Something the shell is to do because of a turn. Stored with the turn, in its order. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "effect")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Effect.Say.class, name = "say"),
    @JsonSubTypes.Type(value = Effect.Queue.class, name = "queue"),
    @JsonSubTypes.Type(value = Effect.LeaveQueue.class, name = "leave_queue"),
    @JsonSubTypes.Type(value = Effect.KeepLead.class, name = "keep_lead"),
    @JsonSubTypes.Type(value = Effect.NoteGap.class, name = "note_gap"),
    @JsonSubTypes.Type(value = Effect.Answered.class, name = "answered"),
    @JsonSubTypes.Type(value = Effect.SetTimer.class, name = "set_timer"),
    @JsonSubTypes.Type(value = Effect.Remember.class, name = "remember"),
    @JsonSubTypes.Type(value = Effect.Reach.class, name = "reach"),
    @JsonSubTypes.Type(value = Effect.Assign.class, name = "assign"),
    @JsonSubTypes.Type(value = Effect.Rate.class, name = "rate"),
    @JsonSubTypes.Type(value = Effect.Finish.class, name = "finish")
})
public sealed interface Effect {

    /** Adds a message to the transcript. */
    record Say(Message message) implements Effect {}

    /** Puts the conversation before the people of a team; empty for any team. {@code brief} may be empty. */
    record Queue(String team, String brief) implements Effect {
        public Queue {
            brief = brief == null ? "" : brief;
        }
    }

    /** The visitor no longer waits for a person. */
    record LeaveQueue() implements Effect {}

    /** The visitor has left name and email; {@code phone} may be empty. Sent again when one of them changes. */
    record KeepLead(String name, String email, String phone) implements Effect {}

    /** A question that no knowledge answered. */
    record NoteGap(String question) implements Effect {}

    /** A question was answered by the entry or article of this ref. */
    record Answered(String ref, String question) implements Effect {}

    /** Sends {@link Event.TimeCame} with this key after so many seconds, once, after a restart too. */
    record SetTimer(String key, long seconds) implements Effect {}

    /** Keeps a visitor variable for conversations to come; null forgets it. */
    record Remember(String variable, @Nullable Value value) implements Effect {}

    /** A milestone was reached; {@code value} is 0 where it has none. */
    record Reach(String milestone, BigDecimal value) implements Effect {}

    /** The visitor was given an arm of an experiment, named by its flow and step. */
    record Assign(String experiment, String arm) implements Effect {}

    /** The visitor rated the conversation, 1 to 5; {@code comment} may be empty. Sent again with the comment. */
    record Rate(int stars, String comment) implements Effect {}

    /** The conversation is over. */
    record Finish() implements Effect {}
}
