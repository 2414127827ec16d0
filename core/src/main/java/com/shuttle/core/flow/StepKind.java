package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;

/** The kinds of step, with what designers read about each when choosing one. */
public enum StepKind {
    MESSAGE("Message", "says something", "say"),
    QUESTION("Question", "asks for one thing and keeps it", "ask"),
    CHOICE("Choice", "offers options", "ask"),
    INTERVIEW("Interview", "finds out several facts in any order", "ask"),
    ANSWER("Answer", "answers from the knowledge", "ask"),
    BRANCH("Branch", "goes by rules", ""),
    EXPERIMENT("Experiment", "shares visitors out to compare wordings", ""),
    COMPUTE("Compute", "sets variables", ""),
    WAIT("Wait", "for a time or a signal", "say"),
    HAND_OFF("Hand off", "passes the visitor to a person", "say"),
    MILESTONE("Milestone", "counts an event", ""),
    TYPING("Typing", "opens or closes the text box", ""),
    GO_TO("Go to", "goes to another step or flow", ""),
    END("End", "closes the conversation", "say");

    private final String label;
    private final String purpose;
    private final String wordings;

    StepKind(String label, String purpose, String wordings) {
        this.label = label;
        this.purpose = purpose;
        this.wordings = wordings;
    }

    public String label() {
        return label;
    }

    public String purpose() {
        return purpose;
    }

    /** The property that holds what it says first; empty for a kind that says nothing. */
    public String wordings() {
        return wordings;
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
        String own = switch (this) {
            case QUESTION -> ",\"type\":\"text\",\"skipWhenKnown\":true";
            case CHOICE -> ",\"options\":[{\"id\":\"o1\",\"label\":\"\"},{\"id\":\"o2\",\"label\":\"\"}]";
            case INTERVIEW -> ",\"facts\":[]";
            case BRANCH -> ",\"rules\":[{\"id\":\"r1\"}]";
            case EXPERIMENT ->
                ",\"arms\":[{\"id\":\"a\",\"name\":\"A\",\"weight\":50},{\"id\":\"b\",\"name\":\"B\",\"weight\":50}]";
            case COMPUTE -> ",\"sets\":[{\"id\":\"c1\"}]";
            case WAIT -> ",\"seconds\":60";
            default -> "";
        };
        return StepJson.step(StepJson.MAPPER.readTree("{\"kind\":\"" + key() + "\",\"id\":\"" + id + "\"" + own + "}"));
    }
}
