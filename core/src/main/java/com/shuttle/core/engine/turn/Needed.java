package com.shuttle.core.engine.turn;

import com.shuttle.core.knowledge.Finding;

/** Stops a turn that cannot go on without what a language model makes of a finding; {@code Engine} alone catches it. */
public final class Needed extends RuntimeException {

    private static final long serialVersionUID = 1;

    private final String question;
    private final transient Finding finding;

    Needed(String question, Finding finding) {
        super("the turn waits for an opinion", null, false, false);
        this.question = question;
        this.finding = finding;
    }

    public String question() {
        return question;
    }

    public Finding finding() {
        return finding;
    }
}
