package com.shuttle.core.conversation;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Something that happened to a conversation from outside. Stored as JSON; the names below are the stored ones. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "event")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Event.Started.class, name = "started"),
    @JsonSubTypes.Type(value = Event.Said.class, name = "said"),
    @JsonSubTypes.Type(value = Event.Confided.class, name = "confided"),
    @JsonSubTypes.Type(value = Event.Picked.class, name = "picked"),
    @JsonSubTypes.Type(value = Event.Sent.class, name = "sent"),
    @JsonSubTypes.Type(value = Event.TimeCame.class, name = "time_came"),
    @JsonSubTypes.Type(value = Event.Signalled.class, name = "signalled"),
    @JsonSubTypes.Type(value = Event.Came.class, name = "came"),
    @JsonSubTypes.Type(value = Event.Informed.class, name = "informed"),
    @JsonSubTypes.Type(value = Event.AgentTook.class, name = "agent_took"),
    @JsonSubTypes.Type(value = Event.AgentSaid.class, name = "agent_said"),
    @JsonSubTypes.Type(value = Event.AgentReturned.class, name = "agent_returned"),
    @JsonSubTypes.Type(value = Event.AgentClosed.class, name = "agent_closed"),
    @JsonSubTypes.Type(value = Event.BotGone.class, name = "bot_gone")
})
public sealed interface Event {

    Stamp stamp();

    /**
     * The visitor opened the conversation.
     *
     * @param page    the address they came from; may be empty
     * @param visitor names the visitor across conversations; may be empty
     * @param zone    IANA time zone of the visitor; empty for the bot's
     * @param known   values of visitor variables from conversations before; may be null for none
     * @param flow    id of the flow it begins with; empty, or one that is gone, for the main one
     * @param told    values of variables that the website tells; may be null for none
     * @param arrival what the channel knows of them; may be null for nothing
     */
    record Started(
            Stamp stamp,
            String channel,
            String page,
            String visitor,
            String zone,
            Map<String, Value> known,
            String flow,
            Map<String, Value> told,
            Arrival arrival)
            implements Event {
        public Started {
            arrival = Arrival.orNone(arrival);
            flow = flow == null ? "" : flow;
            visitor = visitor == null ? "" : visitor;
            zone = zone == null ? "" : zone;
            known = known == null ? Map.of() : Map.copyOf(known);
            told = told == null ? Map.of() : Map.copyOf(told);
        }

        public Started(
                Stamp stamp, String channel, String page, String visitor, String zone, Map<String, Value> known) {
            this(stamp, channel, page, visitor, zone, known, "", Map.of(), Arrival.NONE);
        }

        public Started(Stamp stamp, String channel, String page) {
            this(stamp, channel, page, "", "", Map.of());
        }
    }

    /** The visitor typed; {@code text} is cleaned and not blank. */
    record Said(Stamp stamp, String text) implements Event {}

    /** The visitor typed a secret, which the shell sealed before it went any further. */
    record Confided(Stamp stamp, String sealed) implements Event {}

    /** The visitor picked options by hand. */
    record Picked(Stamp stamp, List<String> options) implements Event {
        public Picked {
            options = List.copyOf(options);
        }
    }

    /** The visitor sent a file, which the shell has checked and keeps. */
    record Sent(Stamp stamp, String file, String name) implements Event {}

    /** The time a timer was set for has come. */
    record TimeCame(Stamp stamp, String key) implements Event {}

    /** A signal came from outside; {@code text} may be empty. */
    record Signalled(
            Stamp stamp, String key, String text, @Nullable JsonNode body) implements Event {
        public Signalled(Stamp stamp, String key, String text) {
            this(stamp, key, text, null);
        }
    }

    /**
     * An errand has come back.
     *
     * @param result null where nothing came of it
     */
    record Came(Stamp stamp, String key, @Nullable JsonNode result) implements Event {}

    /** The website tells values of variables, which says nothing in the conversation. */
    record Informed(Stamp stamp, Map<String, Value> values) implements Event {
        public Informed {
            values = Map.copyOf(values);
        }
    }

    /** Something that a person of the organisation did. @param account id of theirs; empty in conversations of old */
    sealed interface OfAgent extends Event {
        String account();
    }

    /**
     * A person took the conversation, asked or not.
     *
     * @param agent their name
     * @param over  whether it is taken from another person who has it
     */
    record AgentTook(Stamp stamp, String agent, String account, boolean over) implements OfAgent {
        public AgentTook {
            account = account == null ? "" : account;
        }
    }

    record AgentSaid(Stamp stamp, String agent, String account, String text) implements OfAgent {
        public AgentSaid {
            account = account == null ? "" : account;
        }
    }

    /** The person gave the conversation back to the bot. */
    record AgentReturned(Stamp stamp, String agent, String account) implements OfAgent {
        public AgentReturned {
            account = account == null ? "" : account;
        }
    }

    record AgentClosed(Stamp stamp, String agent, String account) implements OfAgent {
        public AgentClosed {
            account = account == null ? "" : account;
        }
    }

    /** The bot was taken away, and with it whoever might have gone on. */
    record BotGone(Stamp stamp) implements Event {}

    /** Whether it may come at any time, whatever the conversation waits for, and leaves that as it is. */
    default boolean aside() {
        return this instanceof OfAgent || this instanceof Informed;
    }

    /** Whether the visitor said, picked or sent something. */
    default boolean ofVisitor() {
        return this instanceof Said || this instanceof Picked || this instanceof Sent || this instanceof Confided;
    }
}
