package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/**
 * Where an exit leads. In JSON a target is one string: {@code step:ID}, {@code flow:ID}, {@code back} or {@code end}.
 * An exit without a target is unfinished: at run time it ends the flow it stands in.
 */
public sealed interface Target {

    /** A step of the same flow. */
    record ToStep(String step) implements Target {
        @Override
        public String text() {
            return "step:" + step;
        }
    }

    /** The first step of another flow, not to return. */
    record ToFlow(String flow) implements Target {
        @Override
        public String text() {
            return "flow:" + flow;
        }
    }

    /** Back to the step that called this flow; the end where no step did. */
    record Back() implements Target {
        @Override
        public String text() {
            return "back";
        }
    }

    /** The end of the conversation. */
    record End() implements Target {
        @Override
        public String text() {
            return "end";
        }
    }

    Target BACK = new Back();
    Target END = new End();

    /** The JSON form. */
    @JsonValue
    String text();

    static Target step(String id) {
        return new ToStep(id);
    }

    /**
     * Reads the JSON form.
     *
     * @throws IllegalArgumentException if {@code text} is none of the four forms
     */
    @JsonCreator
    static Target parse(String text) {
        if (text.equals("back")) {
            return BACK;
        }
        if (text.equals("end")) {
            return END;
        }
        if (text.startsWith("step:") && text.length() > 5) {
            return new ToStep(text.substring(5));
        }
        if (text.startsWith("flow:") && text.length() > 5) {
            return new ToFlow(text.substring(5));
        }
        throw new IllegalArgumentException("expected step:ID, flow:ID, back or end, but got \"" + text + "\"");
    }
}
