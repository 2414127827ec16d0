package com.shuttle.core.listening;

import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Cuts a message into what it asks and what it tells. Sentences end at their marks and at line feeds; one that asks is cut
 * again where another question begins ("can we swim, and can we pay in cash?"), and what is told before it in the same
 * sentence is cut off at a comma or dash ("six of us, is it step-free?"). Pure functions.
 */
public final class Clauses {

    /** So many questions of one message are answered. */
    private static final int MOST_QUESTIONS = 4;

    private static final String OPENS =
            "(?:can|could|do|does|did|is|are|was|were|what|what's|where|where's|when|how|how's|who|which|why|will|would|may|should|shall|have|has)";

    private static final Pattern SENTENCE = Pattern.compile("[^.!?\\n]*+(?:[.](?=\\S)[^.!?\\n]*+)*+[.!?\\n]*+");
    private static final Pattern NEXT_ASKS =
            Pattern.compile("[,;]?\\s+(?:and|or|also)\\s+(?=" + OPENS + "\\b)", Pattern.CASE_INSENSITIVE);
    private static final Pattern TOLD_FIRST = Pattern.compile(
            "^(?!\\W*(?:if|since|as|" + OPENS
                    + ")\\b)(.*?(?:[,;:–—]|\\s-)\\s*(?:(?:and|but|also|so|oh|by the way|btw)\\s+)?)(?=" + OPENS
                    + "\\b)",
            Pattern.CASE_INSENSITIVE);
    /** What asks for sure without a mark, behind what is told. */
    private static final Pattern UNMARKED = Pattern.compile(
            "(?<![\\p{L}\\p{N}'’])(?:(?:what|which \\p{L}{1,20}|when|where|how|why) )?(?:(?:do|can|could) (?:you|u)|(?:is|are) there"
                    + "|how (?:much|many|long|far) (?:is|are|does|do)|what time (?:do|does|is|are)|where (?:is|are|do|can))\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern LEAD =
            Pattern.compile("^[\\s,;]*(?:(?:and|but|also|so)\\s+)?", Pattern.CASE_INSENSITIVE);

    private Clauses() {}

    /**
     * A clause as it stands in its message.
     *
     * @param words  without what only joins it to others
     * @param marked whether it bears its mark
     */
    public record Clause(String words, Span span, boolean marked) {

        /** A clause of a message that asks without its mark. */
        public static Clause of(String text, Span span) {
            String bare = LEAD.matcher(text.substring(span.start(), span.end())).replaceFirst("");
            return new Clause(bare.strip().replaceFirst("[\\s,.!?]*+$", "?"), span, false);
        }
    }

    /** The questions of a message, each whole: those that bear their mark, and those behind what is told that lack it. */
    public static List<Clause> questions(String text) {
        List<Clause> questions = new ArrayList<>();
        Matcher sentence = SENTENCE.matcher(text);
        while (sentence.find() && sentence.end() > sentence.start()) {
            if (sentence.group().strip().endsWith("?")) {
                asked(sentence.group(), sentence.start(), questions);
            } else {
                unmarked(sentence.group(), sentence.start(), questions);
            }
        }
        return questions.size() > MOST_QUESTIONS ? questions.subList(0, MOST_QUESTIONS) : questions;
    }

    private static void unmarked(String sentence, int at, List<Clause> questions) {
        Matcher asks = UNMARKED.matcher(sentence);
        if (asks.find() && at + asks.start() > 0) {
            add(sentence, asks.start(), sentence.length(), at, false, questions);
        }
    }

    private static void asked(String sentence, int at, List<Clause> questions) {
        Matcher told = TOLD_FIRST.matcher(sentence);
        int from = told.find() ? told.end() : 0;
        Matcher next = NEXT_ASKS.matcher(sentence);
        next.region(from, sentence.length());
        while (next.find()) {
            add(sentence, from, next.start(), at, true, questions);
            from = next.end();
        }
        add(sentence, from, sentence.length(), at, true, questions);
    }

    private static void add(String sentence, int from, int to, int at, boolean marked, List<Clause> questions) {
        String bare = LEAD.matcher(sentence.substring(from, to))
                .replaceFirst("")
                .strip()
                .replaceFirst("[\\s,.!]*+\\?*+$", "?");
        if (Words.of(bare).size() >= 3) {
            questions.add(new Clause(bare, new Span(at + from, at + to), marked));
        }
    }

    /** A message with all but its questions blanked out, as long as it was; empty where it has none. */
    public static String onlyQuestions(String text) {
        return Span.only(text, questions(text).stream().map(Clause::span).toList());
    }

    /** What a message says beside its questions; all of it where it says nothing else. */
    public static String statements(String text) {
        List<Span> asked = questions(text).stream().map(Clause::span).toList();
        String told = Span.minus(Span.all(text), asked).stream()
                .map(span -> text.substring(span.start(), span.end()).strip())
                .collect(Collectors.joining(" "));
        return Words.of(told).isEmpty() ? text : told;
    }
}
