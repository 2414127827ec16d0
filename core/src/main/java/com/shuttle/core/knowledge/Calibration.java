package com.shuttle.core.knowledge;

/**
 * Turns what speaks for a match into one confidence, in two steps that were fitted one after the other to questions about
 * made-up collections: a weighted sum ranks the units (a conditional logit, McFadden 1974), and from that sum and its lead
 * over the best other source a logistic regression tells how likely the match is right. So of the matches with confidence
 * p about a share p is right; see the package's documentation for how well that holds.
 *
 * @param answerFrom  least confidence to answer, inclusive
 * @param suggestFrom least confidence to offer, inclusive; at most {@code answerFrom}
 */
public record Calibration(double answerFrom, double suggestFrom) {

    /**
     * Of questions that are not covered, about one in seven is answered on a collection of 120 units, and one in four on those
     * of some 22 units that were left out of the fit.
     */
    public static final Calibration USUAL = new Calibration(0.55, 0.3);

    /** Weights in the order of {@link Evidence#values}. */
    private static final double[] WEIGHTS = {6.186, 5.611, 9.807, 35.518, 0.609};

    private static final double BASE = -2.018;
    private static final double OF_SCORE = 0.0300;
    private static final double OF_LEAD = 0.627;

    /** What the best unit that does not answer scores on average; stands in where there are too few to have such a one. */
    static final double USUAL_RIVAL = 36.7;

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
        double confidence = 1 / (1 + Math.exp(-(BASE + OF_SCORE * score + OF_LEAD * (score - rival))));
        double near = Math.clamp(Math.max(evidence.whole(), evidence.sentence()) / LEAST_NEAR, 0, 1);
        return confidence * near * near;
    }

    /** The band a confidence lies in. */
    public Finding.Outcome outcome(double confidence) {
        return confidence >= answerFrom
                ? Finding.Outcome.ANSWER
                : confidence >= suggestFrom ? Finding.Outcome.SUGGEST : Finding.Outcome.NONE;
    }
}
