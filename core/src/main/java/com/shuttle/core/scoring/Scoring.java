package com.shuttle.core.scoring;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Case;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.Scorecard.Group;
import com.shuttle.core.reading.Value;
import com.shuttle.core.scoring.Scored.Cut;
import com.shuttle.core.scoring.Scored.Line;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A scorecard made ready to be counted. The sum is that of its groups, each of which is the sum of its criteria but no more than
 * its most; a criterion gives the points of its first case that holds, those for the unknown where nothing is known, and none
 * where no case holds. It depends on what is known and on nothing else, so that the order in which something became known does
 * not count. Comparisons are made ready once: a count needs no parsing. Immutable and thread-safe.
 */
public final class Scoring {

    private record Ready(Criterion criterion, List<Held> cases) {}

    private record Held(Case by, Predicate<Value> holds) {}

    private record Party(Group group, List<Ready> criteria) {}

    private final Scorecard card;
    private final List<Party> parties;

    private Scoring(Scorecard card) {
        this.card = card;
        this.parties = card.groups().stream()
                .map(group -> new Party(
                        group,
                        group.criteria().stream()
                                .map(one -> new Ready(
                                        one,
                                        one.cases().stream()
                                                .map(by -> new Held(by, test(by)))
                                                .toList()))
                                .toList()))
                .toList();
    }

    public static Scoring of(Scorecard card) {
        return new Scoring(card);
    }

    public Scorecard card() {
        return card;
    }

    /** @param known what a criterion is about to its value; null for what is not known or cannot be computed */
    public Scored score(Function<Criterion, @Nullable Value> known) {
        List<Line> lines = new ArrayList<>();
        List<Cut> cuts = new ArrayList<>();
        int sum = 0;
        for (Party party : parties) {
            int of = 0;
            for (Ready ready : party.criteria()) {
                Line line = line(ready, known.apply(ready.criterion()));
                lines.add(line);
                of += line.points();
            }
            Integer most = party.group().most();
            if (most != null && of > most) {
                cuts.add(new Cut(party.group(), most - of));
                of = most;
            }
            sum += of;
        }
        return new Scored(sum, card.band(sum).orElse(null), lines, cuts);
    }

    private static Line line(Ready ready, @Nullable Value value) {
        if (value == null || value instanceof Value.Secret) {
            return new Line(ready.criterion(), null, null, ready.criterion().unknown());
        }
        for (Held held : ready.cases()) {
            if (held.holds().test(value)) {
                return new Line(ready.criterion(), held.by(), value, held.by().points());
            }
        }
        return new Line(ready.criterion(), null, value, 0);
    }

    /** What a case tests; one whose value cannot be read holds never. */
    private static Predicate<Value> test(Case by) {
        return switch (by.is()) {
            case MORE -> ordered(by.value(), order -> order > 0);
            case AT_LEAST -> ordered(by.value(), order -> order >= 0);
            case AT_MOST -> ordered(by.value(), order -> order <= 0);
            case LESS -> ordered(by.value(), order -> order < 0);
            case WITHIN -> ordered(by.value(), order -> order >= 0).and(ordered(by.to(), order -> order <= 0));
            case SAME -> same(by.value());
            case ONE_OF -> oneOf(by.value());
            case HAS -> has(by.value());
            case YES -> value -> value instanceof Value.YesNo(boolean yes) && yes;
            case NO -> value -> value instanceof Value.YesNo(boolean yes) && !yes;
            case KNOWN, ELSE -> value -> true;
        };
    }

    /** How a value stands to what is written; false where they cannot be compared. */
    private static Predicate<Value> ordered(String written, Predicate<Integer> order) {
        BigDecimal number = number(written);
        LocalDate day = parsed(written, LocalDate::parse);
        LocalTime time = parsed(written, LocalTime::parse);
        return value -> switch (value) {
            case Value.Numeric(BigDecimal is) -> number != null && order.test(is.compareTo(number));
            case Value.Money(BigDecimal is, String currency) -> number != null && order.test(is.compareTo(number));
            case Value.Many(List<String> items) ->
                number != null && order.test(BigDecimal.valueOf(items.size()).compareTo(number));
            case Value.Day(LocalDate is) -> day != null && order.test(is.compareTo(day));
            case Value.Moment moment ->
                day != null && order.test(moment.at().toLocalDate().compareTo(day));
            case Value.Clock(LocalTime is) -> time != null && order.test(is.compareTo(time));
            case Value.Text(String text) -> {
                BigDecimal is = number(text);
                yield number != null && is != null && order.test(is.compareTo(number));
            }
            case Value.YesNo yes -> false;
            case Value.File file -> false;
            case Value.Secret secret -> false;
        };
    }

    private static Predicate<Value> same(String written) {
        BigDecimal number = number(written);
        String text = plain(written);
        return value -> switch (value) {
            case Value.Numeric(BigDecimal is) -> number != null && is.compareTo(number) == 0;
            case Value.Money(BigDecimal is, String currency) -> number != null && is.compareTo(number) == 0;
            case Value.Many(List<String> items) ->
                items.stream().anyMatch(item -> plain(item).equals(text));
            case Value.Day(LocalDate is) -> is.toString().equals(text);
            case Value other -> plain(other.shown()).equals(text);
        };
    }

    private static Predicate<Value> oneOf(String written) {
        Set<String> set = Arrays.stream(written.split(","))
                .map(Scoring::plain)
                .filter(one -> !one.isEmpty())
                .collect(Collectors.toUnmodifiableSet());
        return value -> value instanceof Value.Many(List<String> items)
                ? items.stream().anyMatch(item -> set.contains(plain(item)))
                : set.contains(plain(value.shown()));
    }

    private static Predicate<Value> has(String written) {
        String part = plain(written);
        return value -> !part.isEmpty() && plain(value.shown()).contains(part);
    }

    static String plain(String text) {
        return text.strip().toLowerCase(Locale.ROOT);
    }

    /** A number as people write it, with separators of thousands or without; null for none. */
    static @Nullable BigDecimal number(String written) {
        String bare = written.strip();
        if (bare.isEmpty() || bare.length() > 20 || !isNumber(bare)) {
            return null;
        }
        return new BigDecimal(bare.replace(",", ""));
    }

    private static boolean isNumber(String text) {
        boolean digit = false;
        boolean point = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= '0' && c <= '9') {
                digit = true;
            } else if (c == '.' && !point) {
                point = true;
            } else if (!(c == ',' && digit && !point) && !(c == '-' && i == 0)) {
                return false;
            }
        }
        return digit && text.charAt(text.length() - 1) != '.' && text.charAt(text.length() - 1) != ',';
    }

    private static <T> @Nullable T parsed(String written, Function<String, T> parse) {
        try {
            return parse.apply(written.strip());
        } catch (DateTimeParseException none) {
            return null;
        }
    }
}
