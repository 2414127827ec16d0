package com.shuttle.core.reading;

import java.util.List;

/**
 * A place in a message that says something of the type looked for.
 *
 * @param values one: clear; several: as many readings; none: said, but no such value exists (31 June)
 * @param range  whether the two values are the ends of a range, so neither is meant alone
 * @param start  inclusive
 * @param end    exclusive
 */
record Mention(List<Value> values, boolean range, int start, int end) {

    Mention {
        values = List.copyOf(values);
    }

    static Mention of(Value value, int start, int end) {
        return new Mention(List.of(value), false, start, end);
    }

    static Mention range(Value from, Value to, int start, int end) {
        return new Mention(List.of(from, to), true, start, end);
    }

    /** Of one kind no more than these are looked at; nobody means more. */
    static final int MOST = 24;

    boolean clear() {
        return values.size() == 1 && !range;
    }
}
