package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** One of several things looked for in a message. Never changes, so that the words that point to it are worked out once. */
public final class Slot {

    private final String name;
    private final String label;
    private final ValueType type;
    private final List<Option> options;
    /** What the question counts, or in which unit; its words are cues. */
    private final String counted;

    private @Nullable SlotWords words;

    /** "How many rooms are there", "in metres". */
    private static final Pattern COUNTED = Pattern.compile(
            "\\bhow many (?:of )?(?:the |your |our )?(?!(?:will|would|are|is|do|does|can|could|should|shall|may|there|come|people)\\b)(\\p{L}{3,})"
                    + "|\\bin (metres|meters|feet|minutes|hours|days|weeks|months|years|miles|kilometres|kilos|pages)\\b",
            Pattern.CASE_INSENSITIVE);

    /**
     * @param name    the variable it goes to; its words are cues ("check_out")
     * @param label   what people call it; its words are cues too; may be empty
     * @param type    what it is
     * @param options for choices; otherwise empty
     */
    public Slot(String name, String label, ValueType type, List<Option> options) {
        this(name, label, type, options, "");
    }

    private Slot(String name, String label, ValueType type, List<Option> options, String counted) {
        this.counted = counted;
        this.name = name;
        this.label = label;
        this.type = type;
        this.options = List.copyOf(options);
    }

    /** What a step asks for. */
    public static Slot of(Wanted wanted) {
        String counted = wanted.type() == ValueType.NUMBER
                ? wanted.asked().stream()
                        .flatMap(words -> COUNTED.matcher(words).results())
                        .map(found -> found.group(1) == null ? found.group(2) : found.group(1))
                        .distinct()
                        .collect(Collectors.joining(" "))
                : "";
        return new Slot(wanted.variable(), wanted.called(), wanted.type(), wanted.options(), counted);
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
            known = SlotWords.of(name, counted.isEmpty() ? label : label + " " + counted);
            words = known;
        }
        return known;
    }
}
