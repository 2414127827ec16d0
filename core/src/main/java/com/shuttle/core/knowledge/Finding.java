package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Entry.Ties;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What came of asking.
 *
 * @param outcome    by the confidence of the best match
 * @param confidence of the best match, 0 to 1; 0 where there is none
 * @param matches    best first, ties by ref; those below any use are listed too, so that one can see what came near
 * @param also       where a message asked several things: what answers the others, after the first match
 * @param note       what a language model had to do with it, for the trace; empty where none was asked
 * @param leant      what the question had to be completed with to find this; empty where it found it by itself
 */
public record Finding(
        Outcome outcome, double confidence, List<Match> matches, List<Match> also, String note, String leant) {

    /** The three bands of confidence. */
    public enum Outcome {
        /** Sure enough to answer. */
        ANSWER,
        /** Worth offering: "did you mean …". */
        SUGGEST,
        /** Nothing to offer. */
        NONE
    }

    /** Whether a match is an entry, a passage of an article, or rows of a table. */
    public enum Source {
        ENTRY("entries"),
        ARTICLE("articles"),
        TABLE("tables");

        private final String plural;

        Source(String plural) {
            this.plural = plural;
        }

        /** As steps name what they answer from. */
        public String plural() {
            return plural;
        }
    }

    /**
     * One thing that was found.
     *
     * @param ref     of the entry or article; of a table with the question, see {@link TableMatch}
     * @param title   the entry's first phrasing, the article's title with the passage's heading, or what a table was
     *                understood to be asked
     * @param answers what may be said, at least one, Markdown
     * @param ties    of an entry
     * @param readOn  the article that it is from, or that says more; null for none
     */
    public record Match(
            String ref,
            Source source,
            String title,
            double confidence,
            List<String> answers,
            Why why,
            Ties ties,
            @Nullable ReadOn readOn) {
        public Match {
            answers = List.copyOf(answers);
            // Matches kept before there were ties have none.
            ties = ties == null ? Ties.NONE : ties;
        }

        public Match(String ref, Source source, String title, double confidence, List<String> answers, Why why) {
            this(ref, source, title, confidence, answers, why, Ties.NONE, null);
        }

        /** The same with other answers. */
        public Match saying(List<String> others) {
            return new Match(ref, source, title, confidence, others, why, ties, readOn);
        }
    }

    /**
     * Where a visitor may read on.
     *
     * @param article its ref
     * @param title   the article's
     * @param heading of the passage; empty for the beginning
     */
    public record ReadOn(String article, String title, String heading) {

        /** The title, with the heading where there is one. */
        public String words() {
            return heading.isEmpty() ? title : title + ": " + heading;
        }
    }

    /**
     * Why a match has the confidence it has.
     *
     * @param nearest     the stored wording nearest in meaning
     * @param meaning     mean of the cosines the sentence models find, -1 to 1
     * @param words       share of the question's telling words found, weighted by rarity, 0 to 1
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
        // Findings kept before there were several have none.
        also = also == null ? List.of() : List.copyOf(also);
        note = note == null ? "" : note;
        leant = leant == null ? "" : leant;
    }

    public Finding(Outcome outcome, double confidence, List<Match> matches, List<Match> also) {
        this(outcome, confidence, matches, also, "", "");
    }

    public Finding(Outcome outcome, double confidence, List<Match> matches) {
        this(outcome, confidence, matches, List.of());
    }

    /** The same with other bands. */
    public Finding in(Calibration calibration) {
        Outcome banded = matches.isEmpty() ? Outcome.NONE : calibration.outcome(confidence);
        return new Finding(banded, confidence, matches, banded == Outcome.ANSWER ? also : List.of(), note, leant);
    }

    /** The same of these sources only, as sure as their best match is; in no band until {@link #in} says which. */
    public Finding of(Set<Source> sources) {
        if (sources.containsAll(EnumSet.allOf(Source.class))) {
            return this;
        }
        List<Match> left = matches.stream()
                .filter(match -> sources.contains(match.source()))
                .toList();
        List<Match> others =
                also.stream().filter(match -> sources.contains(match.source())).toList();
        double best = left.isEmpty() ? 0 : left.getFirst().confidence();
        return new Finding(left.isEmpty() ? Outcome.NONE : outcome, best, left, others, note, leant);
    }

    /** The same with a note. */
    public Finding noted(String text) {
        return new Finding(outcome, confidence, matches, also, text, leant);
    }

    /** The same with other matches in the place of these. */
    public Finding with(UnaryOperator<Match> other) {
        return new Finding(
                outcome,
                confidence,
                matches.stream().map(other).toList(),
                also.stream().map(other).toList(),
                note,
                leant);
    }

    /** The same without some matches, where it is not sure of the first; nothing where none is left. */
    public Finding unsureWithout(Predicate<Match> which) {
        if (outcome != Outcome.SUGGEST) {
            return this;
        }
        List<Match> left = matches.stream().filter(which.negate()).toList();
        return left.isEmpty()
                ? new Finding(Outcome.NONE, 0, List.of(), List.of(), note, leant)
                : new Finding(outcome, left.getFirst().confidence(), left, also, note, leant);
    }

    /** The same for a question that was completed: what it leant on, unless it finds the same without that. */
    Finding leaningOn(String text, Finding alone) {
        boolean same = !matches.isEmpty()
                && !alone.matches.isEmpty()
                && matches.getFirst().ref().equals(alone.matches.getFirst().ref());
        return new Finding(outcome, confidence, matches, also, note, same ? "" : text);
    }

    /**
     * Several questions answered at once.
     *
     * @param answers one to each, at least one
     * @param whole   what the message as a whole found; its other matches follow
     */
    static Finding several(List<Match> answers, Finding whole) {
        Match first = answers.getFirst();
        List<Match> matches = new ArrayList<>(List.of(first));
        whole.matches().stream()
                .filter(match -> !match.ref().equals(first.ref()))
                .forEach(matches::add);
        double least = answers.stream().mapToDouble(Match::confidence).min().orElseThrow();
        return new Finding(Outcome.ANSWER, least, matches, answers.subList(1, answers.size()));
    }

    /** The first answer of the best match, and of those to the other questions; empty where there is none. */
    public String reply() {
        return matches.isEmpty()
                ? ""
                : Stream.concat(Stream.of(matches.getFirst()), also.stream())
                        .map(match -> match.answers().getFirst())
                        .collect(Collectors.joining("\n\n"));
    }
}
