package com.shuttle.core.reading;

import java.util.Set;
import java.util.regex.Pattern;

/** Replies that are about the question rather than an answer to it. */
final class Attitude {

    private static final Pattern REFUSES = Pattern.compile(
            "\\b(rather not|prefer not|don'?t want to|do not want to|won'?t (say|tell|give)|not (telling|saying|giving)"
                    + "|none of your|no thanks?\\b.*\\b(say|share|give)|keep (that|it) private|not comfortable|decline|skip( this| that| it)?$"
                    + "|(that'?s|it'?s) private)\\b",
            Pattern.CASE_INSENSITIVE);
    private static final Set<String> ASKS_BACK = Set.of(
            "why",
            "what for",
            "why do you need that",
            "why do you ask",
            "what do you mean",
            "how come",
            "is that needed",
            "do i have to",
            "why do you want to know",
            "what will you do with it",
            "is it required",
            "who sees it",
            "why do you need it",
            "why do you need this",
            "what do you need it for",
            "what do you need that for");

    private Attitude() {}

    /** {@link Reading#REFUSED}, {@link Reading#ASKED_BACK}, or {@link Reading#NOTHING} for neither. */
    static Reading of(String text) {
        if (ASKS_BACK.contains(Words.normal(text))) {
            return Reading.ASKED_BACK;
        }
        return REFUSES.matcher(text.strip()).find() ? Reading.REFUSED : Reading.NOTHING;
    }
}
