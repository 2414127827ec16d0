package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Query;
import com.shuttle.core.knowledge.Finding;
import java.util.HashMap;
import java.util.Map;

/** What a language model makes of what was found, where one is connected. For one turn. */
public final class Opinions {

    private final TurnRun run;
    private final Map<String, Finding> byQuestion = new HashMap<>();
    private boolean consulting = true;

    Opinions(TurnRun run) {
        this.run = run;
    }

    /** Takes over what has come. @param more whether further questions may be waited for */
    public void believe(Map<String, Finding> others, boolean more) {
        byQuestion.putAll(others);
        consulting = more;
    }

    /**
     * A finding as the language model sees it, or as it is.
     *
     * @throws Needed where it has to be asked first: the turn ends, and goes on when the reply has come
     */
    public Finding of(String question, Finding finding) {
        Finding opinion = byQuestion.get(question);
        if (opinion != null || !consulting || !run.ask(new Query.Consults(finding))) {
            return opinion == null ? finding : opinion;
        }
        throw new Needed(question, finding);
    }
}
