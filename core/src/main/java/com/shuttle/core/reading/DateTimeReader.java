package com.shuttle.core.reading;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds a day with a time of day: each as its own reader finds it, joined; both must be said. */
final class DateTimeReader {

    private static final Pattern ISO = Pattern.compile("\\b\\d{4}-\\d\\d-\\d\\d[Tt ]\\d\\d:\\d\\d(?::\\d\\d)?");

    /** Among more numbers than this none is an hour alone. */
    private static final int MOST_NUMBERS = 6;

    private DateTimeReader() {}

    static Reading read(String text, Context context) {
        return Settling.reading(text, find(Tokens.of(text), context, true));
    }

    /** @param bare whether an hour alone counts beside a day ("Friday, 8") */
    static List<Mention> find(Tokens tokens, Context context, boolean bare) {
        String text = tokens.text();
        Matcher iso = ISO.matcher(text);
        if (iso.find()) {
            try {
                String form = iso.group().toUpperCase(java.util.Locale.ROOT).replace(' ', 'T');
                return List.of(Mention.of(new Value.Moment(LocalDateTime.parse(form)), iso.start(), iso.end()));
            } catch (DateTimeParseException e) {
                return List.of(new Mention(List.of(), false, iso.start(), iso.end()));
            }
        }
        LocalDateTime soon = SoonReader.find(tokens, context);
        if (soon != null) {
            return List.of(Mention.of(new Value.Moment(soon.truncatedTo(ChronoUnit.MINUTES)), 0, text.length()));
        }
        List<Mention> days = Settling.standing(text, DateReader.find(tokens, context, false));
        List<Mention> times = apart(TimeReader.find(tokens, context, false), days);
        if (times.isEmpty() && bare) {
            times = loneHour(tokens, context, days);
        }
        times = Settling.standing(text, times);
        if (days.isEmpty() || times.isEmpty()) {
            return List.of();
        }
        boolean range = days.stream().anyMatch(Mention::range) || times.stream().anyMatch(Mention::range);
        Set<Value> moments = new LinkedHashSet<>();
        for (Mention day : days.subList(0, Math.min(days.size(), Mention.MOST))) {
            for (Value date : day.values()) {
                for (Mention time : times.subList(0, Math.min(times.size(), Mention.MOST))) {
                    for (Value clock : time.values()) {
                        LocalDate on = ((Value.Day) date).date();
                        LocalTime at = ((Value.Clock) clock).time();
                        moments.add(new Value.Moment(on.atTime(at)));
                    }
                }
            }
        }
        if (days.size() == 1 && moments.size() > 1) {
            moments.removeIf(moment -> ((Value.Moment) moment).at().isBefore(context.now()));
        }
        int start = Math.min(days.getFirst().start(), times.getFirst().start());
        int end = Math.max(days.getLast().end(), times.getLast().end());
        return List.of(new Mention(new ArrayList<>(moments), range, start, end));
    }

    static List<Mention> apart(List<Mention> mentions, List<Mention> from) {
        return mentions.stream()
                .filter(m -> from.stream().noneMatch(other -> m.start() < other.end() && other.start() < m.end()))
                .toList();
    }

    /** "22nd march 6": the only number beside the day. */
    private static List<Mention> loneHour(Tokens tokens, Context context, List<Mention> days) {
        List<Mention> hours = new ArrayList<>();
        List<Mention> numbers = apart(NumberReader.find(tokens, context), days);
        for (Mention number : numbers.size() > MOST_NUMBERS ? List.<Mention>of() : numbers) {
            if (number.clear()
                    && number.values().getFirst() instanceof Value.Numeric(java.math.BigDecimal value)
                    && value.scale() <= 0
                    && value.signum() >= 0
                    && value.intValue() < 24) {
                List<Mention> read = TimeReader.find(
                        Tokens.of("at "
                                + tokens.text()
                                        .substring(number.start(), tokens.text().length())),
                        context,
                        true);
                if (!read.isEmpty()) {
                    hours.add(new Mention(read.getFirst().values(), false, number.start(), number.end()));
                }
            }
        }
        return hours.size() == 1 ? hours : List.of();
    }
}
