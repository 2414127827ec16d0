package com.shuttle.core.table;

import com.shuttle.core.flow.Media;
import com.shuttle.core.table.Column.Kind;
import java.math.BigDecimal;
import java.text.NumberFormat;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.ResolverStyle;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What stands in a cell: read from what people write, kept in one form, shown in another. Pure functions. */
public final class Cell {

    /** Longer texts are refused. */
    public static final int LONGEST = 2000;

    private static final Pattern FIGURE =
            Pattern.compile("([£$€]?)\\s*(-?\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?|-?\\d+(?:\\.\\d+)?)\\s*(.*)");
    private static final Pattern TIME = Pattern.compile("(?i)(\\d{1,2})(?:[:.](\\d\\d))?(?::\\d\\d)?\\s*(am|pm)?");
    private static final Pattern EMAIL =
            Pattern.compile("[^\\s@,;:<>\"()]{1,64}@[^\\s@,;:<>\"()]{1,180}\\.[^\\s@,;:<>\"().]{2,63}");
    private static final Pattern LINK = Pattern.compile("(?i)https?://[^\\s<>\"]+");
    private static final Set<String> YES = Set.of("yes", "y", "true", "1", "x", "✓", "ja");
    private static final Set<String> NO = Set.of("no", "n", "false", "0", "-", "✗", "nein");
    private static final List<DateTimeFormatter> DATES = List.of(
            DateTimeFormatter.ISO_LOCAL_DATE,
            strictly(DateTimeFormatter.ofPattern("d/M/uuuu")),
            strictly(DateTimeFormatter.ofPattern("d.M.uuuu")),
            named("d MMMM uuuu"),
            named("d MMM uuuu"));
    private static final DateTimeFormatter SHOWN = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.UK);

    private Cell() {}

    private static DateTimeFormatter named(String pattern) {
        return strictly(new DateTimeFormatterBuilder()
                .parseCaseInsensitive()
                .appendPattern(pattern)
                .toFormatter(Locale.UK));
    }

    /** Without this, 31 June would be taken for the 30th. */
    private static DateTimeFormatter strictly(DateTimeFormatter formatter) {
        return formatter.withResolverStyle(ResolverStyle.STRICT);
    }

    /** What came of reading a cell: its one form, or why it is refused, as a sentence. */
    public sealed interface Read {
        record Taken(String cell) implements Read {}

        record Refused(String why) implements Read {}
    }

    /** Reads what somebody wrote for a column. A figure may have a unit that measures the same as the column's. */
    public static Read read(Column column, String written) {
        String text = written.strip();
        if (text.length() > LONGEST) {
            return new Read.Refused("Please keep a cell below %d characters.".formatted(LONGEST));
        }
        if (text.isEmpty()) {
            return new Read.Taken("");
        }
        Optional<String> cell = switch (column.kind()) {
            case TEXT, REFERENCE -> Optional.of(text.replaceAll("\\s+", " "));
            case LONG_TEXT -> Optional.of(text.replace("\r\n", "\n"));
            case TIME -> time(text).map(LocalTime::toString);
            case CHOICE ->
                column.choices().stream()
                        .filter(choice -> choice.equalsIgnoreCase(text))
                        .findFirst();
            case EMAIL -> EMAIL.matcher(text).matches() ? Optional.of(text) : Optional.empty();
            case PHONE -> text.matches("\\+?[\\d ()./-]{5,30}") ? Optional.of(text) : Optional.empty();
            case LINK -> LINK.matcher(text).matches() ? Optional.of(text) : Optional.empty();
            case PICTURE -> Media.isAddress(text) ? Optional.of(text) : Optional.empty();
            case LIST -> Optional.of(String.join(", ", values(text)));
            case NUMBER, MONEY -> figure(column, text);
            case DATE -> date(text).map(LocalDate::toString);
            case YES_NO -> yesNo(text);
        };
        return cell.<Read>map(Read.Taken::new)
                .orElseGet(() -> new Read.Refused("“%s” is not %s."
                        .formatted(
                                text.length() > 40 ? text.substring(0, 40) + "…" : text,
                                switch (column.kind()) {
                                    case NUMBER ->
                                        column.unit().isEmpty() ? "a number" : "a number of " + column.unit();
                                    case MONEY -> "an amount of " + column.unit();
                                    case TIME -> "a time such as 14:30";
                                    case CHOICE -> "one of " + String.join(", ", column.choices());
                                    case EMAIL -> "an email address";
                                    case PHONE -> "a phone number";
                                    case LINK -> "a link that begins with https://";
                                    case PICTURE -> "the address of a picture";
                                    case DATE -> "a date such as 2026-06-30 or 30 June 2026";
                                    default -> "yes or no";
                                })));
    }

    private static Optional<String> yesNo(String text) {
        String word = text.toLowerCase(Locale.ROOT);
        return YES.contains(word) ? Optional.of("yes") : NO.contains(word) ? Optional.of("no") : Optional.empty();
    }

    private static Optional<LocalTime> time(String text) {
        Matcher matcher = TIME.matcher(text);
        if (!matcher.matches()) {
            return Optional.empty();
        }
        int hour = Integer.parseInt(matcher.group(1));
        int minute = matcher.group(2) == null ? 0 : Integer.parseInt(matcher.group(2));
        String half = matcher.group(3) == null ? "" : matcher.group(3).toLowerCase(Locale.ROOT);
        boolean fits =
                minute < 60 && (half.isEmpty() ? hour < 24 && matcher.group(2) != null : hour >= 1 && hour <= 12);
        int whole = half.isEmpty() ? hour : hour % 12 + (half.equals("pm") ? 12 : 0);
        return fits ? Optional.of(LocalTime.of(whole, minute)) : Optional.empty();
    }

    private static Optional<LocalDate> date(String text) {
        for (DateTimeFormatter form : DATES) {
            try {
                return Optional.of(LocalDate.parse(text, form));
            } catch (DateTimeException e) {
                // the next form may fit
            }
        }
        return Optional.empty();
    }

    private static Optional<String> figure(Column column, String text) {
        Matcher matcher = FIGURE.matcher(text);
        if (!matcher.matches() || matcher.group(2).length() > 30) {
            return Optional.empty();
        }
        BigDecimal figure = new BigDecimal(matcher.group(2).replace(",", ""));
        String sign = matcher.group(1);
        String named = (sign.isEmpty() ? matcher.group(3) : sign).strip().toLowerCase(Locale.ROOT);
        if (!sign.isEmpty() && !matcher.group(3).isBlank()) {
            return Optional.empty();
        }
        if (named.isEmpty()) {
            return Optional.of(plain(figure));
        }
        Optional<Units.Unit> own = Units.of(column);
        if (own.isPresent() && Phrase.singular(named).equals(own.get().measures())) {
            return Optional.of(plain(figure));
        }
        return Units.listed(named)
                .filter(unit -> own.isPresent() && own.get().measures().equals(unit.measures()))
                .map(unit -> plain(Units.convert(figure, unit, own.get())));
    }

    static String plain(BigDecimal figure) {
        return figure.signum() == 0 ? "0" : figure.stripTrailingZeros().toPlainString();
    }

    /** The values of a cell with several. */
    public static List<String> values(String cell) {
        return Arrays.stream(cell.split("[,;\\n]"))
                .map(value -> value.strip().replaceAll("\\s+", " "))
                .filter(value -> !value.isEmpty())
                .distinct()
                .toList();
    }

    /** A cell as visitors read it; empty stays empty. */
    public static String shown(Column column, String cell) {
        if (cell.isEmpty()) {
            return "";
        }
        return switch (column.kind()) {
            case TEXT, LONG_TEXT, LIST, YES_NO, TIME, CHOICE, EMAIL, PHONE, LINK, PICTURE, REFERENCE -> cell;
            case DATE -> LocalDate.parse(cell).format(SHOWN);
            case NUMBER -> grouped(new BigDecimal(cell)) + unitOf(column);
            case MONEY -> money(new BigDecimal(cell), column.unit());
        };
    }

    private static String unitOf(Column column) {
        return column.unit().isEmpty() ? "" : column.unit().equals("%") ? "%" : " " + column.unit();
    }

    private static String grouped(BigDecimal figure) {
        NumberFormat format = NumberFormat.getNumberInstance(Locale.UK);
        format.setMaximumFractionDigits(6);
        return format.format(figure);
    }

    private static String money(BigDecimal figure, String currency) {
        NumberFormat format = NumberFormat.getCurrencyInstance(Locale.UK);
        try {
            format.setCurrency(Currency.getInstance(currency));
        } catch (IllegalArgumentException e) {
            return grouped(figure) + " " + currency;
        }
        int decimals = figure.stripTrailingZeros().scale() > 0 ? 2 : 0;
        format.setMinimumFractionDigits(decimals);
        format.setMaximumFractionDigits(2);
        return format.format(figure);
    }

    /** What rows are ordered by: figures and dates by size, texts by letter. @param a and {@code b} not empty */
    public static int compare(Kind kind, String a, String b) {
        return kind.figures() ? new BigDecimal(a).compareTo(new BigDecimal(b)) : a.compareToIgnoreCase(b);
    }
}
