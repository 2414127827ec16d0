package com.shuttle.core.table;

import com.shuttle.core.table.Adjectives.Adjective;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Terms.Term;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** Which column of a table is meant where a question does not name it beside what it says of it. */
final class ColumnChoice {

    private final Table table;
    private final Terms terms;
    private final List<String> words;
    private final Set<Column> mentioned = new HashSet<>();

    ColumnChoice(Table table, Terms terms, List<String> words) {
        this.table = table;
        this.terms = terms;
        this.words = words;
        IntStream.range(0, words.size()).mapToObj(this::columnAt).forEach(column -> column.ifPresent(mentioned::add));
    }

    /** What an adjective is said of; empty for those that are said of a named column only, and where no column fits. */
    Optional<Column> of(Adjective adjective) {
        return adjective.of().stream()
                .filter(what -> !what.equals(Adjectives.NAMED))
                .flatMap(
                        what -> best(column -> Adjectives.whatItIsSaidOf(column).contains(what)).stream())
                .findFirst();
    }

    /** The column whose figures measure the same. */
    Optional<Column> measuring(Units.Unit unit) {
        return best(column -> Units.of(column)
                .filter(own -> own.measures().equals(unit.measures()))
                .isPresent());
    }

    /** A figure without a unit: the price, or the only figure there is. */
    Optional<Column> ofBareFigures() {
        List<Column> figures = table.columns().stream()
                .filter(column -> column.kind().figures())
                .toList();
        return first(column -> column.kind() == Kind.MONEY)
                .or(() -> figures.size() == 1 ? Optional.of(figures.getFirst()) : Optional.empty());
    }

    /** The column that is named at a place, or behind an "of" there. */
    Optional<Column> namedAt(int place) {
        int at = place < words.size() && words.get(place).equals("of") ? place + 1 : place;
        return at < words.size() ? columnAt(at) : Optional.empty();
    }

    Optional<Column> first(Predicate<Column> fits) {
        return table.columns().stream().filter(fits).findFirst();
    }

    /** Of several that fit, one the question mentions anywhere. */
    private Optional<Column> best(Predicate<Column> fits) {
        return first(fits.and(mentioned::contains)).or(() -> first(fits));
    }

    private Optional<Column> columnAt(int place) {
        return terms.at(words, place)
                .map(Terms.Found::term)
                .filter(Term.OfColumn.class::isInstance)
                .map(term -> ((Term.OfColumn) term).column());
    }
}
