package com.shuttle.appointments;

import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.booking.Slot;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** When kinds of appointment are free. What was held too long is free again. Thread-safe. */
@Service
public class Availability {

    private final Diaries diaries;
    private final Seating seating;
    private final Letting letting;
    private final TransactionTemplate transaction;
    private final InstantSource clock;

    Availability(
            Diaries diaries, Seating seating, Letting letting, TransactionTemplate transaction, InstantSource clock) {
        this.transaction = transaction;
        this.diaries = diaries;
        this.seating = seating;
        this.letting = letting;
        this.clock = clock;
    }

    /** The free times of a kind that begin within a period, for a party of so many. None where the kind is gone. */
    public List<Slot> free(String kind, int party, Instant from, Instant until) {
        return free(kind, party, "", from, until);
    }

    /** The same with somebody. @param with as in {@link Party} */
    @Transactional
    public List<Slot> free(String kind, int party, String with, Instant from, Instant until) {
        Optional<Kind> there = diaries.bookable(kind);
        letting.lapsed();
        return there.map(one -> seating.find(one, party, with, from, until)).orElse(List.of());
    }

    /** The times that a booking could be moved to: those that are free where it stands nowhere. Changes nothing. */
    List<Slot> elsewhere(Booking booking, Instant from, Instant until) {
        return transaction.execute(status -> {
            status.setRollbackOnly();
            letting.leave(booking);
            return diaries.bookable(booking.kind())
                    .map(kind -> seating.find(kind, booking.party(), "", from, until))
                    .orElse(List.of());
        });
    }

    /** When a kind is free, as conversations learn it. @param with as in {@link Party} */
    @Transactional
    public FreeTimes times(String id, int party, String with) {
        return times(id, party, with, clock.instant());
    }

    /** The same as if it were another time now. */
    @Transactional
    public FreeTimes times(String id, int party, String with, Instant now) {
        return diaries.bookable(id).map(kind -> times(kind, party, with, now)).orElse(FreeTimes.GONE);
    }

    /** When the kind of a name is free, in any case of letters. */
    @Transactional
    public FreeTimes named(String name) {
        return diaries.named(name)
                .map(kind -> times(kind, 1, "", clock.instant()))
                .orElse(FreeTimes.GONE);
    }

    private FreeTimes times(Kind kind, int party, String with, Instant now) {
        letting.lapsed();
        Instant end = now.plus(Duration.ofDays(kind.rules().horizon() + 1L));
        List<Instant> starts = seating.find(kind, party, with, now, now, end).stream()
                .map(Slot::start)
                .limit(FreeTimes.MOST)
                .toList();
        List<Diary> there = diaries.diaries(kind.resources());
        List<String> people = kind.rules().all() || there.size() < 2
                ? List.of()
                : there.stream().map(Diary::name).toList();
        return new FreeTimes(kind.name(), seating.zone(kind.resources()).getId(), starts, people);
    }
}
