package com.shuttle.core.reading;

import com.shuttle.core.reading.Numerals.Parsed;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Finds numbers: as {@link Numerals} reads them, but not those that belong to a date, a time of day or an amount of
 * money. "10 to 12" and "ten or twelve" are ranges. Companies of people count too: "just me and my wife" is 2.
 */
final class NumberReader {

    private static final Set<String> ORDINALS = Set.of("st", "nd", "rd", "th");
    private static final Set<String> HALVES_OF_DAY = Set.of("am", "pm", "a.m", "p.m", "o'clock");
    private static final Set<String> WHEN = Set.of(
            "am",
            "pm",
            "o'clock",
            "oclock",
            "half",
            "quarter",
            "past",
            "at",
            "/",
            "-",
            "in",
            "day",
            "days",
            "week",
            "weeks",
            "month",
            "months",
            "morning",
            "afternoon",
            "evening",
            "night",
            "tonight",
            "tomorrow",
            "today",
            "noon",
            "midnight");
    private static final BigDecimal MILLION = BigDecimal.valueOf(1_000_000);
    private static final Set<String> TO = Set.of("to", "or", "-", "–", "—", "till", "and");
    static final Set<String> PEOPLE = Set.of(
            "adult",
            "adults",
            "child",
            "children",
            "kid",
            "kids",
            "grown-ups",
            "grownups",
            "grown",
            "baby",
            "babies",
            "toddler",
            "toddlers",
            "teenager",
            "teenagers",
            "teen",
            "teens",
            "pupil",
            "pupils",
            "student",
            "students",
            "teacher",
            "teachers",
            "friend",
            "friends",
            "infant",
            "infants",
            "senior",
            "seniors",
            "son",
            "sons",
            "daughter",
            "daughters",
            "staff",
            "guest",
            "guests",
            "people",
            "persons",
            "helper",
            "helpers",
            "grandchildren");
    private static final Pattern ALONE = Pattern.compile(
            "^\\W*(?:it'?s |it is |it'?ll be |there'?s |there is )?(?:just|only)? ?(?:me|myself|one person|me myself)(?: alone| only| on my own| by myself|,? just me)?\\W*$"
                    + "|\\b(?:just|only) (?:me|myself)\\b|\\bon my own\\b|\\b(?:by|for) myself\\b|\\bi'?m (?:coming )?alone\\b",
            Pattern.CASE_INSENSITIVE);
    private static final Finder BOTH = Finder.of("\\bboth of us\\b|\\bthe pair of us\\b");
    private static final Pattern NOBODY = Pattern.compile(
            "^\\W*(?:none|nobody|no ?one|nothing|none at all|no \\w+|zilch|nada)\\W*$", Pattern.CASE_INSENSITIVE);

    private NumberReader() {}

    private static final Finder CLOCK = Finder.of(
            "\\d\\s?(?:[ap]\\.?m\\b|:\\d|h\\b|\\.\\d\\d)|o'?clock|\\b(?:past|quarter|half|noon|midday|midnight|morning|afternoon|evening|at)\\b");

    static Reading read(String text, Context context) {
        Tokens tokens = Tokens.of(text);
        List<Mention> found = find(tokens, context);
        if (!found.isEmpty() && mayTellWhen(tokens)) {
            found = DateTimeReader.apart(found, DateReader.find(tokens, context, false));
            List<Mention> timeless = DateTimeReader.apart(found, TimeReader.find(tokens, context, false));
            // "About 4" may be a time, but is a number where one is asked for.
            found = timeless.isEmpty() && found.size() == 1 && !CLOCK.in(text) ? found : timeless;
        }
        if (found.size() > 1) {
            List<Mention> uncounted = DateTimeReader.apart(found, MoneyReader.find(tokens, context, false));
            found = uncounted.isEmpty() ? found : uncounted;
        }
        Mention company = company(text, found);
        if (company != null) {
            return Settling.reading(text, List.of(company));
        }
        if (found.isEmpty()
                && NOBODY.matcher(text).matches()
                && !Regex.matches(text.strip(), "(?i)no|no (thanks?|idea|clue|way)\\W*")) {
            return new Reading.Given(Value.Numeric.of(0), 0, text.length());
        }
        return Settling.reading(text, found);
    }

    /** Whether a number may belong to a day or a time of day: looked at before the finders of those, which take longer. */
    static boolean mayTellWhen(Tokens tokens) {
        for (int i = 0; i < tokens.size(); i++) {
            boolean clock = tokens.at(i).figure() && tokens.word(i).indexOf(':') > 0;
            if (clock || tokens.is(i, WHEN) || tokens.at(i).letters() && CalendarWords.named(tokens.word(i))) {
                return true;
            }
        }
        return false;
    }

