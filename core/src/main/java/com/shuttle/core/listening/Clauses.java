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
    private static final Pattern LEAD =
            Pattern.compile("^[\\s,;]*(?:(?:and|but|also|so)\\s+)?", Pattern.CASE_INSENSITIVE);

    private Clauses() {}

    /** A clause as it stands in its message. @param words without what only joins it to others */
    public record Clause(String words, Span span) {}

    /** The questions of a message that bear their mark, each whole. */
    public static List<Clause> questions(String text) {
        if (text.indexOf('?') < 0) {
            return List.of();
        }
        List<Clause> questions = new ArrayList<>();
        Matcher sentence = SENTENCE.matcher(text);
        while (sentence.find() && sentence.end() > sentence.start()) {
            if (sentence.group().strip().endsWith("?")) {
                asked(sentence.group(), sentence.start(), questions);
            }
        }
        return questions.size() > MOST_QUESTIONS ? questions.subList(0, MOST_QUESTIONS) : questions;
    }

    private static void asked(String sentence, int at, List<Clause> questions) {
        Matcher told = TOLD_FIRST.matcher(sentence);
        int from = told.find() ? told.end() : 0;
        Matcher next = NEXT_ASKS.matcher(sentence);
        next.region(from, sentence.length());
        while (next.find()) {
            add(sentence, from, next.start(), at, questions);
            from = next.end();
        }
        add(sentence, from, sentence.length(), at, questions);
    }

    private static void add(String sentence, int from, int to, int at, List<Clause> questions) {
        String bare = LEAD.matcher(sentence.substring(from, to))
                .replaceFirst("")
                .strip()
                .replaceFirst("[\\s,]*+\\?*+$", "?");
        if (Words.of(bare).size() >= 3) {
            questions.add(new Clause(bare, new Span(at + from, at + to)));
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
