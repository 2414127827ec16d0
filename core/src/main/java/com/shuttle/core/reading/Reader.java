package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a message for a value of one type. Messages are expected cleaned by {@link Words#clean}; places in
 * readings are those in {@link Words#readable} of them. Thread-safe; holds no state.
 */
public final class Reader {

    /** A text of more words is no name of anything. */
    private static final int MOST_NAMING = 4;

    private static final Pattern LEADING = Pattern.compile(
            "^\\s*(?:(?:well|oh|so|um+|er+m?|erm)[,\\s]+)?"
                    + "(?:it['’]?s|it is|they['’]?re|they are|that['’]?s|this is|mine['’]?s|mine is|i['’]?ve(?: got)?|i have(?: got)?|i own)\\s+"
                    + "(?:(?:an?|called|named)\\s+|(?=\\S*\\d))",
            Pattern.CASE_INSENSITIVE);

    /** Words that only say how sure somebody is of what they name. */
    private static final Pattern HEDGE = Pattern.compile(
            "(?<![\\s,])[\\s,]++(?:" + String.join("|", WordLists.phrases("hedges.txt")) + ")\\W*+$",
            Pattern.CASE_INSENSITIVE);

    private Reader() {}

    /** Reads {@code text} as the reply to a question for a value of {@code type} that needs no options. */
    public static Reading reply(ValueType type, String text, Context context) {
        return reply(type, text, context, List.of(), Meaning.NONE);
    }

    /**
     * Reads {@code text} as the reply to a question for a value of {@code type}. A choice's value is the label of the
     * option.
     *
     * @param options to choose from; empty for the types that have none
     */
    public static Reading reply(ValueType type, String text, Context context, List<Option> options, Meaning meaning) {
        if (text.isBlank()) {
            return Reading.NOTHING;
        }
        String read = Words.readable(text);
        boolean whole = type.free() || type == ValueType.SECRET;
        String looked = whole ? text : InQuestions.without(read, type);
        if (byName(type) && (PlainReply.matches(read) || CalendarWords.weekday(Words.normal(read)) != null)) {
            return Attitude.of(read);
        }
        Reading found = found(type, looked, context, options, meaning).within(looked.length());
        if (type.free()) {
            return found;
        }
        if (found instanceof Reading.Given || found instanceof Reading.Unclear) {
            return found;
        }
        return Attitude.of(read);
    }

    /** A message without the amounts that are marked as money: as long as it was. */
    public static String withoutMoney(String text, Context context) {
        StringBuilder rest = new StringBuilder(text);
        for (Mention amount : MoneyReader.find(Tokens.of(text), context, false)) {
            rest.replace(amount.start(), amount.end(), Words.gap(amount.end() - amount.start()));
        }
        return rest.toString();
    }

    private static boolean byName(ValueType type) {
        return type == ValueType.PERSON_NAME || type == ValueType.COMPANY || type == ValueType.PLACE;
    }

    private static Reading found(ValueType type, String text, Context context, List<Option> options, Meaning meaning) {
        return switch (type) {
            case TEXT, LONG_TEXT, SECRET -> {
                Reading attitude = Attitude.of(Words.readable(text));
                String said = type == ValueType.TEXT ? named(text) : text;
                yield attitude instanceof Reading.Nothing || type == ValueType.LONG_TEXT && text.length() > 80
                        ? new Reading.Given(new Value.Text(said), 0, text.length())
                        : attitude;
            }
            case PERSON_NAME -> personName(text);
            case COMPANY -> Attitude.of(text) instanceof Reading.Nothing ? CompanyReader.bare(text) : Reading.NOTHING;
            case EMAIL -> EmailReader.read(text);
            case PHONE -> PhoneReader.read(text, context);
            case NUMBER, RATING, SLIDER -> NumberReader.read(text, context);
            case MONEY -> MoneyReader.read(text, context);
            case DATE -> DateReader.read(text, context);
            case TIME -> TimeReader.read(text, context);
            case DATE_TIME -> DateTimeReader.read(text, context);
            case URL -> UrlReader.read(text, context);
            case PLACE -> Attitude.of(text) instanceof Reading.Nothing ? PlaceReader.read(text) : Reading.NOTHING;
            case YES_NO -> YesNoReader.read(text);
            case CHOICE -> choice(text, context, options, meaning);
            case MULTI_CHOICE -> ManyReader.read(text, options, meaning);
            case FILE -> Reading.NOTHING;
        };
    }

    /** A short text without the words that only lead to what is named: "it's a Heron 130", "mine is called Bess". */
    private static String named(String text) {
        Matcher leading = LEADING.matcher(text);
        String led = leading.find() ? text.substring(leading.end()).strip() : text;
        String bare = HEDGE.matcher(led).replaceFirst("");
        return bare.isEmpty() || Regex.split(bare, "\\s+", MOST_NAMING + 1).length > MOST_NAMING ? text : bare;
    }

    private static Reading personName(String text) {
        Reading introduced = NameReader.introduced(text);
        if (introduced instanceof Reading.Given(Value value, int start, int end)) {
            // "It's Wren, Imogen Wren".
            Matcher whole = Pattern.compile("[,.] (\\p{Lu}[\\p{L}'-]{1,30} " + Pattern.quote(value.shown()) + ")\\b")
                    .matcher(text.substring(start));
            return whole.find()
                    ? new Reading.Given(new Value.Text(whole.group(1)), start + whole.start(1), start + whole.end(1))
                    : introduced;
        }
        return Attitude.of(text) instanceof Reading.Nothing ? NameReader.bare(text) : Reading.NOTHING;
    }

    private static Reading choice(String text, Context context, List<Option> options, Meaning meaning) {
        return switch (OptionMatcher.match(text, options, context, meaning)) {
            case OptionMatcher.Match.One(Option option, String by) ->
                new Reading.Given(new Value.Text(option.label()), 0, text.length());
            case OptionMatcher.Match.Several(List<Option> several) ->
                new Reading.Unclear(
                        several.stream()
                                .map(option -> (Value) new Value.Text(option.label()))
                                .toList(),
                        0,
                        text.length());
            case OptionMatcher.Match.None() -> Reading.NOTHING;
        };
    }
}
