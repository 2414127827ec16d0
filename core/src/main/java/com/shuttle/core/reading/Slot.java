package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** One of several things looked for in a message. Never changes, so that the words that point to it are worked out once. */
public final class Slot {

    private final String name;
    private final String label;
    private final ValueType type;
    private final List<Option> options;
    private @Nullable SlotWords words;

    /**
     * @param name    the variable it goes to; its words are cues ("check_out")
     * @param label   what people call it; its words are cues too; may be empty
     * @param type    what it is
     * @param options for choices; otherwise empty
     */
    public Slot(String name, String label, ValueType type, List<Option> options) {
        this.name = name;
        this.label = label;
        this.type = type;
        this.options = List.copyOf(options);
    }

    /** What a step asks for. */
    public static Slot of(Wanted wanted) {
        return new Slot(wanted.variable(), wanted.called(), wanted.type(), wanted.options());
    }

    public String name() {
        return name;
    }

    public String label() {
        return label;
    }

    public ValueType type() {
        return type;
    }

    public List<Option> options() {
        return options;
    }

    /** Worked out when it is first wanted; twice at most where two threads want it at the same moment. */
    SlotWords words() {
        SlotWords known = words;
        if (known == null) {
            known = SlotWords.of(name, label);
            words = known;
        }
        return known;
    }
}
