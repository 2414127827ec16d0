package com.shuttle.appointments;

import com.shuttle.appointments.Booking.State;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import org.springframework.stereotype.Component;

/** Gives times back, in the transaction of whoever asks. Thread-safe. */
@Component
class Letting {

    /**
     * For so long a hold outlasts what was promised, so that a server whose clock is ahead takes nothing from a visitor of one
     * whose clock is behind.
     */
    static final Duration GRACE = Duration.ofMinutes(2);

    private final BookingStore store;
    private final SessionStore sessions;
    private final InstantSource clock;

    Letting(BookingStore store, SessionStore sessions, InstantSource clock) {
        this.store = store;
        this.sessions = sessions;
        this.clock = clock;
    }

    /** Lets go of what was held too long. Whether there was anything. */
    boolean lapsed() {
        Instant now = clock.instant();
        var lapsed = store.lapsed(now.minus(GRACE));
        for (Booking booking : lapsed) {
            end(booking, State.EXPIRED, false);
            store.note(booking.id(), "was let go, as nobody took it", null, now);
        }
        return !lapsed.isEmpty();
    }

    /** Of these, the oldest first, all but the last so many are let go, so that nobody keeps every time from the others. */
    void beyond(int most, List<Booking> held) {
        held.subList(0, Math.max(0, held.size() - most)).forEach(one -> {
            end(one, State.EXPIRED, false);
            store.note(one.id(), "was let go, as the same visitor holds others", null, clock.instant());
        });
    }

    /** Ends a booking. @param counts whether calendars must hear of it */
    void end(Booking booking, State state, boolean counts) {
        leave(booking);
        store.state(booking.id(), state, counts, clock.instant());
    }

    /** Gives the places of a booking back, which it takes up elsewhere. */
    void leave(Booking booking) {
        store.taken(booking.id()).ifPresent(taken -> {
            store.leaves(booking.id());
            sessions.giveBack(taken.session(), taken.places());
        });
    }
}
