package com.shuttle.core.table;

import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * A column of a table.
 *
 * @param key   letters and digits, unique within the table, stable when the column is renamed
 * @param name  as people read it
 * @param unit  of figures ("kg"), the currency's code for money, the values of a choice with commas between, the
 *     ref of the table that is referred to; else empty
 * @param also  other names for it in questions
 * @param bound what the figures of a column say about a figure that is asked for; {@link Bound#EXACT} for other kinds
 */
public record Column(String key, String name, Kind kind, String unit, List<String> also, Bound bound) {

    /** What stands in a column. */
    public enum Kind {
        TEXT("Text"),
        /** Several values, written with commas between. */
        LIST("Several values"),
        NUMBER("Number"),
        MONEY("Money"),
        DATE("Date"),
        TIME("Time of day"),
        YES_NO("Yes or no"),
        /** One of the values that the column names as its unit. */
        CHOICE("One of several"),
        LONG_TEXT("Long text"),
        EMAIL("Email"),
        PHONE("Phone"),
        LINK("Link"),
        /** An address of a picture. */
        PICTURE("Picture"),
        /** The title of a row of the table that the column names as its unit. */
        REFERENCE("Row of another table");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public boolean figures() {
            return this == NUMBER || this == MONEY;
        }

        /** Whether its words are what visitors may ask for. */
        public boolean words() {
            return this == TEXT || this == LIST || this == CHOICE || this == REFERENCE;
        }
    }

    /** How a figure with no comparison ("for 30 people") is compared with those of a column. */
    public enum Bound {
        EXACT("exactly this"),
        /** A row serves for figures up to its own, like places at a table. */
        UP_TO("up to this"),
        /** A row serves for figures from its own on, like the least age for a ride. */
        FROM("from this on");

        private final String label;

        Bound(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public Column {
        also = also == null ? List.of() : List.copyOf(also);
        unit = unit == null ? "" : unit;
        bound = bound == null || !kind.figures() ? Bound.EXACT : bound;
    }

    public Column(String key, String name, Kind kind, String unit) {
        this(key, name, kind, unit, List.of(), Bound.EXACT);
    }

    /** The values of a choice, in their order. */
    public List<String> choices() {
        return kind == Kind.CHOICE ? Cell.values(unit) : List.of();
    }

    /** The name within a sentence: small unless it is an abbreviation. */
    String inSentence() {
        boolean abbreviated = name.length() > 1 && Character.isUpperCase(name.charAt(1));
        return abbreviated ? name : name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
    }

    /** The column that somebody calls by its name or by another name for it; null for none. */
    public static @Nullable Column called(List<Column> columns, String words) {
        String said = words.strip().toLowerCase(Locale.ROOT);
        return columns.stream()
                .filter(column -> column.name().toLowerCase(Locale.ROOT).equals(said)
                        || column.also().stream()
                                .anyMatch(name -> name.toLowerCase(Locale.ROOT).equals(said)))
                .findFirst()
                .orElse(null);
    }

    /** The key of a column that is named by its key, or as visitors call it; the words themselves where there is none. */
    public static String key(List<Column> columns, String words) {
        Column called = columns.stream().anyMatch(column -> column.key().equals(words)) ? null : called(columns, words);
        return called == null ? words : called.key();
    }
}
