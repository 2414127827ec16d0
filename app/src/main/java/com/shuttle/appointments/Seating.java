package com.shuttle.appointments;

import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.FreeSlots;
import com.shuttle.core.booking.FreeSlots.Session;
import com.shuttle.core.booking.Resource;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.booking.Slot;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
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

    /** Where a party was put. */
    record Placed(String session, List<String> resources) {}

    /** The free times of a kind that begin within a period. @param with as in {@link Party} */
    List<Slot> find(Kind kind, int party, String with, Instant from, Instant until) {
        return find(kind, party, with, clock.instant(), from, until);
    }

    /** The same as it was at a time before. */
    List<Slot> find(Kind kind, int party, String with, Instant now, Instant from, Instant until) {
        Instant end = min(until, now.plus(Duration.ofDays(kind.rules().horizon() + 1L)));
        if (!from.isBefore(end)) {
            return List.of();
        }
        List<Resource> resources = diaries.resources(kind, with, from.minus(LONGEST), end.plus(LONGEST));
        List<Session> own = sessionsThatMatter(kind, resources, from, end);
        return FreeSlots.find(kind.rules(), resources, own, party, now, from, end);
    }

    /** Those that others may join, or that count towards the most of a day. */
    private List<Session> sessionsThatMatter(Kind kind, List<Resource> resources, Instant from, Instant end) {
        Rules rules = kind.rules();
        if (rules.places() == 1 && rules.mostADay() == 0) {
            return List.of();
        }
        List<Session> all = sessions.of(kind.id(), from.minus(LONGEST), end.plus(LONGEST));
        List<String> ids = resources.stream().map(Resource::id).toList();
        return rules.mostADay() > 0
                ? all
                : all.stream()
                        .filter(one -> one.resources().stream().anyMatch(ids::contains))
                        .toList();
    }

    private static Instant min(Instant one, Instant other) {
        return one.isBefore(other) ? one : other;
    }

    /** The free times nearest to one that is not. */
    List<Slot> nearest(Kind kind, int party, Instant start) {
        return find(kind, party, "", start.minus(AROUND), start.plus(AROUND)).stream()
                .sorted(Comparator.comparing(
                        slot -> Duration.between(start, slot.start()).abs()))
                .limit(NEAREST)
                .toList();
    }

    /** Puts a party into a session that others share already; null where there is none with a place. */
    @Nullable
    Placed join(Kind kind, Instant start, int party, String with) {
        Rules rules = kind.rules();
        long ahead = Duration.between(clock.instant(), start).toMinutes();
        boolean shares = rules.places() > 1 && with.isEmpty();
        if (!shares || ahead < rules.notice() || ahead > rules.horizon() * 1440L) {
            return null;
        }
        return sessions.shared(kind.id(), start, party)
                .filter(shared -> sessions.take(shared.session(), party))
                .orElse(null);
    }

    /** Puts a party into a session at a time; null where there is no place. @param with as in {@link Party} */
    @Nullable
    Placed place(Kind kind, Instant start, int party, String with) {
        Placed joined = join(kind, start, party, with);
        if (joined != null) {
            return joined;
        }
        return place(kind, start, party, with, clock.instant());
    }

    /** The same as it was at a time before. */
    @Nullable
    Placed place(Kind kind, Instant start, int party, String with, Instant asOf) {
        Slot slot = find(kind, party, with, asOf, start, start.plusSeconds(60)).stream()
                .filter(one -> one.start().equals(start))
                .findFirst()
                .orElse(null);
        if (slot == null) {
            return null;
        }
        int places = kind.taking(party);
        if (slot.left() < kind.rules().places()) {
            return sessions.shared(kind.id(), start, places)
                    .filter(shared -> shared.resources().stream().anyMatch(slot.resources()::contains))
                    .filter(shared -> sessions.take(shared.session(), places))
                    .orElse(null);
        }
        List<String> who = kind.rules().all() ? slot.resources() : List.of(chosen(kind, slot));
        return new Placed(sessions.begin(kind, who, start, places, asOf), who);
    }

    private String chosen(Kind kind, Slot slot) {
        if (slot.resources().size() == 1) {
            return slot.resources().getFirst();
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
