package com.shuttle.core.reading;

import com.shuttle.core.reading.Wish.Days;
import com.shuttle.core.reading.Wish.Hours;
import com.shuttle.core.reading.Wish.Window;
import com.shuttle.core.reading.WishDays.Extent;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Days and hours that are wished for, or that are not, in one breath. What stands side by side narrows ("Saturdays in March",
 * "next week, mornings"), what "or" and "and" join adds ("Mondays or Wednesdays"). What is said once for several holds for all
 * of them: the hours behind the last ("Mondays or Wednesdays before noon") or before the first, and the week that weekdays are
 * of. Not thread-safe.
 */
final class WishPhrase {

    /** How a saying hangs on the one before. */
    enum Joint {
        NONE,
        COMMA,
        AND,
        OR
    }

    /** One of several that are joined. */
    private static final class Part {
        private List<Days> days = List.of();
        private Set<DayOfWeek> weekdays = Set.of();
        private @Nullable Extent extent;
        private List<Hours> hours = List.of();
        private @Nullable Hours later;
        private boolean hoursFirst;

        private boolean hasDays() {
            return extent != null;
        }
    }

    private boolean unwished;
    private final List<Part> parts = new ArrayList<>();

    WishPhrase(boolean unwished) {
        this.unwished = unwished;
    }

    boolean unwished() {
        return unwished;
    }

    void unwish() {
        unwished = true;
    }

    boolean isEmpty() {
        return parts.isEmpty();
    }

    int size() {
        return parts.size();
    }

    /** Takes the last of what is joined out, as something that is wished for. */
    WishPhrase withoutLast() {
        WishPhrase other = new WishPhrase(false);
        other.parts.add(parts.removeLast());
        return other;
    }

    /** Whether it says no more than a month by its bare name, which may be somebody's. */
    boolean vague() {
        return parts.stream().allMatch(part -> part.extent == Extent.MONTH && part.hours.isEmpty());
    }

    /** Whether a day goes on with a list of such. */
    boolean lists(WishDays.Found day) {
        return !parts.isEmpty() && parts.getLast().extent == day.extent() && !day.within();
    }

    private Part added() {
        Part part = new Part();
        parts.add(part);
        return part;
    }

    void add(WishDays.Found day, Joint joint) {
        Part last = parts.isEmpty() ? null : parts.getLast();
        boolean narrows = last != null
                && joint != Joint.OR
                && (!last.hasDays()
                        || joint != Joint.AND
                                && last.extent != null
                                && (within(last.extent) != day.within() || joint == Joint.NONE && within(last.extent)));
        Part part = narrows && last != null ? last : added();
        if (!part.hasDays()) {
            part.hoursFirst = !part.hours.isEmpty();
            part.days = day.days();
            part.weekdays = day.weekdays();
            part.extent = day.extent();
            return;
        }
        part.days = common(part.days, day.days());
        part.weekdays = both(part.weekdays, day.weekdays());
        part.extent = day.within() ? part.extent : day.extent();
    }

    private static boolean within(Extent extent) {
        return extent == Extent.WEEK || extent == Extent.MONTH || extent == Extent.SPAN;
    }

    void add(WishTimes.Found time, Joint joint) {
        Part last = parts.isEmpty() ? null : parts.getLast();
        if (last == null) {
            set(added(), time);
            return;
        }
        if (last.hours.isEmpty() && joint != Joint.OR) {
            set(last, time);
            return;
        }
        if (last.hours.isEmpty()) {
            set(added(), time);
            return;
        }
        if (joint == Joint.OR || joint == Joint.AND || joint == Joint.COMMA) {
            List<Hours> more = new ArrayList<>(last.hours);
            more.addAll(time.hours());
            last.hours = more;
            return;
        }
        last.hours = narrowed(last, time);
    }

    private static void set(Part part, WishTimes.Found time) {
        part.hours = time.hours();
        part.later = time.later();
    }

