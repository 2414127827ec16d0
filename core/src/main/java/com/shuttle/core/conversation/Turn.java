package com.shuttle.core.conversation;

import java.util.List;

/** What came of an event: a turn, or a refusal that changes nothing. */
public sealed interface Turn {

    /**
     * The event was taken.
     *
     * @param trace what was understood and done, and why
     * @param way   through the flows
     */
    record Taken(State state, List<Effect> effects, List<TraceLine> trace, List<Way> way) implements Turn {
        public Taken {
            effects = List.copyOf(effects);
            trace = List.copyOf(trace);
            way = List.copyOf(way);
        }

        /** The messages among the effects, in order. */
        public List<Message> messages() {
            return effects.stream()
                    .filter(Effect.Say.class::isInstance)
                    .map(effect -> ((Effect.Say) effect).message())
                    .toList();
        }
    }

    /** The event does not fit the conversation as it stands. */
    record Refused(Reason reason) implements Turn {}

    /** Why an event was refused. */
    enum Reason {
        /** The conversation is over. */
        ENDED,
        /** None of the options offered now has this id. */
        UNKNOWN_OPTION,
        /** The conversation has started already, or not yet. */
        OUT_OF_ORDER,
        /** No person has taken the conversation. */
        NOT_WITH_PERSON,
        /** A person has it already. */
        ALREADY_TAKEN,
        /** Another person has it. */
        NOT_YOURS,
        /** Nothing waits for this signal or time any more, or it came twice. */
        TOO_LATE,
        /** Nobody asked for a file, or for a secret. */
        NOT_ASKED
    }
}
