package com.shuttle.core.engine.steps;

import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.reading.Wish;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Free times as a visitor is offered them, on their own clock.
 *
 * @param free  what is free
 * @param own   IANA name of the visitor's zone; empty where it is unknown
 * @param kind  id of the kind of appointment
 * @param party how many come
 * @param with  whom it is wished with; empty for anybody
 */
record TimesOffered(FreeTimes free, String own, String kind, int party, String with) {

    private static final int SUGGESTED = 3;

    ZoneId zone() {
        return Zones.firstKnown(own, free.zone());
    }

    List<Instant> starts() {
        return free.starts();
    }

    boolean none() {
        return free.starts().isEmpty();
    }

    /** Those that fit all wishes, of which only the last picks one. */
    List<Instant> fitting(List<Wish> wishes) {
        ZoneId zone = zone();
        List<Instant> left = free.starts();
        for (int i = 0; i < wishes.size(); i++) {
            Wish wish = wishes.get(i);
            Wish meant = i < wishes.size() - 1 ? new Wish(wish.any(), wish.not(), Wish.Pick.ALL) : wish;
            List<LocalDateTime> local = left.stream()
                    .map(start -> LocalDateTime.ofInstant(start, zone))
                    .toList();
            List<LocalDateTime> fits = meant.fits(local);
            left = left.stream()
                    .filter(start -> fits.contains(LocalDateTime.ofInstant(start, zone)))
                    .toList();
        }
        return left;
    }

    /** From the week after the one of a time on. */
    List<Instant> fromWeekAfter(Instant start) {
        ZoneId zone = zone();
        LocalDate day = start.atZone(zone).toLocalDate();
        Instant monday = day.minusDays(day.getDayOfWeek().getValue() - 1L)
                .plusWeeks(1)
                .atStartOfDay(zone)
                .toInstant();
        return from(monday);
    }

    List<Instant> from(Instant start) {
        return free.starts().stream().filter(one -> !one.isBefore(start)).toList();
    }

    /** The days that the talk is of: those that were wished before, else the one of all times shown; none where it is of several. */
    List<LocalDate> daysSpokenOf(List<Wish> before, List<Instant> shown) {
        List<Instant> wished = before.isEmpty() ? List.of() : fitting(before);
        List<LocalDate> days = (wished.isEmpty() ? shown : wished)
                .stream().map(this::day).distinct().toList();
        return wished.isEmpty() && days.size() != 1 ? List.of() : days;
    }

    /** Those of some times that are on these days. */
    List<Instant> on(List<LocalDate> days, List<Instant> of) {
        return of.stream().filter(start -> days.contains(day(start))).toList();
    }

    /** The few that stand nearest to a wish that nothing fits: after its first day, or the last there are. */
    List<Instant> nearest(Wish wish) {
        ZoneId zone = zone();
        Instant from = wish.any().stream()
                .flatMap(window -> window.days().stream())
                .map(days -> days.from().isBefore(LocalDate.EPOCH) ? LocalDate.EPOCH : days.from())
                .map(day -> day.isAfter(LocalDate.EPOCH.plusYears(500)) ? LocalDate.EPOCH : day)
                .map(day -> day.atStartOfDay(zone).toInstant())
                .min(Instant::compareTo)
                .orElse(Instant.MIN);
        List<Instant> after = from(from);
        return after.isEmpty() ? last(free.starts()) : after;
    }

    static List<Instant> last(List<Instant> starts) {
        return starts.subList(Math.max(0, starts.size() - SUGGESTED), starts.size());
    }

    /** As options: the first of three days, where there are so many; else the first, the middle one and the last. */
    List<Offer> offers(List<Instant> from) {
        List<Offer> offers = new ArrayList<>();
        suggested(from).forEach(start -> offers.add(new Offer(id(start), told(start))));
        return offers;
    }

    private List<Instant> suggested(List<Instant> from) {
        if (from.size() <= SUGGESTED) {
            return from;
        }
        List<Instant> firsts = new ArrayList<>();
        for (Instant start : from) {
            if (firsts.isEmpty() || !day(firsts.getLast()).equals(day(start))) {
                firsts.add(start);
            }
        }
        return firsts.size() >= SUGGESTED
                ? firsts.subList(0, SUGGESTED)
                : List.of(from.getFirst(), from.get(from.size() / 2), from.getLast());
    }

    private LocalDate day(Instant start) {
        return start.atZone(zone()).toLocalDate();
    }

    private static String id(Instant start) {
        return "t" + start.getEpochSecond() / 60;
    }

    /** The time of an option; null for one that is none. */
    static @Nullable Instant start(String option) {
        return option.matches("t\\d{1,12}") ? Instant.ofEpochSecond(Long.parseLong(option.substring(1)) * 60) : null;
    }

    /** The times that were offered last, in their order. */
    static List<Instant> shown(Awaiting awaiting) {
        return awaiting.offers().stream()
                .map(offer -> start(offer.id()))
                .filter(Objects::nonNull)
                .toList();
    }

    /** A time on the visitor's clock, and on that of the place where it is another. */
    String told(Instant start) {
        ZoneId there = Zones.firstKnown(free.zone());
        String time = AppointmentWords.moment(start.atZone(zone()));
        boolean same =
                zone().getRules().getOffset(start).equals(there.getRules().getOffset(start));
        return same ? time : time + " (" + start.atZone(there).toLocalTime() + " " + there.getId() + ")";
    }
}
