package com.shuttle.core.acts;

import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.reading.Words;
import java.util.List;

/**
 * What was said of clauses by hand, as prototypes: a clause near one of them does the same, the likelier the nearer. Of the samples'
 * clauses whose nearest neighbour in another trade, where the same was waited for, has a cosine of x, a share of about
 * 1 / (1 + e<sup>-{@value #STEEP} (x - {@value #HALF})</sup>) do what that one does; where something else was waited for the nearness
 * counts {@value #ELSEWHERE} less. What was learnt of all bots keeps the rest. Pure functions.
 */
final class Marks {

    /** Cosine at which every second clause does what its neighbour does. */
    private static final double HALF = 0.59;

    private static final double STEEP = 7.5;

    private static final double ELSEWHERE = 0.17;

    /** The very words, where the same is waited for. */
    private static final double THE_SAME = 0.97;

    /** What is no nearer than this says nothing. */
    private static final double LEAST = 0.7;

    private Marks() {}

    /** The odds of a clause after what was said of others. @param meaning of which the first model is asked */
    static Odds after(Odds odds, String clause, Situation situation, List<Mark> marks, Meaning meaning) {
        if (marks.isEmpty()) {
            return odds;
        }
        String normal = Words.normal(clause);
        double[] near =
                meaning.closeness(clause, marks.stream().map(Mark::clause).toList());
        Mark nearest = null;
        double most = 0;
        for (int i = 0; i < near.length; i++) {
            Mark mark = marks.get(i);
            boolean here = mark.waits().equals(situation.waits());
            double share = here && Words.normal(mark.clause()).equals(normal) ? THE_SAME : share(near[i], here);
            if (share > most) {
                most = share;
                nearest = mark;
            }
        }
        return nearest == null ? odds : odds.towards(nearest.kind(), most);
    }

    private static double share(double cosine, boolean here) {
        double near = here ? cosine : cosine - ELSEWHERE;
        return near < LEAST ? 0 : 1 / (1 + Math.exp(-STEEP * (near - HALF)));
    }
}
