package com.shuttle.core.acts;

import com.shuttle.core.flow.ValueType;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * In what situation a message was sent.
 *
 * @param pending  what is waited for
 * @param type     of the value that is asked for; null where none is
 * @param question in its words; empty for none
 * @param options  that are offered, by their labels
 * @param known    what is known by now: values as they are shown, by what they are called, the latest last
 */
public record Situation(
        Pending pending, @Nullable ValueType type, String question, List<String> options, Map<String, String> known) {

    /** What is waited for. */
    public enum Pending {
        /** Anything at all. */
        OPEN,
        /** A value of a type. */
        VALUE,
        /** One of some options. */
        CHOICE,
        /** Some of several options. */
        SEVERAL,
        /** That what was understood is confirmed. */
        CONFIRM,
        /** One of what was offered where a message was not understood, or none of it. */
        OFFERED
    }

    /** Nothing is waited for and nothing known. */
    public static final Situation NONE = new Situation(Pending.OPEN, null, "", List.of(), Map.of());

    public Situation {
        options = List.copyOf(options);
    }

    /** What is waited for in a word: the type of the value that is asked for, or else what kind of thing, in lower case. */
    public String waits() {
        return (type == null ? pending.name() : type.name()).toLowerCase(Locale.ROOT);
    }
}
