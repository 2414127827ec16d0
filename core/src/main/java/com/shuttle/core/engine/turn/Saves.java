package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.conversation.Query;
import java.util.List;
import java.util.stream.Stream;

/**
 * Rows that a turn saves. What becomes of a row is known within the turn: the world is asked whether all that the turn has saved
 * so far can be saved together with it; the deeds are carried out with the turn, and where somebody else was faster meanwhile the
 * turn is taken anew, so that what was replied holds. For one turn.
 */
public final class Saves {

    private final TurnRun run;
    private final List<Effect> effects;

    Saves(TurnRun run, List<Effect> effects) {
        this.run = run;
        this.effects = effects;
    }

    /** Saves a row where that can be done. @return why it cannot; empty where it can */
    public String save(Deed.SaveRow row) {
        List<Deed.SaveRow> all = Stream.concat(
                        effects.stream().filter(Deed.SaveRow.class::isInstance).map(Deed.SaveRow.class::cast),
                        Stream.of(row))
                .toList();
        String why = run.ask(new Query.MaySave(all));
        if (why.isEmpty()) {
            effects.add(row);
        }
        return why;
    }
}
