package com.shuttle.core.flow.shape;

/** What was typed cannot be taken; the message is a sentence for who typed it. */
public final class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1;

    public Refusal(String sentence) {
        super(sentence, null, false, false);
    }

    /** The sentence. */
    public String sentence() {
        return String.valueOf(getMessage());
    }
}
