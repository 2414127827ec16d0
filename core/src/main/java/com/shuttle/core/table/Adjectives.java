package com.shuttle.core.table;

import com.shuttle.core.table.Column.Kind;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Adjectives that compare, with their forms: what each is said of, and which way it points. Pure functions. */
final class Adjectives {

    /** What an adjective is said of: what a unit measures, or one of these. */
    private static final String MONEY = "money";

    private static final String DATES = "date";

    /** Said of whatever column is named beside it ("highest price"). */
    static final String NAMED = "";

    /**
     * One adjective in one of its forms.
     *
     * @param of   what it is said of, the likeliest first
     * @param more whether it points to greater figures
     */
    record Adjective(List<String> of, boolean more, Form form) {}

    enum Form {
        PLAIN,
        COMPARATIVE,
        SUPERLATIVE
    }

    /** The comparatives of a column. */
    record Pair(String less, String more) {}

    private static final Map<String, Pair> PAIRS = Map.of(
            MONEY,
            new Pair("cheaper", "dearer"),
            "mass",
            new Pair("lighter", "heavier"),
            DATES,
            new Pair("earlier", "later"));

    private static final String LISTED = """
            - money: cheap affordable inexpensive economical
            + money: expensive dear pricey costly
            - mass: light
            + mass: heavy
            - time length: short
            + time length: long
            + length: tall wide deep
            - length: narrow shallow
            - time: quick fast young
            + time: slow old
            - date: early
            + date: late new recent
            + named length: big large high great
            - named length: small low little tiny
            """;

    private static final Map<String, Adjective> BY_FORM = new HashMap<>();

    static {
        for (String line : LISTED.split("\n")) {
            boolean more = line.startsWith("+");
            String[] sides = line.substring(2).split(": ");
            List<String> of = Arrays.stream(sides[0].split(" "))
                    .map(what -> what.equals("named") ? NAMED : what)
                    .toList();
            for (String plain : sides[1].split(" ")) {
                BY_FORM.put(plain, new Adjective(of, more, Form.PLAIN));
                String stem = stem(plain);
                BY_FORM.put(stem + "er", new Adjective(of, more, Form.COMPARATIVE));
                BY_FORM.put(stem + "est", new Adjective(of, more, Form.SUPERLATIVE));
            }
        }
        for (String word : List.of("most", "maximum", "max", "top")) {
            BY_FORM.put(word, new Adjective(List.of(NAMED), true, Form.SUPERLATIVE));
        }
        for (String word : List.of("least", "fewest", "minimum", "min")) {
            BY_FORM.put(word, new Adjective(List.of(NAMED), false, Form.SUPERLATIVE));
        }
        for (String word : List.of("more", "less", "fewer")) {
            BY_FORM.put(word, new Adjective(List.of(NAMED), word.equals("more"), Form.COMPARATIVE));
        }
    }

    private Adjectives() {}

    /** What takes the endings: "heavi", "bigg", "larg". */
    private static String stem(String plain) {
        if (plain.endsWith("y")) {
            return plain.substring(0, plain.length() - 1) + "i";
        }
        if (plain.endsWith("e")) {
            return plain.substring(0, plain.length() - 1);
        }
        return plain.equals("big") ? "bigg" : plain;
    }

    /** Every form of every adjective. */
    static Set<String> forms() {
        return BY_FORM.keySet();
    }

    static Optional<Adjective> of(String word) {
        return Optional.ofNullable(BY_FORM.get(word));
    }

    /** An adjective after "more" or "less" ("less heavy"), or after "most" or "least". */
    static Optional<Adjective> after(Adjective degree, String word) {
        return of(word).filter(adjective -> adjective.form() == Form.PLAIN)
                .map(adjective -> new Adjective(adjective.of(), adjective.more() == degree.more(), degree.form()));
    }

    static Set<String> whatItIsSaidOf(Column column) {
        Set<String> what = new HashSet<>();
        Units.of(column).ifPresent(unit -> what.add(unit.measures()));
        if (column.kind() == Kind.MONEY) {
            what.add(MONEY);
        } else if (column.kind() == Kind.DATE) {
            what.add(DATES);
        }
        return what;
    }

    /** The comparatives that are said of a column; empty where there is none of its own. */
    static Optional<Pair> of(Column column) {
        return whatItIsSaidOf(column).stream()
                .filter(PAIRS::containsKey)
                .findFirst()
                .map(PAIRS::get);
    }
}
