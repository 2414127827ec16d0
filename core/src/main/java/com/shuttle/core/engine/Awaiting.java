package com.shuttle.core.engine;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonValue;
import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What a conversation waits for.
 *
 * @param type    what is asked for; null where that has no type
 * @param offers  the options that may be picked now
 * @param tries   failed answers so far
 * @param asked   for a suggestion: the question it is for; otherwise empty
 * @param resumes what was awaited before a suggestion or a choice between readings made aside; otherwise null
 * @param facts   for an interview: the variables being asked for; empty while it reads back
 * @param values  readings to choose from, in the order of the offers, or the one to confirm; otherwise empty
 * @param key     of the timer or signal that ends the waiting; empty for none
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record Awaiting(
        Kind kind,
        @Nullable ValueType type,
        List<Offer> offers,
        int tries,
        String asked,
        @Nullable Awaiting resumes,
        List<String> facts,
        List<Value> values,
        String key) {

    public enum Kind {
        /** The reply to a Question step. */
        QUESTION,
        /** An option of a Choice step. */
        CHOICE,
        /** Facts of an Interview step, or its confirmation. */
        INTERVIEW,
        /** Whether an answer was read rightly. */
        CONFIRM,
        /** Which of several readings was meant. */
        WHICH,
        /** A question for an Answer step. */
        ANSWER,
        /** One of several entries that may have been meant. */
        SUGGESTION,
        /** Whatever the visitor likes; a few things are offered. */
        NEXT,
        /** A time to come. */
        TIME,
        /** A signal from outside. */
        SIGNAL,
        /** How the conversation was. */
        RATING,
        /** A word beside the rating. */
        COMMENT,
        /** A person. */
        AGENT;

        @JsonValue
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Awaiting {
        offers = offers == null ? List.of() : List.copyOf(offers);
        asked = asked == null ? "" : asked;
        facts = facts == null ? List.of() : List.copyOf(facts);
        values = values == null ? List.of() : List.copyOf(values);
        key = key == null ? "" : key;
    }

    static Awaiting of(Kind kind) {
        return new Awaiting(kind, null, List.of(), 0, "", null, List.of(), List.of(), "");
    }

    static Awaiting until(Kind kind, String key) {
        return new Awaiting(kind, null, List.of(), 0, "", null, List.of(), List.of(), key);
    }

    static Awaiting question(ValueType type, List<Offer> offers) {
        return new Awaiting(Kind.QUESTION, type, offers, 0, "", null, List.of(), List.of(), "");
    }

    static Awaiting choice(List<Offer> offers) {
        return new Awaiting(Kind.CHOICE, null, offers, 0, "", null, List.of(), List.of(), "");
    }

    static Awaiting offering(Kind kind, List<Offer> offers) {
        return new Awaiting(kind, null, offers, 0, "", null, List.of(), List.of(), "");
    }

    static Awaiting interview(List<String> facts, @Nullable ValueType type, List<Offer> offers) {
        return new Awaiting(Kind.INTERVIEW, type, offers, 0, "", null, facts, List.of(), "");
    }

    static Awaiting suggestion(List<Offer> offers, String asked, @Nullable Awaiting resumes) {
        return new Awaiting(Kind.SUGGESTION, null, offers, 0, asked, resumes, List.of(), List.of(), "");
    }

    static Awaiting which(List<Offer> offers, List<Value> values, Awaiting resumes) {
        return new Awaiting(Kind.WHICH, resumes.type(), offers, 0, "", resumes, resumes.facts(), values, "");
    }

    static Awaiting confirm(Value value, List<Offer> offers, Awaiting resumes) {
        return new Awaiting(Kind.CONFIRM, resumes.type(), offers, 0, "", resumes, resumes.facts(), List.of(value), "");
    }

    Awaiting onceMore() {
        return new Awaiting(kind, type, offers, tries + 1, asked, resumes, facts, values, key);
    }

    boolean offers(String option) {
        return offers.stream()
                .anyMatch(offer -> offer.id().equals(option) && offer.link().isBlank());
    }
}
