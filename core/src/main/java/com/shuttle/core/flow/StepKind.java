package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The kinds of step, with what designers read about each when choosing one. */
public enum StepKind {
    MESSAGE("Message", "says something"),
    QUESTION("Question", "asks for one thing and keeps it"),
    CHOICE("Choice", "offers options, each its own way"),
    ANSWER("Answer", "answers from the knowledge"),
    HAND_OFF("Hand off", "passes the visitor to a person"),
    GO_TO("Go to", "goes to another step or flow"),
    END("End", "closes the conversation");

    private final String label;
    private final String purpose;

    StepKind(String label, String purpose) {
        this.label = label;
        this.purpose = purpose;
    }

    public String label() {
        return label;
    }

    public String purpose() {
        return purpose;
    }

    /** The JSON form, e.g. {@code hand_off}. */
    @JsonValue
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /**
     * Reads the JSON form.
     *
     * @throws IllegalArgumentException if there is no such kind
     */
    @JsonCreator
    public static StepKind of(String key) {
        return Arrays.stream(values())
                .filter(kind -> kind.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no step kind \"" + key + "\""));
    }

    /** A new step of this kind with empty texts and no exits led anywhere. */
    public Step blank(String id) {
        return switch (this) {
            case MESSAGE -> new Step.Message(id, "", "", List.of(""), Map.of());
            case QUESTION ->
                new Step.Question(id, "", "", List.of(""), ValueType.TEXT, "", "", true, Step.Question.TRIES, Map.of());
            case CHOICE ->
                new Step.Choice(
                        id,
                        "",
                        "",
                        List.of(""),
                        List.of(new Option("o1", "", List.of()), new Option("o2", "", List.of())),
                        Step.Question.TRIES,
                        Map.of());
            case ANSWER -> new Step.Answer(id, "", "", List.of(""), List.of(), "", Map.of());
            case HAND_OFF -> new Step.HandOff(id, "", "", List.of(""), "", "", Map.of());
            case GO_TO -> new Step.GoTo(id, "", "", false, Map.of());
            case END -> new Step.End(id, "", "", List.of(""), Map.of());
        };
    }
}
