package com.shuttle.core.reading;

import com.shuttle.core.reading.Wish.Days;
import com.shuttle.core.reading.Wish.Hours;
import com.shuttle.core.reading.Wish.Window;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** Says a wish back in words: "16 to 22 March, 12:00 to 18:00". Pure functions. */
public final class WishTold {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("d MMMM", Locale.ENGLISH);
    /** Of an hour without a half of the day, what is before this is not told. */
    private static final LocalTime DAWN = LocalTime.of(7, 0);

    private static final int FOR_EVER = 9000;

    private WishTold() {}

    /** @param today days before it need not be told */
    public static String told(Wish wish, LocalDate today) {
        List<String> said = new ArrayList<>();
        String any = joined(wish.any(), today, " or ");
        String not = joined(wish.not(), today, " nor ");
        said.add(any.isEmpty() && not.isEmpty() ? "any time" : any);
        said.add(not.isEmpty() ? "" : "not " + not);
        said.add(
                switch (wish.pick()) {
                    case ALL -> "";
                    case FIRST -> "the earliest";
                    case LAST -> "the latest";
                });
        if (wish.pick() != Wish.Pick.ALL && any.isEmpty()) {
            said.removeFirst();
        }
        return said.stream().filter(one -> !one.isEmpty()).collect(Collectors.joining(", "));
    }

    private static String joined(List<Window> windows, LocalDate today, String joint) {
        return windows.stream().map(window -> window(window, today)).distinct().collect(Collectors.joining(joint));
    }

    private static String window(Window window, LocalDate today) {
        List<String> said = new ArrayList<>();
        if (!window.weekdays().isEmpty()) {
            said.add(weekdays(window));
        }
        if (!window.days().isEmpty()) {
            said.add(window.days().stream().map(days -> days(days, today)).collect(Collectors.joining(" or ")));
        }
        if (!window.hours().isEmpty()) {
            said.add(window.hours().stream()
                    .filter(hours -> window.hours().size() == 1 || !hours.to().isBefore(DAWN))
                    .map(WishTold::hours)
                    .distinct()
                    .collect(Collectors.joining(" or ")));
        }
        return said.isEmpty() ? "any time" : String.join(", ", said);
    }

    private static String weekdays(Window window) {
        return window.weekdays().stream().sorted().map(WishTold::plural).collect(Collectors.joining(" and "));
    }

    private static String plural(DayOfWeek day) {
        return day.getDisplayName(TextStyle.FULL, Locale.ENGLISH) + "s";
    }

    private static String days(Days days, LocalDate today) {
        if (days.from().isAfter(days.to())) {
            return "no day";
        }
        if (days.from().equals(days.to())) {
            return days.from().format(DAY);
        }
        if (days.to().getYear() > FOR_EVER) {
            return "from " + days.from().format(SHORT);
        }
        if (!days.from().isAfter(today)) {
            return "until " + days.to().format(SHORT);
        }
        boolean oneMonth = days.from().getMonth() == days.to().getMonth();
        return (oneMonth
                        ? Integer.toString(days.from().getDayOfMonth())
                        : days.from().format(SHORT)) + " to " + days.to().format(SHORT);
    }

    private static String hours(Hours hours) {
        if (hours.from().isAfter(hours.to())) {
            return "at no time";
        }
        if (hours.from().equals(hours.to())) {
            return hours.from().toString();
        }
        boolean starts = hours.from().equals(WishTimes.START);
        boolean ends = hours.to().equals(WishTimes.END);
        LocalTime end = hours.to().getMinute() % 10 == 9 ? hours.to().plusMinutes(1) : hours.to();
        return starts && ends
                ? "any time of day"
                : starts ? "before " + end : ends ? "from " + hours.from() : hours.from() + " to " + end;
    }
}
