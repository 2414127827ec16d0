package com.shuttle.core.listening;

import com.shuttle.core.reading.Value;

/**
 * Another value for something known.
 *
 * @param variable what it is of
 * @param after    the value that is right
 * @param why      how it was told, for the trace
 */
public record Repair(String variable, Value after, String why) {

    /** It was said without a word of what it is of. */
    public static final String TOLD_ANEW = "told anew";

    static final String NAMED = "named";
    static final String DENIED = "the old value denied";
    static final String OPTION = "option changed";

    /** Whether it is plain what is meant: its name was said, or its old value denied. */
    public boolean aimed() {
        return why.equals(NAMED) || why.equals(DENIED) || why.equals(OPTION);
    }
}
