package com.shuttle.core.engine.turn;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Wish;
import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** What a message makes steps do that offer times, or that see to what is booked. */
public sealed interface TimesMove extends Move.OfStep {

    /** A time is taken. */
    record Take(Awaiting.Slot offered, Instant start) implements TimesMove {}

    /** Others are wished for. @param said in which words */
    record Wished(Awaiting.Slot offered, String said, Wish wish) implements TimesMove {}

    /** Any time will do. */
    record Any(Awaiting.Slot offered) implements TimesMove {}

    /** Those shown will not do. */
    record Others(Awaiting.Slot offered) implements TimesMove {}

    /** Something before those shown. */
    record Earlier(Awaiting.Slot offered) implements TimesMove {}

    /** A week after one that is shown. */
    record WeekAfter(Awaiting.Slot offered, Instant shown) implements TimesMove {}

    /** It is asked which of those shown. */
    record AskWhich(Awaiting.Slot offered) implements TimesMove {}

    /** No appointment is wanted. */
    record Decline() implements TimesMove {}

    /** With somebody. */
    record With(Awaiting.Slot offered, String who) implements TimesMove {}

    /** A place on the waiting list is wanted, or none. */
    record Wait(int party, boolean wanted) implements TimesMove {}

    /** While a time is held: none after all. */
    record LetGo(Awaiting.Held held) implements TimesMove {}

    /** While a time is held: another. */
    record Another(Awaiting.Held held) implements TimesMove {}

    /** While a time is held: one as is wished. @param said in which words */
    record AnotherWished(Awaiting.Held held, String said, Wish wish) implements TimesMove {}

    /** While a time is held: what is needed for it. @param values by their variables */
    record Details(Awaiting.Held held, Map<String, Value> values) implements TimesMove {
        public Details {
            values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
        }
    }

    /** What is booked is called off. */
    record CallOff() implements TimesMove {}

    /** It is asked whether what is booked is to be called off. */
    record AskCallOff() implements TimesMove {}

    /** One of several bookings is meant. */
    record About(BookingFound booking) implements TimesMove {}

    /** A booking by its reference. @param email empty where it is not known */
    record Named(String reference, String email) implements TimesMove {}
}
