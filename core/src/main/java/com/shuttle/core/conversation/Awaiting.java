package com.shuttle.core.conversation;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What a conversation waits for. Stored as JSON within the state; the names below are the stored ones. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Awaiting.Reply.class, name = "question"),
    @JsonSubTypes.Type(value = Awaiting.Pick.class, name = "choice"),
    @JsonSubTypes.Type(value = Awaiting.Slot.class, name = "slot"),
    @JsonSubTypes.Type(value = Awaiting.Held.class, name = "held"),
    @JsonSubTypes.Type(value = Awaiting.Own.class, name = "own_booking"),
    @JsonSubTypes.Type(value = Awaiting.Facts.class, name = "interview"),
    @JsonSubTypes.Type(value = Awaiting.Confirm.class, name = "confirm"),
    @JsonSubTypes.Type(value = Awaiting.Which.class, name = "which"),
    @JsonSubTypes.Type(value = Awaiting.OpenQuestion.class, name = "answer"),
    @JsonSubTypes.Type(value = Awaiting.Suggestion.class, name = "suggestion"),
    @JsonSubTypes.Type(value = Awaiting.Next.class, name = "next"),
    @JsonSubTypes.Type(value = Awaiting.Time.class, name = "time"),
    @JsonSubTypes.Type(value = Awaiting.Signal.class, name = "signal"),
    @JsonSubTypes.Type(value = Awaiting.Called.class, name = "called"),
    @JsonSubTypes.Type(value = Awaiting.Rating.class, name = "rating"),
    @JsonSubTypes.Type(value = Awaiting.Comment.class, name = "comment"),
    @JsonSubTypes.Type(value = Awaiting.Person.class, name = "agent"),
    @JsonSubTypes.Type(value = Awaiting.Result.class, name = "result")
})
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public sealed interface Awaiting {

    /** The options that may be picked now. */
    default List<Offer> offers() {
        return List.of();
    }

    /** Failed answers so far. */
    default int tries() {
        return 0;
    }

    /** The same after another failed answer. */
    default Awaiting onceMore() {
        return this;
    }

    /** Whether it ends by itself, whatever the visitor does. */
    default boolean endsByItself() {
        return this instanceof Time || this instanceof Signal || this instanceof Called;
    }

    /** Of the timer, signal or errand that ends the waiting; empty for none. */
    default String key() {
        return "";
    }

    /** What the conversation goes back to once what was only offered aside is dealt with; itself for all others. */
    default Awaiting beneath() {
        return this;
    }

    /** What is asked for; null where that has no type. */
    default @Nullable ValueType type() {
        return null;
    }

    /** The free times that are offered; null where none are. */
    default @Nullable Slot times() {
        return null;
    }

    /** Whether an option may be picked now. */
    default boolean offers(String option) {
        return offers().stream()
                .anyMatch(offer -> offer.id().equals(option) && offer.link().isBlank());
    }

    /** The reply to a Question step. @param said what was said and told only half of it; empty for nothing */
    record Reply(@Nullable ValueType type, List<Offer> offers, int tries, String said) implements Awaiting {
        public Reply {
            offers = orNone(offers);
            said = orEmpty(said);
        }

        public Reply(@Nullable ValueType type, List<Offer> offers, int tries) {
            this(type, offers, tries, "");
        }

        /** The same after something that may be half of the answer. */
        public Reply after(String half) {
            return new Reply(type, offers, tries, half);
        }

        @Override
        public Awaiting onceMore() {
            return new Reply(type, offers, tries + 1, said);
        }
    }

    /** An option of a Choice step. */
    record Pick(List<Offer> offers, int tries) implements Awaiting {
        public Pick {
            offers = orNone(offers);
        }

        @Override
        public Awaiting onceMore() {
            return new Pick(offers, tries + 1);
        }
    }

    /**
     * A free time of an Appointment step.
     *
     * @param wish  what the visitor said last of when it suits them; empty for nothing yet
     * @param kind  id of the kind of appointment; empty while no times are offered
     * @param party how many come
     * @param with  whom it is wished with, as in {@link Query.Times}
     */
    record Slot(List<Offer> offers, int tries, String wish, String kind, int party, String with) implements Awaiting {
        public Slot {
            offers = orNone(offers);
            wish = orEmpty(wish);
            kind = orEmpty(kind);
            with = orEmpty(with);
        }

        @Override
        public @Nullable Slot times() {
            return kind.isEmpty() ? null : this;
        }

        @Override
        public Awaiting onceMore() {
            return new Slot(offers, tries + 1, wish, kind, party, with);
        }
    }

    /**
     * What is to become of something that the visitor has booked, asked whatever step the conversation stands at.
     *
     * @param slot      what is offered: free times, whether to cancel, or which booking is meant
     * @param wants     what the visitor wants of it, as the listener names it
     * @param reference of the booking; empty while it is not known which
     * @param email     the address it was named with; empty for one that is known to be theirs
     * @param said      what they said of it
     * @param resumes   what was awaited before; null for nothing
     */
    record Own(
            Slot slot,
            String wants,
            String reference,
            String email,
            String said,
            @Nullable Awaiting resumes) implements Awaiting {
        public Own {
            reference = orEmpty(reference);
            email = orEmpty(email);
            said = orEmpty(said);
        }

        @Override
        public List<Offer> offers() {
            return slot.offers();
        }

        @Override
        public int tries() {
            return slot.tries();
        }

        @Override
        public @Nullable Slot times() {
            return slot.times();
        }

        @Override
        public Awaiting beneath() {
            return resumes == null ? this : resumes.beneath();
        }

        @Override
        public Awaiting onceMore() {
            Slot tried = new Slot(slot.offers, slot.tries + 1, slot.wish, slot.kind, slot.party, slot.with);
            return new Own(tried, wants, reference, email, said, resumes);
        }
    }

    /**
     * What an Appointment step still has to know of whoever comes, while their time is held.
     *
     * @param type      of what is asked for
     * @param slot      from which the time was picked
     * @param start     the time
     * @param reference under which it is held
     */
    record Held(ValueType type, List<Offer> offers, int tries, Slot slot, Instant start, String reference)
            implements Awaiting {
        public Held {
            offers = orNone(offers);
        }

        @Override
        public Awaiting onceMore() {
            return new Held(type, offers, tries + 1, slot, start, reference);
        }
    }

    /**
     * Facts of an Interview step, or its confirmation.
     *
     * @param type  of the only fact asked for; null where it is not one
     * @param facts the variables being asked for; empty while it reads back
     */
    record Facts(@Nullable ValueType type, List<Offer> offers, int tries, List<String> facts) implements Awaiting {
        public Facts {
            offers = orNone(offers);
            facts = facts == null ? List.of() : List.copyOf(facts);
        }

        @Override
        public Awaiting onceMore() {
            return new Facts(type, offers, tries + 1, facts);
        }
    }

    /** Whether an answer was read rightly. @param values the answer @param resumes what was awaited before */
    record Confirm(List<Offer> offers, int tries, Awaiting resumes, List<Value> values) implements Awaiting {
        public Confirm {
            offers = orNone(offers);
            values = List.copyOf(values);
        }

        public Value value() {
            return values.getFirst();
        }

        @Override
        public Awaiting onceMore() {
            return new Confirm(offers, tries + 1, resumes, values);
        }
    }

    /**
     * Which of several readings was meant.
     *
     * @param resumes what was awaited before
     * @param values  the readings, in the order of the offers
     */
    record Which(List<Offer> offers, int tries, Awaiting resumes, List<Value> values) implements Awaiting {
        public Which {
            offers = orNone(offers);
            values = List.copyOf(values);
        }

        @Override
        public @Nullable ValueType type() {
            return resumes.type();
        }

        @Override
        public Awaiting beneath() {
            return resumes.beneath();
        }

        @Override
        public Awaiting onceMore() {
            return new Which(offers, tries + 1, resumes, values);
        }
    }

    /** A question for an Answer step. */
    record OpenQuestion(int tries) implements Awaiting {
        @Override
        public Awaiting onceMore() {
            return new OpenQuestion(tries + 1);
        }
    }

    /**
     * One of several entries that may have been meant.
     *
     * @param asked   the question it is for
     * @param resumes what was awaited before; null for nothing
     */
    record Suggestion(
            List<Offer> offers,
            int tries,
            String asked,
            @Nullable Awaiting resumes) implements Awaiting {
        public Suggestion {
            offers = orNone(offers);
            asked = asked == null ? "" : asked;
        }

        @Override
        public Awaiting beneath() {
            return resumes == null ? this : resumes.beneath();
        }

        @Override
        public Awaiting onceMore() {
            return new Suggestion(offers, tries + 1, asked, resumes);
        }
    }

    /** Whatever the visitor likes; a few things are offered. */
    record Next(List<Offer> offers) implements Awaiting {
        public Next {
            offers = orNone(offers);
        }
    }

    /** A time to come. */
    record Time(String key) implements Awaiting {}

    /** A signal from outside. */
    record Signal(String key) implements Awaiting {}

    /** The reply of a service. @param words shown where it takes longer than a moment */
    record Called(String key, String words) implements Awaiting {
        public Called {
            words = orEmpty(words);
        }
    }

    /** How the conversation was. */
    record Rating(List<Offer> offers, int tries) implements Awaiting {
        public Rating {
            offers = orNone(offers);
        }

        @Override
        public Awaiting onceMore() {
            return new Rating(offers, tries + 1);
        }
    }

    /** A word beside the rating. @param values the rating */
    record Comment(List<Offer> offers, List<Value> values) implements Awaiting {
        public Comment {
            offers = orNone(offers);
            values = List.copyOf(values);
        }

        /** The rating, 1 to 5. */
        public int stars() {
            return values.getFirst() instanceof Value.Numeric(BigDecimal stars) ? stars.intValue() : 1;
        }
    }

    /** A person. @param key of the timer after which nobody is thought to come; empty for none */
    record Person(String key) implements Awaiting {
        public Person {
            key = key == null ? "" : key;
        }
    }

    /**
     * The result of an errand without which an event could not be taken.
     *
     * @param question what the result is about
     * @param event    the event, which is taken again when the result has come
     * @param resumes  what was awaited before it
     * @param opinions what has come so far, by the question it is about
     */
    record Result(
            String key,
            String question,
            Event event,
            @Nullable Awaiting resumes,
            Map<String, Finding> opinions) implements Awaiting {
        public Result {
            opinions = opinions == null ? Map.of() : Map.copyOf(opinions);
        }
    }

    private static String orEmpty(@Nullable String text) {
        return text == null ? "" : text;
    }

    private static List<Offer> orNone(@Nullable List<Offer> offers) {
        return offers == null ? List.of() : List.copyOf(offers);
    }
}
