package com.shuttle.core.knowledge;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
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
     * @param beside  what stands beside its answer
     */
    public record Ties(
            String team,
            String article,
            String flow,
            @JsonInclude(JsonInclude.Include.NON_EMPTY) Beside beside) {

        public static final Ties NONE = new Ties("", "", "");

        public Ties {
            team = team == null ? "" : team;
            article = article == null ? "" : article;
            flow = flow == null ? "" : flow;
            beside = beside == null ? Beside.NOTHING : beside;
        }

        public Ties(String team, String article, String flow) {
            this(team, article, flow, Beside.NOTHING);
        }

        /** The same with another article. */
        public Ties reading(String other) {
            return new Ties(team, other, flow, beside);
        }

        /** The same with other things beside the answer. */
        public Ties with(Beside other) {
            return new Ties(team, article, flow, other);
        }
    }

    /**
     * What stands beside an answer.
     *
     * @param shown    address of a picture or film; empty for none
     * @param film     whether it moves
     * @param alt      what it shows, for those who cannot see it
     * @param leadOn   said after the answer; may be empty
     * @param next     what may be picked afterwards; picking one says it
     */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record Beside(String shown, boolean film, String alt, String leadOn, List<String> next) {

        public static final Beside NOTHING = new Beside("", false, "", "", List.of());

        public Beside {
            shown = shown == null ? "" : shown;
            alt = alt == null ? "" : alt;
            leadOn = leadOn == null ? "" : leadOn;
            next = next == null ? List.of() : List.copyOf(next);
        }

        @JsonIgnore
        public boolean nothing() {
            return equals(NOTHING);
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
