package com.shuttle.core.engine;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;

/** Something that happened to a conversation from outside. Stored as JSON; the names below are the stored ones. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "event")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Event.Started.class, name = "started"),
    @JsonSubTypes.Type(value = Event.Said.class, name = "said"),
    @JsonSubTypes.Type(value = Event.Picked.class, name = "picked"),
    @JsonSubTypes.Type(value = Event.AgentTook.class, name = "agent_took"),
    @JsonSubTypes.Type(value = Event.AgentSaid.class, name = "agent_said"),
    @JsonSubTypes.Type(value = Event.AgentClosed.class, name = "agent_closed")
})
public sealed interface Event {

    Stamp stamp();

    /** The visitor opened the conversation. {@code page} is the address they came from; both may be empty. */
    record Started(Stamp stamp, String channel, String page) implements Event {}

    /** The visitor typed; {@code text} is cleaned and not blank. */
    record Said(Stamp stamp, String text) implements Event {}

    /** The visitor picked options by hand. */
    record Picked(Stamp stamp, List<String> options) implements Event {
        public Picked {
            options = List.copyOf(options);
        }
    }

    /** A person took the conversation, asked or not. */
    record AgentTook(Stamp stamp, String agent) implements Event {}

    record AgentSaid(Stamp stamp, String agent, String text) implements Event {}

    record AgentClosed(Stamp stamp, String agent) implements Event {}
}
