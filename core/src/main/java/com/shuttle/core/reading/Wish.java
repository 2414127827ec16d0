package com.shuttle.core.reading;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * When somebody would like to come: a moment fits where any of the wished windows takes it and none of the unwished does.
 *
 * @param any  empty for any time
 * @param not  times that do not suit
 * @param pick which of the moments that fit are meant
 */
public record Wish(List<Window> any, List<Window> not, Pick pick) {

    /** Which of the moments that fit are meant. */
    public enum Pick {
        ALL,
        FIRST,
        LAST
    }

    public Wish {
        any = List.copyOf(any);
        not = List.copyOf(not);
    }

    /** Any time at all. */
    public static final Wish ANY = new Wish(List.of(), List.of(), Pick.ALL);

    /**
     * Days and hours.
     *
     * @param days     empty for every day
     * @param weekdays empty for all
     * @param hours    empty for the whole day
     */
    public record Window(List<Days> days, Set<DayOfWeek> weekdays, List<Hours> hours) {
        public Window {
            days = List.copyOf(days);
            weekdays = weekdays.isEmpty() ? Set.of() : EnumSet.copyOf(weekdays);
            hours = List.copyOf(hours);
        }

        boolean takes(LocalDateTime moment) {
            LocalDate day = moment.toLocalDate();
            return (days.isEmpty() || days.stream().anyMatch(one -> one.has(day)))
                    && (weekdays.isEmpty() || weekdays.contains(day.getDayOfWeek()))
                    && (hours.isEmpty() || hours.stream().anyMatch(one -> one.has(moment.toLocalTime())));
        }
    }

    /** From one day to another, both included. */
    public record Days(LocalDate from, LocalDate to) {
        boolean has(LocalDate day) {
            return !day.isBefore(from) && !day.isAfter(to);
        }
    }

    /** From one time of day to another, both included. */
    public record Hours(LocalTime from, LocalTime to) {
        boolean has(LocalTime time) {
            return !time.isBefore(from) && !time.isAfter(to);
        }
    }

    /** Whether it says anything of days, and not only of hours. */
    public boolean namesDay() {
        return any.stream()
                .anyMatch(
                        window -> !window.days().isEmpty() || !window.weekdays().isEmpty());
    }

    /** Those that fit, in their order. @param moments in their order */
    public List<LocalDateTime> fits(List<LocalDateTime> moments) {
        List<LocalDateTime> fits = moments.stream()
                .filter(moment -> any.isEmpty() || any.stream().anyMatch(window -> window.takes(moment)))
                .filter(moment -> not.stream().noneMatch(window -> window.takes(moment)))
                .toList();
        return switch (pick) {
            case ALL -> fits;
            case FIRST -> fits.stream().limit(1).toList();
            case LAST -> fits.stream().skip(Math.max(0, fits.size() - 1)).toList();
        };
    }
}
