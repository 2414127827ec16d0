package com.shuttle.core.listening;

/** Who understands something of a message. Of claims that weigh the same, those of earlier sources win. */
public enum Source {
    STANDING("standing request"),
    CHANGE("change"),
    ANSWER("answer"),
    FACT("told besides"),
    FLOW("phrase of a flow"),
    QUESTION("question"),
    MOOD("mood"),
    VALUE("bare value");

    private final String label;

    Source(String label) {
        this.label = label;
    }

    /** For the trace. */
    public String label() {
        return label;
    }
}
