package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.State;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** The visitor's latest questions, for what is asked after them to lean on. For one turn. */
public final class AskedBefore {

    private final List<String> questions;
    private String latest = "";
    /** How many of them are of earlier turns. */
    private int earlier;

    private boolean matter;

    AskedBefore(List<String> questions) {
        this.questions = new ArrayList<>(questions);
        this.earlier = questions.size();
        this.latest = questions.isEmpty() ? "" : questions.getLast();
    }

    /** Keeps a question for later ones to lean on. @param leant what it leans on, which goes on being what is asked about; empty for nothing */
    public void add(String question, String leant) {
        latest = question;
        questions.add(leant.isEmpty() ? question : leant);
        if (questions.size() > State.TAIL) {
            questions.removeFirst();
            earlier = Math.max(0, earlier - 1);
        }
    }

    /** The conversation has gone on: what was asked before is not what it is about any more. */
    void goOn() {
        questions.subList(0, earlier).clear();
        earlier = 0;
    }

    /** All of them and then another. */
    public List<String> then(String question) {
        return Stream.concat(questions.stream(), Stream.of(question)).toList();
    }

    /** The last of them, as it was typed; empty for none. */
    String last() {
        return latest;
    }

    List<String> all() {
        return List.copyOf(questions);
    }

    /** What is asked now is known to be about the matter, or may be only polite. */
    public void ofTheMatter(boolean surely) {
        matter = surely;
    }

    /** Whether what is asked now is surely about the matter. */
    public boolean ofTheMatter() {
        return matter;
    }
}
