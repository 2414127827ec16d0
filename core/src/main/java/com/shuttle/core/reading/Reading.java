package com.shuttle.core.reading;

import java.util.List;

/** What came of reading a message for one value. */
public sealed interface Reading {

    /**
     * A value was given.
     *
     * @param start index in the message where the words it was read from begin, inclusive
     * @param end   where they end, exclusive
     */
    record Given(Value value, int start, int end) implements Reading {}

    /** The visitor would rather not say. */
    record Refused() implements Reading {}

    /** The visitor asks something back ("what for?"). */
    record AskedBack() implements Reading {}

    /**
     * Two or more readings are equally good.
     *
     * @param start index in the message where the words they were read from begin, inclusive
     * @param end   where they end, exclusive
     */
    record Unclear(List<Value> candidates, int start, int end) implements Reading {
        public Unclear {
            candidates = List.copyOf(candidates);
        }
    }

    /** No value of the type asked for. */
    record Nothing() implements Reading {}

    /** The same with its place within a message: a name that is written otherwise than it was said may be longer. */
    default Reading within(int length) {
        return switch (this) {
            case Given(Value value, int start, int end) ->
                new Given(value, Math.clamp(start, 0, length), Math.clamp(end, 0, length));
            case Unclear(List<Value> values, int start, int end) ->
                new Unclear(values, Math.clamp(start, 0, length), Math.clamp(end, 0, length));
            default -> this;
        };
    }

    Reading REFUSED = new Refused();
    Reading ASKED_BACK = new AskedBack();
    Reading NOTHING = new Nothing();
}
