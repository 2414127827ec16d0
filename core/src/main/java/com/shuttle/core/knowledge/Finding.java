package com.shuttle.core.knowledge;

import java.util.List;

/**
 * What came of asking.
 *
 * @param outcome    by the confidence of the best match
 * @param confidence of the best match, 0 to 1; 0 where there is none
 * @param matches    best first, ties by ref; those below any use are listed too, so that one can see what came near
 */
public record Finding(Outcome outcome, double confidence, List<Match> matches) {

    /** The three bands of confidence. */
    public enum Outcome {
        /** Sure enough to answer. */
        ANSWER,
        /** Worth offering: "did you mean …". */
        SUGGEST,
        /** Nothing to offer. */
        NONE
    }

    /** Whether a match is an entry or a passage of an article. */
    public enum Source {
        ENTRY,
        ARTICLE
    }

    /**
     * One thing that was found.
     *
     * @param title   the entry's first phrasing, or the article's title with the passage's heading
     * @param answers what may be said, at least one, Markdown
     */
    public record Match(String ref, Source source, String title, double confidence, List<String> answers, Why why) {
        public Match {
            answers = List.copyOf(answers);
        }
    }

    /**
     * Why a match has the confidence it has.
     *
     * @param nearest     the stored wording nearest in meaning
     * @param meaning     cosine similarity of the question to that wording, -1 to 1
     * @param words       share of the question's telling words found in the wordings, weighted by rarity, 0 to 1
     * @param sharedWords the question's words that were found, as typed
     */
    public record Why(String nearest, double meaning, double words, List<String> sharedWords) {
        public Why {
            sharedWords = List.copyOf(sharedWords);
        }
    }

    public static final Finding NOTHING = new Finding(Outcome.NONE, 0, List.of());

    public Finding {
        matches = List.copyOf(matches);
    }

    /** The first answer of the best match; empty where there is none. */
    public String reply() {
        return matches.isEmpty() ? "" : matches.getFirst().answers().getFirst();
    }
}
