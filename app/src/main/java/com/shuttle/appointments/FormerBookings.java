package com.shuttle.appointments;

import com.shuttle.appointments.Booking.State;
import com.shuttle.core.booking.Reference;
import com.shuttle.core.booking.Slot;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes over what was booked before Shuttle kept the appointments. Nobody is told. Thread-safe. */
@Service
public class FormerBookings {

    private final Diaries diaries;
    private final Seating seating;
    private final BookingStore store;
    private final Letting letting;
    private final SecureRandom random = new SecureRandom();

    FormerBookings(Diaries diaries, Seating seating, BookingStore store, Letting letting) {
        this.diaries = diaries;
        this.seating = seating;
        this.store = store;
        this.letting = letting;
    }

    /** The times of a kind that were free, as it was at a time before. */
    @Transactional
    public List<Slot> free(String kind, Instant asOf, Instant from, Instant until) {
        return seating.find(diaries.kind(kind), 1, "", asOf, from, until);
    }

    /**
     * Takes over a booking, with what became of it.
     *
     * @param asOf when it was booked
     * @return whether there was a place
     */
    @Transactional
    public boolean take(String id, Instant start, Party party, State state, Instant asOf) {
        Kind kind = diaries.kind(id);
        Seating.Placed placed = seating.place(kind, start, party.many(), party.with(), asOf);
        if (placed == null) {
            return false;
        }
        String reference = Reference.next(random::nextInt);
        Booking booking = Booking.of(kind, placed.resources(), start, party, reference, State.BOOKED, null, asOf);
        store.insert(booking, new BookingStore.Terms(placed.session(), kind.taking(party.many()), null, null, ""));
        store.note(booking.id(), "was booked", null, asOf);
        if (state == State.CANCELLED) {
            letting.end(booking, state, true);
        } else {
            store.state(booking.id(), state, false, start);
        }
        store.note(booking.id(), state.label(), null, start);
        return true;
    }
}
