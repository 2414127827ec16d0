package com.shuttle.core.reading;

import static java.util.Objects.requireNonNull;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Wishes for a time against a list of wordings, every second of which was never looked at while the reader was written. */
class WishReaderTest {

    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 10, 9, 15);
    private static final Context CONTEXT = new Context("GB", NOW);
    private static final List<LocalDateTime> SLOTS = LocalDate.of(2026, 3, 10)
            .datesUntil(LocalDate.of(2026, 4, 26))
            .filter(day -> day.getDayOfWeek() != DayOfWeek.SUNDAY)
            .flatMap(day -> Stream.of("09:00", "11:30", "14:00", "16:30", "18:30")
                    .map(time -> day.atTime(LocalTime.parse(time))))
            .filter(NOW::isBefore)
            .toList();

    /** A wording with the sets of slots that would be right; none where it is no wish that can be met. */
    private record Wording(String text, List<List<LocalDateTime>> right) {
        boolean readRight() {
            List<LocalDateTime> fits = taken(text);
            return right.isEmpty() ? fits.isEmpty() : right.contains(fits);
        }
    }

    private static List<LocalDateTime> taken(String text) {
        return WishReader.read(text, CONTEXT).map(wish -> wish.fits(SLOTS)).orElse(List.of());
    }

    private static List<Wording> wordings() {
        try (InputStream in = requireNonNull(WishReaderTest.class.getResourceAsStream("wishes.txt"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#"))
                    .map(line -> line.split(" = ", 2))
                    .map(parts -> new Wording(
                            parts[0],
                            parts[1].equals("none")
                                    ? List.of()
                                    : Arrays.stream(parts[1].split(" / "))
                                            .map(WishReaderTest::slots)
                                            .toList()))
                    .toList();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The slots that all terms take, of several such lists joined by a plus. */
    private static List<LocalDateTime> slots(String terms) {
        TreeSet<LocalDateTime> all = new TreeSet<>();
        for (String part : terms.split(" \\+ ")) {
            boolean turned = part.startsWith("not(");
            String inner = turned ? part.substring(4, part.length() - 1) : part;
            List<LocalDateTime> found = SLOTS;
            for (String term : inner.split(" ")) {
                found = switch (term) {
                    case "all" -> found;
                    case "first" -> found.subList(0, 1);
                    case "last" -> found.subList(found.size() - 1, found.size());
                    default -> found.stream().filter(term(term)).toList();
                };
            }
            List<LocalDateTime> kept = found;
            all.addAll(
                    turned ? SLOTS.stream().filter(slot -> !kept.contains(slot)).toList() : found);
        }
        return List.copyOf(all);
    }

    private static Predicate<LocalDateTime> term(String term) {
        boolean not = term.startsWith("-");
        String plain = not ? term.substring(1) : term;
        Predicate<LocalDateTime> any = Arrays.stream(plain.substring(2).split(","))
                .map(one -> one(plain.charAt(0), one))
                .reduce(slot -> false, Predicate::or);
        return not ? any.negate() : any;
    }

    private static Predicate<LocalDateTime> one(char kind, String range) {
        if (kind == 'w') {
            return slot -> slot.getDayOfWeek().name().toLowerCase().startsWith(range);
        }
        int dash = range.indexOf('-');
        String from = dash < 0 ? range : range.substring(0, dash);
        String to = dash < 0 ? range : range.substring(dash + 1);
        int least = from.isEmpty() ? 0 : Integer.parseInt(from);
        int most = to.isEmpty() ? 9999 : Integer.parseInt(to);
        return slot -> {
            int figure = kind == 'd'
                    ? slot.getMonthValue() * 100 + slot.getDayOfMonth()
                    : slot.getHour() * 100 + slot.getMinute();
            return figure >= least && figure <= most;
        };
    }

    private static List<Wording> half(int which) {
        List<Wording> all = wordings();
        return IntStream.range(0, all.size())
                .filter(i -> i % 2 == which)
                .mapToObj(all::get)
                .toList();
    }

    @Test
    void wordingsThatAreKnownAreReadRight() {
        List<String> wrong = new ArrayList<>();
        half(0).stream()
                .filter(wording -> !wording.readRight())
                .forEach(wording -> wrong.add(wording.text() + " -> " + told(wording.text())));
        assertThat(wrong).hasSizeLessThanOrEqualTo(1);
    }

    private static String told(String text) {
        return WishReader.read(text, CONTEXT) + " "
                + taken(text).stream().limit(4).toList();
    }

    @Test
    void nineInTenThatAreHeldOutAreReadRight() {
        List<Wording> held = half(1);
        long right = held.stream().filter(Wording::readRight).count();
        assertThat(right).isGreaterThanOrEqualTo(held.size() * 9 / 10);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", " ", ",", "not", "between and", "or or or", "before", "the week after", "next", "\uD83D", "0"
            })
    void nothingIsNoWish(String text) {
        assertThat(taken(text)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "sometime next week in the afternoon | 16 to 22 March, 12:00 to 18:00",
                "not mondays | not Mondays",
                "as soon as possible after the 18th | from 19 March, the earliest",
                "thursday at two | Thursday 12 March, 14:00",
                "saturday mornings or tomorrow after 4 | Saturdays, before 12:00 or Wednesday 11 March, from 16:00",
                "I don't mind | any time"
            })
    void aWishIsSaidBackInWords(String text, String told) {
        assertThat(WishReader.read(text, CONTEXT).map(wish -> WishTold.told(wish, NOW.toLocalDate())))
                .hasValue(told);
    }

    @Test
    void noMomentsFitWhereThereAreNone() {
        assertThat(Wish.ANY.fits(List.of())).isEmpty();
        assertThat(new Wish(List.of(), List.of(), Wish.Pick.LAST).fits(List.of()))
                .isEmpty();
    }
}
