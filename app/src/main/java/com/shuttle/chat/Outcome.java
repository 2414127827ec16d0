package com.shuttle.chat;

import com.shuttle.core.conversation.Turn;

/** What came of telling a conversation something. */
public sealed interface Outcome {

    record Taken(Reply reply) implements Outcome {}

    /** The conversation stands as it stood. */
    record Refused(Turn.Reason reason) implements Outcome {

        /** A sentence for whoever is told. */
        public String sentence() {
            return switch (reason) {
                case ENDED -> "This conversation has ended. Start a new one to go on.";
                case UNKNOWN_OPTION -> "That option is not on offer now.";
                case OUT_OF_ORDER -> "The conversation is not ready for that.";
                case NOT_WITH_PERSON -> "No person has taken this conversation.";
                case ALREADY_TAKEN -> "Somebody else has taken this conversation.";
                case NOT_YOURS -> "Somebody else has this conversation. Take it over to go on in it yourself.";
                case TOO_LATE -> "Nothing waits for this any more.";
                case NOT_ASKED -> "Nothing of this kind is asked for now.";
            };
        }
    }
}
