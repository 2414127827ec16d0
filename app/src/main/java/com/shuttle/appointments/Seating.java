package com.shuttle.appointments;

import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.FreeSlots;
import com.shuttle.core.booking.FreeSlots.Session;
import com.shuttle.core.booking.Resource;
import com.shuttle.core.booking.Slot;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Finds places for those who want to come, and puts them there, in the transaction of whoever asks. Thread-safe. */
@Component
class Seating {

    private static final int NEAREST = 3;
    private static final Duration AROUND = Duration.ofDays(14);
    private static final Duration LONGEST = Duration.ofDays(2);

    private final Diaries diaries;
    private final SessionStore sessions;
    private final InstantSource clock;

    Seating(Diaries diaries, SessionStore sessions, InstantSource clock) {
        this.diaries = diaries;
        this.sessions = sessions;
        this.clock = clock;
    }

    /** The free times of a kind that begin within a period. */
    List<Slot> find(Kind kind, int party, Instant from, Instant until) {
        Instant now = clock.instant();
        Instant end = min(until, now.plus(Duration.ofDays(kind.rules().horizon() + 1L)));
        if (!from.isBefore(end)) {
            return List.of();
        }
        List<Resource> resources = diaries.resources(kind, from.minus(LONGEST), end.plus(LONGEST));
        List<Session> own = sessions.of(kind.id(), from.minus(LONGEST), end.plus(LONGEST));
        return FreeSlots.find(kind.rules(), resources, own, party, now, from, end);
    }

    private static Instant min(Instant one, Instant other) {
        return one.isBefore(other) ? one : other;
    }

    /** The free times nearest to one that is not. */
    List<Slot> nearest(Kind kind, int party, Instant start) {
        return find(kind, party, start.minus(AROUND), start.plus(AROUND)).stream()
                .sorted(Comparator.comparing(
                        slot -> Duration.between(start, slot.start()).abs()))
                .limit(NEAREST)
                .toList();
    }

    /** Where a party was put. */
    record Placed(String session, List<String> resources) {}

    /** Puts a party into a session at a time; null where there is no place. */
    @Nullable
    Placed place(Kind kind, Instant start, int party, String wanted) {
        Slot slot = find(kind, party, start, start.plusSeconds(60)).stream()
                .filter(one -> one.start().equals(start))
                .filter(one -> wanted.isEmpty() || one.resources().contains(wanted))
                .findFirst()
                .orElse(null);
        if (slot == null) {
            return null;
        }
        int places = kind.taking(party);
        Optional<String> shared =
                kind.rules().places() > 1 ? sessions.shared(kind.id(), start, places) : Optional.empty();
        if (shared.isPresent()) {
            return sessions.take(shared.get(), places)
                    ? new Placed(shared.get(), sessions.resources(shared.get()))
                    : null;
        }
        List<String> who = kind.rules().all() ? slot.resources() : List.of(chosen(kind, slot, wanted));
        return new Placed(sessions.begin(kind, who, start, places, clock.instant()), who);
    }

    private String chosen(Kind kind, Slot slot, String wanted) {
        if (!wanted.isEmpty() || slot.resources().size() == 1) {
            return wanted.isEmpty() ? slot.resources().getFirst() : wanted;
        }
        ZoneId zone = zone(slot.resources());
        LocalDate day = slot.start().atZone(zone).toLocalDate();
        return Chooser.choose(
                kind.by(),
                slot.resources(),
                sessions.loads(
                        slot.resources(),
                        day.atStartOfDay(zone).toInstant(),
                        day.plusDays(1).atStartOfDay(zone).toInstant()));
    }

    /** On whose clock these are. */
    ZoneId zone(List<String> resources) {
        return diaries.diaries(resources).stream()
                .map(diary -> diary.hours().zone())
                .findFirst()
                .orElse(ZoneOffset.UTC);
    }
}