    private static List<Hours> narrowed(Part part, WishTimes.Found time) {
        List<Hours> common = hoursOf(part.hours, time.hours());
        LocalTime begins = part.hours.getFirst().from();
        if (time.later() != null && begins.isAfter(LocalTime.of(11, 0))) {
            return hoursOf(part.hours, List.of(time.later()));
        }
        if (part.later != null && time.hours().getFirst().from().isAfter(LocalTime.of(11, 0))) {
            return hoursOf(List.of(part.later), time.hours());
        }
        return common;
    }

    // What it comes to

    /** @param days tells which day a weekday alone is */
    List<Window> windows(WishDays days) {
        share();
        return parts.stream()
                .filter(part -> part.hasDays() || !part.hours.isEmpty())
                .map(part -> window(part, days))
                .toList();
    }

    private Window window(Part part, WishDays days) {
        if (part.extent == Extent.WEEKDAY && part.days.isEmpty() && !unwished) {
            LocalDate next = days.next(part.weekdays);
            return new Window(List.of(new Days(next, next)), Set.of(), part.hours);
        }
        return new Window(part.days, part.weekdays, part.hours);
    }

    private void share() {
        if (parts.size() < 2) {
            return;
        }
        Part first = parts.getFirst();
        Part last = parts.getLast();
        boolean onlyLast = !last.hours.isEmpty()
                && last.hasDays()
                && parts.subList(0, parts.size() - 1).stream().allMatch(part -> part.hours.isEmpty());
        boolean onlyFirst =
                first.hoursFirst && parts.subList(1, parts.size()).stream().allMatch(part -> part.hours.isEmpty());
        for (Part part : parts) {
            if (onlyLast) {
                part.hours = last.hours;
            } else if (onlyFirst) {
                part.hours = first.hours;
            }
            boolean weekday = part.extent == Extent.WEEKDAY || part.extent == Extent.WEEKDAYS;
            if (weekday && part.days.isEmpty() && isWeekday(last) && !last.days.isEmpty()) {
                part.days = last.days;
            } else if (weekday && part.days.isEmpty() && isWeekday(first) && !first.days.isEmpty()) {
                part.days = first.days;
            }
        }
    }

    private static boolean isWeekday(Part part) {
        return part.extent == Extent.WEEKDAY || part.extent == Extent.WEEKDAYS;
    }

    // What two sayings have in common; an empty list is everything, so that nothing is a day that never comes

    private static final Days NEVER = new Days(LocalDate.MAX, LocalDate.MIN);
    private static final Hours AT_NO_TIME = new Hours(LocalTime.MAX, LocalTime.MIN);

    private static List<Days> common(List<Days> one, List<Days> other) {
        if (one.isEmpty() || other.isEmpty()) {
            return one.isEmpty() ? other : one;
        }
        List<Days> common = new ArrayList<>();
        for (Days a : one) {
            for (Days b : other) {
                LocalDate from = a.from().isAfter(b.from()) ? a.from() : b.from();
                LocalDate to = a.to().isBefore(b.to()) ? a.to() : b.to();
                if (!from.isAfter(to)) {
                    common.add(new Days(from, to));
                }
            }
        }
        return common.isEmpty() ? List.of(NEVER) : common;
    }

    private static Set<DayOfWeek> both(Set<DayOfWeek> one, Set<DayOfWeek> other) {
        if (one.isEmpty() || other.isEmpty()) {
            return one.isEmpty() ? other : one;
        }
        Set<DayOfWeek> both = EnumSet.copyOf(one);
        both.retainAll(other);
        return both.isEmpty() ? other : both;
    }

    private static List<Hours> hoursOf(List<Hours> one, List<Hours> other) {
        List<Hours> common = new ArrayList<>();
        for (Hours a : one) {
            for (Hours b : other) {
                LocalTime from = a.from().isAfter(b.from()) ? a.from() : b.from();
                LocalTime to = a.to().isBefore(b.to()) ? a.to() : b.to();
                if (!from.isAfter(to)) {
                    common.add(new Hours(from, to));
                }
            }
        }
        return common.isEmpty() ? List.of(AT_NO_TIME) : common;
    }
}
