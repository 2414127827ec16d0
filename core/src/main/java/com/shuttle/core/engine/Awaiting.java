package com.shuttle.core.engine;

import com.fasterxml.jackson.annotation.JsonValue;
import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.ValueType;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What a conversation waits for.
 *
 * @param type    what a question asks for; null for other kinds
 * @param offers  the options that may be picked now
 * @param tries   failed answers so far
 * @param asked   for a suggestion: the question it is for; otherwise empty
 * @param resumes for a suggestion made aside: what was awaited before; otherwise null
 */
public record Awaiting(
        Kind kind,
        @Nullable ValueType type,
        List<Offer> offers,
        int tries,
        String asked,
        @Nullable Awaiting resumes) {

    public enum Kind {
        /** The reply to a Question step. */
        QUESTION,
        /** An option of a Choice step. */
        CHOICE,
        /** A question for an Answer step. */
        ANSWER,
        /** One of several entries that may have been meant. */
        SUGGESTION,
        /** A person. */
        AGENT;

        @JsonValue
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Awaiting {
        offers = List.copyOf(offers);
    }

    static Awaiting of(Kind kind) {
        return new Awaiting(kind, null, List.of(), 0, "", null);
    }

    static Awaiting question(ValueType type) {
        return new Awaiting(Kind.QUESTION, type, List.of(), 0, "", null);
    }

    static Awaiting choice(List<Offer> offers) {
        return new Awaiting(Kind.CHOICE, null, offers, 0, "", null);
    }

    static Awaiting suggestion(List<Offer> offers, String asked, @Nullable Awaiting resumes) {
        return new Awaiting(Kind.SUGGESTION, null, offers, 0, asked, resumes);
    }

    Awaiting onceMore() {
        return new Awaiting(kind, type, offers, tries + 1, asked, resumes);
    }

    boolean offers(String option) {
        return offers.stream().anyMatch(offer -> offer.id().equals(option));
    }
}
