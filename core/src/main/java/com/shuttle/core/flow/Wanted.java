package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.List;

/** One thing asked for: by a {@link Question}, or as a fact of an {@link Interview}. */
public interface Wanted {

    ValueType type();

    /** Where the answer goes; empty keeps it nowhere. */
    String variable();

    Limits limits();

    List<Check> checks();

    /** Error words; empty for the usual ones of the type. */
    String retry();

    /** Small words beneath the question; empty for none. */
    default String hint() {
        return "";
    }

    /** An answer as it might be given; empty for none. */
    String example();

    /** To choose from; empty for types that have none. */
    List<Option> options();

    /** Whether the visitor may leave it out. */
    boolean optional();

    /** The wordings of the question for it; empty for none. */
    @JsonIgnore
    default List<String> asked() {
        return List.of();
    }

    /** What people call it, e.g. "number of pupils". */
    @JsonIgnore
    String called();
}
