package com.shuttle.core.booking;

import com.shuttle.core.booking.Resource.Busy;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.zone.ZoneRules;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Finds the times at which an appointment can be.
 *
 * <p>Beginnings are counted from the beginning of each span of open hours in elapsed minutes, {@code step} apart, as long as the
 * appointment ends within the span. Hours are those of the resource's own clock: a beginning in the hour that does not exist
 * moves to its end, of an hour that exists twice a span takes both. A beginning is free where the appointment with its buffers
 * touches nothing that is busy. Time is counted in whole minutes since the epoch; each resource is one bit of every minute of the
 * period, so that a period of {@code d} days and {@code r} resources with {@code b} busy stretches costs O(r·(d + b log b) +
 * 1440·d·r/64). Pure functions.
 */
public final class FreeSlots {

    private static final int MINUTE = 60;
    private static final int BITS = Long.SIZE;

    private FreeSlots() {}

    /**
     * What is there of a kind that several people can share.
     *
     * @param resources who takes it
     * @param taken     people who come already
     */
    public record Session(Instant start, List<String> resources, int taken) {}

    /**
     * Free times from {@code from} to before {@code until}, in their order.
     *
     * @param resources who the kind may be with; their busy stretches contain the kind's own sessions with their buffers
     * @param sessions  the kind's own, in any order
     * @param party     how many people come, at least 1
     */
    public static List<Slot> find(
            Rules rules,
            List<Resource> resources,
            List<Session> sessions,
            int party,
            Instant now,
            Instant from,
            Instant until) {
        long first = Math.max(up(from), up(now) + rules.notice());
        long last = Math.min(down(until), down(now) + rules.horizon() * 1440L);
        if (resources.isEmpty() || first >= last || rules.places() > 1 && party > rules.places()) {
            return List.of();
        }
        ZoneId zone = resources.getFirst().hours().zone();
        Map<LocalDate, Integer> perDay = new HashMap<>();
        sessions.forEach(session -> perDay.merge(session.start().atZone(zone).toLocalDate(), 1, Integer::sum));
        int words = (resources.size() + BITS - 1) / BITS;
        int length = Math.toIntExact(last - first);
        long[] free = new long[Math.multiplyExact(length, words)];
        for (int r = 0; r < resources.size(); r++) {
            mark(rules, resources.get(r), first, last, free, words, r);
        }
        Map<Long, Session> shared = new HashMap<>();
        sessions.forEach(session -> shared.put(down(session.start()), session));
        List<Slot> found = new ArrayList<>();
        for (int minute = 0; minute < length; minute++) {
            Session session = shared.get(first + minute);
            int left = session == null ? 0 : rules.places() - session.taken();
            if (session != null && rules.places() > 1 && left >= party) {
                found.add(slot(rules, first + minute, session.resources(), left));
                continue;
            }
            List<String> who = who(resources, free, words, minute);
            if (who.isEmpty() || rules.all() && who.size() < resources.size()) {
                continue;
            }
            Instant start = Instant.ofEpochSecond((first + minute) * MINUTE);
            if (rules.mostADay() == 0 || perDay.getOrDefault(start.atZone(zone).toLocalDate(), 0) < rules.mostADay()) {
                found.add(slot(rules, first + minute, who, rules.places()));
            }
        }
        return found;
    }

    private static Slot slot(Rules rules, long minute, List<String> who, int left) {
        Instant start = Instant.ofEpochSecond(minute * MINUTE);
        return new Slot(start, start.plusSeconds(rules.minutes() * (long) MINUTE), who, left);
    }

    private static List<String> who(List<Resource> resources, long[] free, int words, int minute) {
        List<String> who = new ArrayList<>();
        for (int w = 0; w < words; w++) {
            long bits = free[minute * words + w];
            while (bits != 0) {
                who.add(resources
                        .get(w * BITS + Long.numberOfTrailingZeros(bits))
                        .id());
                bits &= bits - 1;
            }
        }
        return who;
    }

    /** Sets the bit of a resource at every beginning that is free. */
    private static void mark(Rules rules, Resource resource, long first, long last, long[] free, int words, int bit) {
        long[] busy = busy(resource.busy(), rules.before(), rules.after());
        OpenHours hours = resource.hours();
        ZoneRules clock = hours.zone().getRules();
        LocalDate day = Instant.ofEpochSecond(first * MINUTE)
                .atZone(hours.zone())
                .toLocalDate()
                .minusDays(1);
        LocalDate end =
                Instant.ofEpochSecond(last * MINUTE).atZone(hours.zone()).toLocalDate();
        int word = bit / BITS;
        long flag = 1L << bit % BITS;
        int next = 0;
        for (; !day.isAfter(end); day = day.plusDays(1)) {
            for (Span span : hours.on(day)) {
                long opens = minute(clock, day.atTime(span.from()), true);
                long closes = minute(clock, day.atTime(span.until()), false);
                while (next > 0 && busy[next - 1] > opens) {
                    next -= 2;
                }
                long skipped = Math.max(0, Math.ceilDiv(first - opens, (long) rules.step()));
                for (long start = opens + skipped * rules.step();
                        start + rules.minutes() <= closes && start < last;
                        start += rules.step()) {
                    while (next < busy.length && busy[next + 1] <= start) {
                        next += 2;
                    }
                    if (next >= busy.length || busy[next] >= start + rules.minutes()) {
                        free[Math.toIntExact(start - first) * words + word] |= flag;
                    }
                }
            }
        }
    }

    /** The minute since the epoch at a local time. @param early which of two that a local time has twice */
    private static long minute(ZoneRules clock, LocalDateTime local, boolean early) {
        List<ZoneOffset> offsets = clock.getValidOffsets(local);
        if (offsets.isEmpty()) {
            return clock.getTransition(local).toEpochSecond() / MINUTE;
        }
        ZoneOffset offset = early ? offsets.getFirst() : offsets.getLast();
        return Math.floorDiv(local.toEpochSecond(offset), MINUTE);
    }

    /**
     * Stretches in which no appointment may be, as pairs of minutes, in order and apart: what is busy, with an appointment's after
     * put before it and its before put behind it.
     */
    private static long[] busy(List<Busy> busy, int before, int after) {
        long[][] grown = new long[busy.size()][];
        int many = 0;
        for (Busy one : busy) {
            if (one.until().isAfter(one.from())) {
                grown[many++] = new long[] {down(one.from()) - after, up(one.until()) + before};
            }
        }
        Arrays.sort(grown, 0, many, (a, b) -> Long.compare(a[0], b[0]));
        long[] pairs = new long[many * 2];
        int filled = 0;
        for (int i = 0; i < many; i++) {
            if (filled > 0 && grown[i][0] <= pairs[filled - 1]) {
                pairs[filled - 1] = Math.max(pairs[filled - 1], grown[i][1]);
            } else {
                pairs[filled++] = grown[i][0];
                pairs[filled++] = grown[i][1];
            }
        }
        return Arrays.copyOf(pairs, filled);
    }

    private static long down(Instant at) {
        return Math.floorDiv(at.getEpochSecond(), MINUTE);
    }

    private static long up(Instant at) {
        boolean whole = at.getNano() == 0 && at.getEpochSecond() % MINUTE == 0;
        return whole ? at.getEpochSecond() / MINUTE : down(at) + 1;
    }
}
