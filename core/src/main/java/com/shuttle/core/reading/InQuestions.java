package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a question only speaks of and does not tell: "are you open on sundays" names no day, "can two of my friends look first" no
 * number of guests, "is it dark by 8" no amount. A question that proposes something ("is the 12th all right", "can you do 40") tells
 * it, as does every sentence that does not ask. Whoever is in a hurry leaves the mark out, so that a question is told by how it
 * begins. Pure functions.
 */
final class InQuestions {

    private static final Pattern ASKS = Pattern.compile(
            "\\W*+(?:(?:and|so|but|oh|ok|okay|btw|also|hi|hello|hey|well|sorry)\\W++)*+"
                    + "(?:(?:do|does|did|can|could|would|will|should|have|are|were) (?:you|u|ya|we|i|they|it|there|people|guests|\\d+|one|two|three|four)"
                    + "|(?:is|are|was|were) (?:the|there|it|that|this|your|any)"
                    + "|how (?:much|many|long|big|far|late|early|is|are|does|do|would|will)|what(?! (?:we|i)\\b)|what'?s|when|where|who|why)\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern SENTENCE = Pattern.compile("[^.!?;\\n]++");

    private static final Pattern HABIT = Pattern.compile(
            "\\b(?:(?:mon|tues|wednes|thurs|fri|satur|sun)days|(?:mon|tue|wed|thu|fri|sat|sun)s|weekdays|weekends)\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern PART = Pattern.compile(
            "\\b(?:\\d{1,4}|one|two|three|four|five|six|seven|eight|nine|ten|twelve)(?= of (?:my|the|our|your|their|them|these|those)\\b)",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern HOUR = Pattern.compile(
            "\\b(?<=\\b(?:by|at|until|till|before|after) )\\d{1,2}(?:[:.]\\d\\d)?(?=\\s*(?:am|pm|o'?clock)?\\s*(?:$|[,.!?]|on\\b|in\\b|or\\b|every\\b))",
            Pattern.CASE_INSENSITIVE);

    /** Asks to have something: "can we have", "how about". */
    static final Pattern ASKS_FOR = Pattern.compile(
            "^\\W*+(?:(?:hi|hello|hey|please|ok|oh|so|and|well|actually|hm+)\\W++)*+(?:(?:can|could|may|might) (?:i|we) (?:please |also |just )?"
                    + "(?:have|get|take|do|try|pick|add|switch to|change to|go (?:for|with))|(?:how|what) about|(?:could|can) it be)\\b",
            Pattern.CASE_INSENSITIVE);

    private InQuestions() {}

    /** Whether a message asks something from its first words on, with or without its mark. */
    static boolean asks(String text) {
        return ASKS.matcher(text).lookingAt();
    }

    /**
     * Whether what stands at a place of a message is part of something that is asked there: it stands behind the beginning of a
     * question in its sentence, or in the last clause of a sentence that bears the mark.
     */
    static boolean isAsked(String text, int at) {
        Matcher sentence = SENTENCE.matcher(text);
        while (sentence.find()) {
            if (at < sentence.start() || at >= sentence.end()) {
                continue;
            }
            int clause = sentence.start();
            while (clause >= 0 && clause <= at) {
                if (ASKS.matcher(text).region(clause, sentence.end()).lookingAt()) {
                    return true;
                }
                int comma = text.indexOf(',', clause);
                clause = comma < 0 ? -1 : comma + 1;
            }
            boolean marked = sentence.end() < text.length() && text.charAt(sentence.end()) == '?';
            return marked && at > text.lastIndexOf(',', sentence.end());
        }
        return false;
    }

    /** Whether a message asks to have something, which is no question about it. */
    static boolean asksFor(String text) {
        return ASKS_FOR.matcher(text).find();
    }

    /** A message with blanks for what its questions only speak of, as long as it was. */
    static String without(String text) {
        return blanked(text, HABIT, PART);
    }

    /** As {@link #without(String)}, for one type that is awaited. */
    static String without(String text, ValueType type) {
        return switch (type) {
            case DATE, DATE_TIME -> blanked(text, HABIT);
            case NUMBER, RATING, SLIDER, MONEY -> blanked(text, PART, HOUR);
            default -> text;
        };
    }

    private static String blanked(String text, Pattern... mentions) {
        StringBuilder blanked = null;
        Matcher sentence = SENTENCE.matcher(text);
        while (sentence.find()) {
            if (!asks(sentence.group())) {
                continue;
            }
            for (Pattern mention : mentions) {
                Matcher found = mention.matcher(text).region(sentence.start(), sentence.end());
                found.useTransparentBounds(true);
                while (found.find()) {
                    blanked = blanked == null ? new StringBuilder(text) : blanked;
                    blanked.replace(found.start(), found.end(), " ".repeat(found.end() - found.start()));
                }
            }
        }
        return blanked == null ? text : blanked.toString();
    }
}