    /** All numbers, in their order. */
    private static final Set<String> TOLD_OF_ONE = WordLists.load("told-of-one.txt");

    static List<Mention> find(Tokens tokens, Context context) {
        List<Mention> found = new ArrayList<>();
        int i = 0;
        while (i < tokens.size()) {
            Parsed parsed = taken(tokens, i, context);
            if (parsed == null) {
                i++;
                continue;
            }
            int next = parsed.next();
            Parsed other =
                    tokens.is(next, TO) && !tokens.follows(next, "and", "a") ? taken(tokens, next + 1, context) : null;
            boolean between = tokens.is(i - 1, "between");
            if (other != null && (!tokens.is(next, "and") || between)) {
                found.add(Mention.range(
                        new Value.Numeric(scaledLike(parsed, other, tokens)),
                        new Value.Numeric(other.value()),
                        tokens.start(i),
                        tokens.endBefore(other.next())));
                i = other.next();
            } else {
                found.add(Mention.of(new Value.Numeric(parsed.value()), tokens.start(i), tokens.endBefore(next)));
                i = next;
            }
        }
        return found;
    }

    private static @Nullable Parsed taken(Tokens tokens, int i, Context context) {
        Parsed parsed = Numerals.at(tokens, i, context);
        if (parsed == null) {
            return null;
        }
        boolean figure = tokens.at(i).figure();
        int next = parsed.next();
        boolean ordinal = figure && tokens.touches(next - 1) && tokens.is(next, ORDINALS);
        boolean hour = tokens.is(next, HALVES_OF_DAY)
                || (tokens.is(next, "a") || tokens.is(next, "p"))
                        && tokens.is(next + 1, ".")
                        && tokens.is(next + 2, "m");
        boolean inCode = figure
                && tokens.touches(i - 1)
                && tokens.is(i - 1, "-")
                && tokens.touches(i - 2)
                && tokens.at(i - 2).letters();
        boolean stuck = inCode
                || figure && tokens.touches(i - 1) && tokens.at(i - 1).letters()
                || figure
                        && tokens.touches(next - 1)
                        && tokens.at(next).letters()
                        && tokens.word(next).length() > 3;
        boolean long_ = figure && tokens.at(i).word().length() > 15;
        boolean noun = !figure && tokens.is(i, "one") && next == i + 1 && (wordOne(tokens, i) || ofOne(tokens, i));
        boolean metres = figure && next > i + 1 && tokens.is(next - 1, "m") && tokens.touches(next - 2);
        return ordinal || hour || stuck || long_ || noun
                ? null
                // "3m" counts metres or minutes; millions of pounds are told by their sign.
                : metres ? new Parsed(parsed.value().divide(MILLION), next) : parsed;
    }

    /** "this one", "one of us", "no one" name no number. */
    private static boolean wordOne(Tokens tokens, int i) {
        return tokens.is(i + 1, "of")
                || tokens.is(
                        i - 1,
                        Set.of("this", "that", "the", "no", "which", "any", "every", "each", "some", "my", "last"))
                // "a red one"
                || tokens.at(i - 1).letters() && tokens.is(i - 2, Set.of("a", "an", "the", "another"));
    }

    /** "One child has an allergy" tells something of one, and counts none. */
    private static boolean ofOne(Tokens tokens, int i) {
        return tokens.at(i + 1).letters() && tokens.is(i + 2, TOLD_OF_ONE);
    }

    private static BigDecimal scaledLike(Parsed from, Parsed to, Tokens tokens) {
        return Numerals.scaledLike(from.value(), from.next() - 1, to.value(), to.next() - 1, tokens);
    }

    private static @Nullable Mention company(String text, List<Mention> found) {
        if (BOTH.in(text)) {
            return Mention.of(Value.Numeric.of(2), 0, text.length());
        }
        Optional<HeadCounts.Heads> heads = HeadCounts.sum(text);
        if (heads.isPresent()) {
            HeadCounts.Heads sum = heads.get();
            boolean otherNumbers =
                    found.stream().anyMatch(mention -> mention.end() <= sum.start() || mention.start() >= sum.end());
            return otherNumbers ? null : Mention.of(Value.Numeric.of(sum.count()), sum.start(), sum.end());
        }
        return found.isEmpty() && ALONE.matcher(text).find() ? Mention.of(Value.Numeric.of(1), 0, text.length()) : null;
    }
}
