package com.shuttle.core.table;

import com.shuttle.core.reading.Places;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table.Row;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The phrases of one table that may stand in a question. Immutable; thread-safe. */
final class Terms {

    /** A text with more words than this is prose, whose words say little about its row. */
    private static final int LONGEST_VALUE = 6;

    /** What a phrase stands for. */
    sealed interface Term {
        /** The table's rows. */
        record Noun() implements Term {}

        record OfColumn(Column column) implements Term {}

        record Titled(Row row) implements Term {}

        record Value(Column column, List<String> phrase, String written) implements Term {}
    }

    /** A term with how many words it takes. */
    record Found(Term term, int words) {}

    /** What else columns are called, by what their figures measure. */
    private static final Map<String, List<String>> USUAL_NAMES = Map.of(
            "money", List.of("price", "cost", "fee", "charge"),
            "mass", List.of("weight", "weigh"),
            "time", List.of("duration"),
            "people", List.of("capacity"));

    /** Terms by their phrases; of several with one phrase, the first that was put in. */
    private final Map<List<String>, Term> terms = new HashMap<>();

    private final int longest;

    Terms(Table table) {
        List<String> name = Phrase.of(table.name());
        put(name, new Term.Noun());
        if (!name.isEmpty()) {
            put(name.subList(name.size() - 1, name.size()), new Term.Noun());
        }
        for (int i = 0; i < table.also().size(); i++) {
            put(Phrase.of(table.also().get(i)), new Term.Noun());
        }
        for (Column column : table.columns()) {
            put(Phrase.of(column.name()), new Term.OfColumn(column));
            column.also().forEach(other -> put(Phrase.of(other), new Term.OfColumn(column)));
        }
        table.rows().forEach(row -> put(Phrase.of(row.at(table.titles())), new Term.Titled(row)));
        for (Column column : table.columns()) {
            Adjectives.whatItIsSaidOf(column)
                    .forEach(what -> USUAL_NAMES
                            .getOrDefault(what, List.of())
                            .forEach(usual -> put(List.of(usual), new Term.OfColumn(column))));
        }
        // A word is rather a whole value than a part of one, and rather a part of a value than of a title.
        List<Column> titlesLast =
                new ArrayList<>(table.columns().subList(1, table.columns().size()));
        titlesLast.add(table.titles());
        titlesLast.forEach(column -> values(table, column, false));
        titlesLast.forEach(column -> values(table, column, true));
        titlesLast.forEach(column -> regions(table, column));
        longest = terms.keySet().stream().mapToInt(List::size).max().orElse(0);
    }

    /** The regions of countries, where most values of a column are such. */
    private void regions(Table table, Column column) {
        if (!column.kind().words()) {
            return;
        }
        List<String> values = table.rows().stream()
                .map(row -> row.at(column))
                .flatMap(cell -> (column.kind() == Kind.LIST ? Cell.values(cell) : List.of(cell)).stream())
                .filter(value -> !value.isEmpty())
                .toList();
        List<List<String>> around = values.stream().map(Places::around).toList();
        if (2 * around.stream().filter(regions -> !regions.isEmpty()).count() > values.size()) {
            around.stream().flatMap(List::stream).distinct().forEach(region -> {
                List<String> phrase = Phrase.of(region);
                put(phrase, new Term.Value(column, phrase, region));
            });
        }
    }

    /** @param words whether the single words of values are taken, or the values as they are */
    private void values(Table table, Column column, boolean words) {
        if (!column.kind().words()) {
            return;
        }
        Set<String> done = new HashSet<>();
        for (Row row : table.rows()) {
            String cell = row.at(column);
            for (String value : column.kind() == Kind.LIST ? Cell.values(cell) : List.of(cell)) {
                List<String> phrase = Phrase.of(value);
                if (phrase.size() > LONGEST_VALUE || !done.add(String.join(" ", phrase))) {
                    continue;
                }
                if (!words) {
                    put(phrase, new Term.Value(column, phrase, value));
                    continue;
                }
                for (String word : phrase) {
                    boolean telling = word.length() > 2 && word.chars().allMatch(Character::isLetter);
                    if (telling && !Lexicon.means(word)) {
                        put(List.of(word), new Term.Value(column, List.of(word), written(value, word)));
                    }
                }
            }
        }
    }

    /** A word as its value writes it. */
    private static String written(String value, String word) {
        for (String part : value.split("[^\\p{L}]+")) {
            if (Phrase.of(part).equals(List.of(word))) {
                return part;
            }
        }
        return word;
    }

    private void put(List<String> phrase, Term term) {
        if (!phrase.isEmpty()) {
            terms.putIfAbsent(phrase, term);
        }
    }

    /** The longest term at a place of a question. */
    Optional<Found> at(List<String> words, int place) {
        for (int length = Math.min(longest, words.size() - place); length > 0; length--) {
            Term term = terms.get(words.subList(place, place + length));
            if (term != null) {
                return Optional.of(new Found(term, length));
            }
        }
        return Optional.empty();
    }

    /** Single words of the phrases, for mending misspellings. */
    List<String> words() {
        return terms.keySet().stream().map(phrase -> String.join(" ", phrase)).toList();
    }
}
