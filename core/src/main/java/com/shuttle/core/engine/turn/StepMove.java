package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.flow.Option;
import com.shuttle.core.reading.Value;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What a message makes steps do that ask for something, offer something or listen. */
public sealed interface StepMove extends Move.OfStep {

    /** A value is what was asked for. */
    record Take(Value value) implements StepMove {}

    /** Another value is what was asked for than the one that was to be confirmed or chosen. */
    record TakeInstead(Awaiting resumes, Value value) implements StepMove {}

    /**
     * Several values, asked for or not.
     *
     * @param values by their variables
     * @param said   in which words; empty where nothing need be said of what was kept besides
     */
    record Give(Map<String, Value> values, String said) implements StepMove {
        public Give {
            values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
        }
    }

    /** It is asked which of several readings is meant. @param resumes what is awaited afterwards */
    record AskWhich(List<Value> readings, Awaiting resumes) implements StepMove {}

    /** It is asked whether a value was meant. */
    record AskWhether(Value value) implements StepMove {}

    /** What was read back is right, or is not. */
    record Settle(Awaiting.Confirm asked, boolean right) implements StepMove {}

    /** All that was gathered is right, or is not. */
    record Approve(boolean right) implements StepMove {}

    /** Somebody will not say. */
    record Refuse() implements StepMove {}

    /** Somebody will not take part at all. */
    record Decline() implements StepMove {}

    /** There is none of something still to come. */
    record LeaveOut(String variable) implements StepMove {}

    /** It is told why something is asked. */
    record TellWhy() implements StepMove {}

    /** Who says only yes is asked what. */
    record AskWhat() implements StepMove {}

    /**
     * Options are picked.
     *
     * @param ids     of those offered
     * @param said    words that a step to come may answer, too; empty for none
     * @param guessed whether no word names it, so that it is said which was taken
     */
    record Pick(Awaiting offered, List<String> ids, String said, boolean guessed) implements StepMove {
        public Pick {
            ids = List.copyOf(ids);
        }

        public Pick(Awaiting offered, List<String> ids, String said) {
            this(offered, ids, said, false);
        }
    }

    /** It is asked which of some options is meant. */
    record Narrow(List<Option> options, int tries) implements StepMove {
        public Narrow {
            options = List.copyOf(options);
        }
    }

    /** Something else than what is offered. */
    record Otherwise(String said) implements StepMove {}

    /** An open question is answered. */
    record Answer(String question) implements StepMove {}

    /** A conversation is rated. @param comment empty for none */
    record Rate(int stars, String comment) implements StepMove {}

    /** What is said of a conversation beside the rating; empty for nothing. */
    record Comment(int stars, String comment) implements StepMove {}
}
