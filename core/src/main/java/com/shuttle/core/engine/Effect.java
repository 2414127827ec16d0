package com.shuttle.core.engine;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** Something the shell is to do because of a turn. Stored with the turn, in its order. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "effect")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Effect.Say.class, name = "say"),
    @JsonSubTypes.Type(value = Effect.Queue.class, name = "queue"),
    @JsonSubTypes.Type(value = Effect.LeaveQueue.class, name = "leave_queue"),
    @JsonSubTypes.Type(value = Effect.KeepLead.class, name = "keep_lead"),
    @JsonSubTypes.Type(value = Effect.NoteGap.class, name = "note_gap"),
    @JsonSubTypes.Type(value = Effect.Finish.class, name = "finish")
})
public sealed interface Effect {

    /** Adds a message to the transcript. */
    record Say(Message message) implements Effect {}

    /** Puts the conversation before the people of a team; empty for any team. */
    record Queue(String team) implements Effect {}

    /** The visitor no longer waits for a person. */
    record LeaveQueue() implements Effect {}

    /** The visitor has left name and email; {@code phone} may be empty. Sent again when one of them changes. */
    record KeepLead(String name, String email, String phone) implements Effect {}

    /** A question that no knowledge answered. */
    record NoteGap(String question) implements Effect {}

    /** The conversation is over. */
    record Finish() implements Effect {}
}
