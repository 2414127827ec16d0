package com.shuttle.core.acts;

import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.reading.Context;
import java.util.ArrayList;
import java.util.List;

/**
 * Tells what the clauses of a message do, in the situation that they were sent in. The method is a multinomial logistic
 * regression over sentence vectors, words and what the readers of values read (see {@link Features}), which did no worse on
 * trades that were left out than others that cost more. Thread-safe.
 */
public final class ActReader {

    private final Meaning meaning;
    private final ActWeights weights;

    /** @throws IllegalStateException if what was learnt is missing or of another version */
    public ActReader(Meaning meaning) {
        this(meaning, ActWeights.shipped());
    }

    ActReader(Meaning meaning, ActWeights weights) {
        this.meaning = meaning;
        this.weights = weights;
    }

    /**
     * The odds of each clause of a message, in their order, to a thousandth.
     *
     * @param clauses as they stand in the message, none blank
     * @param marks   what was said of clauses to this bot
     */
    public List<Odds> read(List<String> clauses, Situation situation, Context context, List<Mark> marks) {
        List<Odds> odds = new ArrayList<>();
        for (int i = 0; i < clauses.size(); i++) {
            Odds learnt = weights.odds(Features.of(clauses.get(i), i, clauses.size(), situation, context, meaning));
            odds.add(Marks.after(learnt, clauses.get(i), situation, marks, meaning)
                    .rounded());
        }
        return odds;
    }
}
