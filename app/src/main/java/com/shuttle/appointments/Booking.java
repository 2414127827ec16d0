package com.shuttle.appointments;

import com.shuttle.web.Ids;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Somebody who comes, or came.
 *
 * @param resources    ids of whom it is with
 * @param heldUntil    of one that is only held
 * @param party        how many come
 * @param zone         the visitor's time zone
 * @param conversation it was made in; null for none
 * @param changes      how often it was changed or cancelled since it was made
 */
public record Booking(
        String id,
        String reference,
        String kind,
        List<String> resources,
        Instant start,
        Instant end,
        State state,
        @Nullable Instant heldUntil,
        int party,
        String name,
        String email,
        String phone,
        String about,
        String zone,
        @Nullable String conversation,
        int changes,
        Instant madeAt) {

    public Booking {
        resources = List.copyOf(resources);
    }

    /** A new one. @param heldUntil null for one that is not only held */
    static Booking of(
            Kind kind,
            List<String> resources,
            Instant start,
            Party party,
            String reference,
            State state,
            @Nullable Instant heldUntil,
            Instant at) {
        return new Booking(
                Ids.next(),
                reference,
                kind.id(),
                resources,
                start,
                start.plusSeconds(kind.rules().minutes() * 60L),
                state,
                heldUntil,
                party.many(),
                party.name(),
                party.email(),
                party.phone(),
                party.about(),
                party.zone(),
                party.conversation(),
                0,
                at);
    }

    /** How far it has come. */
    public enum State {
        HELD("held"),
        BOOKED("booked"),
        CANCELLED("cancelled"),
        EXPIRED("let go"),
        DONE("came"),
        NO_SHOW("did not come");

        private final String label;

        State(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** Whether its time is taken. */
        public boolean standing() {
            return this == HELD || this == BOOKED;
        }
    }
}
