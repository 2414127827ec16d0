package com.shuttle.core.reading;

import com.shuttle.core.reading.Numerals.Parsed;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Finds amounts of money: with a currency's sign, code or name, in slang ("a fiver", "two grand"), with pence. As the
 * reply to a question for money a bare number counts as the region's currency. A limit ("up to 400") is an amount, a
 * range is none.
 */
final class MoneyReader {

    private static final Map<String, String> SIGNS =
            Map.of("£", "GBP", "€", "EUR", "₹", "INR", "¥", "JPY", "₩", "KRW", "₺", "TRY");
    private static final Map<String, String> NAMES = Map.ofEntries(
            Map.entry("gbp", "GBP"),
            Map.entry("pound", "GBP"),
            Map.entry("pounds", "GBP"),
            Map.entry("quid", "GBP"),
            Map.entry("sterling", "GBP"),
            Map.entry("squid", "GBP"),
            Map.entry("eur", "EUR"),
            Map.entry("euro", "EUR"),
            Map.entry("euros", "EUR"),
            Map.entry("usd", "USD"),
            Map.entry("aud", "AUD"),
            Map.entry("cad", "CAD"),
            Map.entry("nzd", "NZD"),
            Map.entry("inr", "INR"),
            Map.entry("rs", "INR"),
            Map.entry("rupee", "INR"),
            Map.entry("rupees", "INR"),
            Map.entry("chf", "CHF"),
            Map.entry("franken", "CHF"),
            Map.entry("yen", "JPY"),
            Map.entry("jpy", "JPY"),
            Map.entry("sek", "SEK"),
            Map.entry("nok", "NOK"),
            Map.entry("dkk", "DKK"),
            Map.entry("pln", "PLN"),
            Map.entry("zloty", "PLN"));
    private static final Set<String> DOLLARS = Set.of("$", "dollar", "dollars", "buck", "bucks");
    private static final Set<String> DOLLAR_REGIONS = Set.of("AU", "CA", "NZ", "SG", "HK");
    private static final Set<String> HUNDREDTHS =
            Set.of("p", "pence", "penny", "pennies", "cent", "cents", "c", "paise");
    private static final Set<String> TO = Set.of("to", "or", "-", "–", "—", "till", "and");

    private MoneyReader() {}

    private record Amount(BigDecimal value, @Nullable String currency, int start, int next) {}

    static Reading read(String text, Context context) {
        Tokens tokens = Tokens.of(text);
        List<Mention> marked = find(tokens, context, false);
        if (!marked.isEmpty()) {
            return Settling.reading(text, marked);
        }
        List<Mention> found = find(tokens, context, true);
        if (!found.isEmpty() && NumberReader.mayTellWhen(tokens)) {
            // "Sunday the 17th" is no amount.
            List<Mention> days = DateReader.find(tokens, context, false).stream()
                    .filter(day ->
                            text.substring(day.start(), day.end()).chars().anyMatch(Character::isLetter))
                    .toList();
            found = DateTimeReader.apart(found, days);
        }
        return Settling.reading(text, found);
    }

    /** @param bare whether a number without a currency counts */
    static List<Mention> find(Tokens tokens, Context context, boolean bare) {
        List<Mention> found = new ArrayList<>();
        int i = 0;
        while (i < tokens.size()) {
            Amount amount = amount(tokens, i, context);
            if (amount == null) {
                i++;
                continue;
            }
            int next = amount.next();
            Amount other = tokens.is(next, TO) && (!tokens.is(next, "and") || tokens.is(i - 1, "between"))
                    ? amount(tokens, next + 1, context)
                    : null;
            if (other != null && (bare || amount.currency() != null || other.currency() != null)) {
                String currency = or(amount.currency(), or(other.currency(), context.currency()));
                found.add(Mention.range(
                        new Value.Money(scaledLike(amount, other, tokens), currency),
                        new Value.Money(other.value(), or(other.currency(), currency)),
                        tokens.start(i),
                        tokens.endBefore(other.next())));
                i = other.next();
            } else if (bare || amount.currency() != null) {
                found.add(Mention.of(
                        new Value.Money(amount.value(), or(amount.currency(), context.currency())),
                        tokens.start(i),
                        tokens.endBefore(next)));
                i = next;
            } else {
                i = Math.max(i + 1, next);
            }
        }
        return found;
    }

    private static BigDecimal scaledLike(Amount from, Amount to, Tokens tokens) {
        int last = to.next() - 1;
        boolean currency = NAMES.containsKey(tokens.word(last)) || DOLLARS.contains(tokens.word(last));
        return Numerals.scaledLike(from.value(), from.next() - 1, to.value(), currency ? last - 1 : last, tokens);
    }

