package com.shuttle.core.listening;

import static java.nio.charset.StandardCharsets.UTF_8;
import static java.util.Objects.requireNonNull;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.UsualHours;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What is put in place of something known, in a message that says both and corrects: "not the hall, the barn", "you have Vault and
 * I chose Cove", "instead of 2 let's say 5". Which words stand between the two says nothing: the old value is found by itself, and
 * what else of its kind is said is the new one. Pure functions; only for messages that are known to correct something.
 */
public final class Exchange {

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}]++(?:['’.@:/-][\\p{L}\\p{N}]++)*+");

    /** Shorter words of a name are in many. */
    private static final int SHORTEST = 3;

    /** Days and hours are written in so many words. */
    private static final int LONGEST = 4;

    /** What is more than a name or a few words is no value in place of one. */
    private static final int MOST_WORDS = 5;

    private static final Set<String> AROUND = load();

    private Exchange() {}

    private static Set<String> load() {
        try (InputStream in = Exchange.class.getResourceAsStream("around-values.txt")) {
            return new String(requireNonNull(in).readAllBytes(), UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#"))
                    .flatMap(line -> List.of(line.split(" ")).stream())
                    .collect(Collectors.toUnmodifiableSet());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * What a message exchanges.
     *
     * @param known what is known, the latest first; of several that are named the first that something else is said for
     */
    public static Optional<Repair> read(String text, List<Known> known, Context context) {
        List<Span> words = words(text);
        for (Known one : known) {
            List<Span> old = said(text, words, one, context);
            Value renamed = renamed(text, old, one, context);
            if (renamed != null) {
                return Optional.of(new Repair(one.slot().name(), renamed, Repair.DENIED));
            }
            Value after = old.isEmpty() ? null : other(Span.without(text, old), one, context);
            if (after != null && !after.equals(one.value())) {
                Value whole = Completing.inPlaceOf(text, one.value(), after, context);
                return Optional.of(new Repair(one.slot().name(), whole, Repair.DENIED));
            }
        }
        return Optional.empty();
    }

    /**
     * What a message that corrects says in place of a name or words given just before: "sorry, it's Stella". The message is nothing
     * but that.
     */
    public static Optional<Repair> ofLatest(String text, Known latest, Context context) {
        String words = isCalled(latest.slot().type()) ? content(text) : "";
        List<String> before = Words.of(latest.value().shown());
        return !words.isEmpty()
                        && !before.containsAll(Words.of(words))
                        && Reader.reply(latest.slot().type(), words, context)
                                instanceof Reading.Given(Value value, int s, int e)
                        && !value.equals(latest.value())
                ? Optional.of(new Repair(latest.slot().name(), value, Repair.DENIED))
                : Optional.empty();
    }

    /** Whether a message says anything but words that stand around values. */
    public static boolean says(String text) {
        return words(text).stream().anyMatch(word -> !isAround(text.substring(word.start(), word.end())));
    }

    private static boolean isAround(String word) {
        return AROUND.contains(Words.fold(word).replace('’', '\''));
    }

    /** Whether values of a type are names, or a few words. */
    private static boolean isCalled(ValueType type) {
        return switch (type) {
            case TEXT, PERSON_NAME, PLACE, COMPANY -> true;
            default -> false;
        };
    }

    /** A name of which a word stays: "sorry, Nether Marsh" after "Upper Marsh"; null where that is not what is said. */
    private static @Nullable Value renamed(String text, List<Span> old, Known one, Context context) {
        String words = old.isEmpty() || !isCalled(one.slot().type()) ? "" : content(text);
        List<String> before = Words.of(one.value().shown());
        List<String> after = Words.of(words);
        boolean stays = after.stream().anyMatch(before::contains) && !before.containsAll(after);
        return stays
                        && Reader.reply(one.slot().type(), words, context)
                                instanceof Reading.Given(Value value, int s, int e)
                ? value
                : null;
    }

    private static List<Span> words(String text) {
        List<Span> words = new ArrayList<>();
        Matcher word = WORD.matcher(text);
        while (word.find()) {
            words.add(new Span(word.start(), word.end()));
        }
        return words;
    }

    /** Where the known value is said, wholly or by a word of it that tells. */
    private static List<Span> said(String text, List<Span> words, Known one, Context context) {
        return switch (one.slot().type()) {
            case MULTI_CHOICE, YES_NO, LONG_TEXT, SECRET, FILE, RATING -> List.of();
            case NUMBER, MONEY, DATE, TIME, DATE_TIME -> read(text, words, one, context);
            default -> named(text, words, one.value().shown());
        };
    }

    private static List<Span> named(String text, List<Span> words, String value) {
        Set<String> parts = Words.of(value).stream()
                .filter(part -> part.length() >= SHORTEST && !AROUND.contains(part))
                .collect(Collectors.toSet());
        return words.stream()
                .filter(span -> {
                    List<String> said = Words.of(text.substring(span.start(), span.end()));
                    return said.stream().anyMatch(word -> parts.stream().anyMatch(part -> alike(part, word)));
                })
                .toList();
    }

    /** Whether two words are one but for a slip or an ending. */
    private static boolean alike(String part, String word) {
        return part.equals(word)
                || part.length() > SHORTEST && word.length() > SHORTEST && (part + "s").equals(word)
                || Words.slips(part) > 0
                        && part.length() == word.length()
                        && part.charAt(0) == word.charAt(0)
                        && Words.distance(part, word, 1) <= 1;
    }

    /** The shortest stretches that the reader of its kind reads as the value, or as the same day of a month or a week. */
    private static List<Span> read(String text, List<Span> words, Known one, Context context) {
        for (int length = 1; length <= LONGEST; length++) {
            for (int i = 0; i + length <= words.size(); i++) {
                Span span =
                        new Span(words.get(i).start(), words.get(i + length - 1).end());
                String said = text.substring(span.start(), span.end());
                if (Reader.reply(one.slot().type(), said, context) instanceof Reading.Given(Value value, int s, int e)
                        && e - s == said.length()
                        && isOf(one.value(), value, said)) {
                    return List.of(span);
                }
            }
        }
        return List.of();
    }

    private static boolean isOf(Value known, Value said, String words) {
        if (known instanceof Value.Day(LocalDate day) && said instanceof Value.Day(LocalDate other)) {
            String weekday = day.getDayOfWeek()
                    .getDisplayName(TextStyle.FULL, Locale.ENGLISH)
                    .toLowerCase(Locale.ROOT);
            return day.getDayOfMonth() == other.getDayOfMonth()
                    || Words.normal(words).equals(weekday);
        }
        return known.equals(said);
    }

    /** What else of its kind is said. */
    private static @Nullable Value other(String rest, Known one, Context context) {
        return switch (one.slot().type()) {
            case CHOICE -> option(rest, one, context);
            case NUMBER, MONEY, DATE, TIME, DATE_TIME, EMAIL, PHONE, URL ->
                UsualHours.of(Reader.reply(one.slot().type(), Marks.of(rest).rest(), context))
                                instanceof Reading.Given(Value value, int start, int end)
                        ? value
                        : null;
            default -> {
                String words = content(rest);
                yield words.isEmpty()
                        ? null
                        : Reader.reply(one.slot().type(), words, context)
                                        instanceof Reading.Given(Value value, int s, int e)
                                ? value
                                : null;
            }
        };
    }

    private static @Nullable Value option(String rest, Known one, Context context) {
        List<Option> others = one.slot().options().stream()
                .filter(option -> !option.label().equals(one.value().shown()))
                .toList();
        String words = content(rest);
        return !words.isEmpty()
                        && OptionMatcher.match(words, others, context, Meaning.NONE)
                                instanceof OptionMatcher.Match.One(Option option, String by)
                ? new Value.Text(option.label())
                : null;
    }

    /** The longest run of words that are not only around a value, the last of several; empty where that is no value. */
    private static String content(String rest) {
        List<Span> best = List.of();
        List<Span> run = new ArrayList<>();
        for (Span word : words(rest)) {
            if (!run.isEmpty() && isParted(rest, run.getLast(), word)) {
                run = new ArrayList<>();
            }
            if (isAround(rest.substring(word.start(), word.end()))) {
                run = new ArrayList<>();
            } else {
                run.add(word);
                best = run.size() >= best.size() ? run : best;
            }
        }
        return best.isEmpty() || best.size() > MOST_WORDS
                ? ""
                : rest.substring(best.getFirst().start(), best.getLast().end());
    }

    private static boolean isParted(String text, Span before, Span after) {
        return text.substring(before.end(), after.start()).chars().anyMatch(c -> ",.;:!?".indexOf(c) >= 0);
    }
}
