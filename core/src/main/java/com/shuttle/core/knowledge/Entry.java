package com.shuttle.core.knowledge;

import java.util.List;

/**
 * A question with its phrasings and the answers to it, which rotate.
 *
 * @param ref       unique within its collection, stable under edits
 * @param phrasings at least one; the first is the question's title
 * @param answers   at least one, Markdown
 * @param category  may be empty
 */
public record Entry(
        String ref, List<String> phrasings, List<String> answers, String category, Standing standing, Ties ties) {

    /**
     * What an entry belongs to and leads to.
     *
     * @param team    name of the team that looks after it; may be empty
     * @param article ref of the article that says more; may be empty
     * @param flow    name of the flow that the conversation goes to after the answer, in bots that have it; may be empty
     */
    public record Ties(String team, String article, String flow) {

        public static final Ties NONE = new Ties("", "", "");

        public Ties {
            team = team == null ? "" : team;
            article = article == null ? "" : article;
            flow = flow == null ? "" : flow;
        }
    }

    public Entry {
        phrasings = List.copyOf(phrasings);
        answers = List.copyOf(answers);
        category = category == null ? "" : category;
        standing = standing == null ? Standing.USUAL : standing;
        ties = ties == null ? Ties.NONE : ties;
    }

    public Entry(String ref, List<String> phrasings, List<String> answers, String category, Standing standing) {
        this(ref, phrasings, answers, category, standing, Ties.NONE);
    }

    public Entry(String ref, List<String> phrasings, List<String> answers, String category) {
        this(ref, phrasings, answers, category, Standing.USUAL);
    }
}
