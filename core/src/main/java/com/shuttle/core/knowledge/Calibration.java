package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Evidence.Kind;
import com.shuttle.core.knowledge.Meaning.Model;

/**
 * Turns what speaks for a match into one confidence, in two steps that were fitted one after the other to questions about
 * made-up collections: a weighted sum ranks the units (a conditional logit, McFadden 1974, its weights drawn to their mean), and
 * from that sum, its lead over the best other source and how much of the question is covered a logistic regression tells how
 * likely the match is right. So of the matches with confidence p about a share p is right; see the package's documentation for how well that holds.
 *
 * @param answerFrom  least confidence to answer, inclusive
 * @param suggestFrom least confidence to offer, inclusive; at most {@code answerFrom}
 */
public record Calibration(double answerFrom, double suggestFrom) {

    /**
     * Of questions that are not covered, about one in eight is answered on a collection of 120 units, and one in three on those
     * of some 22 units that were left out of the fit.
     */
    public static final Calibration USUAL = new Calibration(0.53, 0.3);

    /** Weights in the order of {@link Evidence#values}: a line for each model, then sentence and words. */
    private static final double[] WEIGHTS = {
        2.043, 0.348, 1.182, 1.048, 0.405, 1.349, 0.083,
        2.781, 2.288, 2.120, 1.815, 0.785, 1.987, 1.246,
        9.848, 2.349, 3.970, 2.857, 1.639, 5.670, 1.531,
        3.420, 0.600
    };

    private static final double BASE = -1.817;
    private static final double OF_SCORE = 0.0206;
    private static final double OF_LEAD = 0.609;
    private static final double OF_COVERED = 0.391;

    /** What the best unit that does not answer scores on average; stands in where there are too few to have such a one. */
    static final double USUAL_RIVAL = 30.4;

    /** Fewer units than this seldom have one that comes near by chance. */
    static final int FEW = 20;

    /** Matches less near in meaning are about something else: one covered question in ten is, and one other in four. */
    private static final double LEAST_NEAR = 0.24;

    public Calibration {
        if (!(0 <= suggestFrom && suggestFrom <= answerFrom && answerFrom <= 1)) {
            throw new IllegalArgumentException("expected 0 <= suggestFrom <= answerFrom <= 1, but got suggestFrom "
                    + suggestFrom + " and answerFrom " + answerFrom);
        }
    }

    /** The sum by which candidates are chosen, of what whole vectors tell: title and answer, sentence, wording, answer, words. */
    static double rough(double whole, double sentence, double wording, double answer, double words) {
        return 6.186 * whole + 5.611 * sentence + 9.807 * wording + 35.518 * answer + 0.609 * words;
    }

    /** The sum that ranks. */
    static double score(Evidence evidence) {
        double[] values = evidence.values();
        double score = 0;
        for (int i = 0; i < values.length; i++) {
            score += WEIGHTS[i] * values[i];
        }
        return score;
    }

    /**
     * How likely a match is right.
     *
     * @param rival the score of the best match from another source
     */
    static double confidence(Evidence evidence, double rival) {
        double score = score(evidence);
        double confidence = 1
                / (1
                        + Math.exp(-(BASE
                                + OF_SCORE * score
                                + OF_LEAD * (score - rival)
                                + OF_COVERED * evidence.mean(Kind.COVERED))));
        double near =
                Math.clamp(Math.max(evidence.of(Model.SENTENCES, Kind.WHOLE), evidence.sentence()) / LEAST_NEAR, 0, 1);
        return confidence * near * near;
    }

    /** The band a confidence lies in. */
    public Finding.Outcome outcome(double confidence) {
        return confidence >= answerFrom
                ? Finding.Outcome.ANSWER
                : confidence >= suggestFrom ? Finding.Outcome.SUGGEST : Finding.Outcome.NONE;
    }
}