    private static String or(@Nullable String currency, String other) {
        return currency == null ? other : currency;
    }

    private static @Nullable Amount amount(Tokens tokens, int i, Context context) {
        Amount slang = slang(tokens, i, context);
        if (slang != null) {
            return slang;
        }
        int at = i;
        String currency = null;
        if (tokens.is(at, "-") && !tokens.at(at + 1).figure()) {
            return null;
        }
        String before = currency(tokens, at, context);
        if (before != null) {
            currency = before;
            at += width(tokens, at);
            at = tokens.is(at, ".") ? at + 1 : at;
        }
        Parsed number = Numerals.at(tokens, at, context);
        if (number == null || number.value().precision() > 15 || number.value().signum() < 0) {
            return null;
        }
        int next = number.next();
        // No currency has three places: "1.200" is written as elsewhere.
        boolean elsewhere = Regex.matches(tokens.word(at), "\\d{1,3}\\.\\d{3}")
                && number.value().scale() == 3;
        BigDecimal value = elsewhere ? number.value().movePointRight(3) : number.value();
        if (tokens.is(next, Set.of("st", "nd", "rd", "th", "am", "pm", "%", "o'clock")) || tokens.is(next, "/")) {
            return null;
        }
        boolean hundredths = currency == null
                && tokens.is(next, HUNDREDTHS)
                && (tokens.word(next).length() > 1 || tokens.touches(next - 1));
        if (hundredths) {
            return new Amount(value.movePointLeft(2), centsOf(tokens.word(next), context), i, next + 1);
        }
        if (currency == null && tokens.is(next, NumberReader.PEOPLE)) {
            return null;
        }
        boolean grand = tokens.is(next - 1, "grand");
        if (currency == null) {
            String after = currency(tokens, next, context);
            if (after != null) {
                currency = after;
                next += width(tokens, next);
                next = tokens.is(next, "sterling") ? next + 1 : next;
                Parsed rest = Numerals.at(tokens, tokens.is(next, "and") ? next + 1 : next, context);
                if (rest != null
                        && rest.value().compareTo(BigDecimal.valueOf(100)) < 0
                        && rest.value().scale() <= 0
                        && (tokens.is(rest.next(), HUNDREDTHS)
                                || !tokens.is(next, "and") && !tokens.at(next).figure())) {
                    value = value.add(rest.value().movePointLeft(2));
                    next = tokens.is(rest.next(), HUNDREDTHS) ? rest.next() + 1 : rest.next();
                }
            } else if (grand) {
                currency = context.currency();
            }
        }
        return new Amount(value, currency, i, next);
    }

    private static @Nullable Amount slang(Tokens tokens, int i, Context context) {
        int at = tokens.is(i, "a") || tokens.is(i, "an") ? i + 1 : i;
        int value = switch (tokens.word(at)) {
            case "fiver" -> 5;
            case "tenner" -> 10;
            case "grand" -> 1000;
            default -> 0;
        };
        if (value == 0 || at == i && tokens.is(i, "grand")) {
            return null;
        }
        return new Amount(BigDecimal.valueOf(value), context.currency(), i, at + 1);
    }

    private static String centsOf(String word, Context context) {
        return word.startsWith("p")
                        && !word.equals("paise")
                        && !context.region().equals("US")
                ? "GBP"
                : context.currency();
    }

    private static @Nullable String currency(Tokens tokens, int i, Context context) {
        String word = tokens.word(i);
        if (SIGNS.containsKey(word)) {
            return SIGNS.get(word);
        }
        if (word.equals("swiss") && tokens.is(i + 1, Set.of("franc", "francs"))) {
            return "CHF";
        }
        if (word.equals("us") && tokens.is(i + 1, DOLLARS)) {
            return "USD";
        }
        if (word.equals("australian") && tokens.is(i + 1, DOLLARS)) {
            return "AUD";
        }
        if (word.equals("canadian") && tokens.is(i + 1, DOLLARS)) {
            return "CAD";
        }
        if (word.equals("a") && tokens.is(i + 1, "$") && tokens.touches(i)) {
            return "AUD";
        }
        if (DOLLARS.contains(word)) {
            return DOLLAR_REGIONS.contains(context.region()) ? context.currency() : "USD";
        }
        return NAMES.get(word);
    }

    private static int width(Tokens tokens, int i) {
        boolean two = tokens.is(i, Set.of("swiss", "us", "australian", "canadian", "a"));
        return two ? 2 : 1;
    }
}
