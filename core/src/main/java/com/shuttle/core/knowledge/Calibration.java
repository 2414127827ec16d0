package com.shuttle.core.knowledge;

/**
 * Turns what speaks for a match into one confidence by logistic regression: 1 / (1 + e^-z), where z is a weighted sum
 * of the evidence. The weights were fitted so that of the matches with confidence p about a share p is right.
 *
 * @param answerFrom  least confidence to answer, inclusive
 * @param suggestFrom least confidence to offer, inclusive; below {@code answerFrom}
 */
public record Calibration(double answerFrom, double suggestFrom) {

    public static final Calibration USUAL = new Calibration(0.5, 0.12);

    public Calibration {
        if (!(0 <= suggestFrom && suggestFrom <= answerFrom && answerFrom <= 1)) {
            throw new IllegalArgumentException("expected 0 <= suggestFrom <= answerFrom <= 1, but got suggestFrom "
                    + suggestFrom + " and answerFrom " + answerFrom);
        }
    }

    /**
     * What speaks for a match.
     *
     * @param meaning       cosine to the nearest wording
     * @param answerMeaning cosine to the answer
     * @param words         share of words in the wordings, 0 to 1
     * @param answerWords   share of words in the answer, 0 to 1
     * @param margin        how far {@code meaning} lies above that of the best other unit; negative where below
     */
    record Evidence(double meaning, double answerMeaning, double words, double answerWords, double margin) {}

    double confidence(Evidence e) {
        double z = -5.26
                + 3.30 * e.meaning()
                + 6.15 * e.answerMeaning()
                + 3.37 * e.words()
                + 2.39 * e.answerWords()
                + 8.63 * Math.clamp(e.margin(), -0.2, 0.2);
        return 1 / (1 + Math.exp(-z));
    }

    Finding.Outcome outcome(double confidence) {
        return confidence >= answerFrom
                ? Finding.Outcome.ANSWER
                : confidence >= suggestFrom ? Finding.Outcome.SUGGEST : Finding.Outcome.NONE;
    }
}
