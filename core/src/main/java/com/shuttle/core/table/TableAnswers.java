package com.shuttle.core.table;

import com.shuttle.core.reading.Finder;
import com.shuttle.core.table.Table.Row;
import com.shuttle.core.table.TableQuestion.Understood;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Answers questions from one table, and says with the rows what was understood. Immutable; thread-safe. */
public final class TableAnswers {

    /** Rows beyond these are told by their number. */
    private static final int MOST_ROWS = 8;

    /** Columns of a row beside its title. */
    private static final int MOST_COLUMNS = 4;

    private final Table table;
    private final Terms terms;

    public TableAnswers(Table table) {
        this.table = table;
        terms = new Terms(table);
    }

    public Table table() {
        return table;
    }

    /** The words that questions about the table are made of, for mending misspellings. */
    public List<String> phrases() {
        List<String> phrases = new ArrayList<>(terms.words());
        phrases.addAll(Adjectives.forms());
        return phrases;
    }

    /**
     * An answer.
     *
     * @param query      as it was understood
     * @param markdown   what was understood, and the rows
     * @param confidence that this was asked, 0 to 1
     */
    public record TableAnswer(Query query, String markdown, double confidence) {}

    /** What a question asks of the table; empty where it asks nothing of it. */
    public Optional<TableAnswer> ask(String question) {
        return TableQuestion.read(question, table, terms)
                .map(this::answer)
                .map(answer -> PRICE.in(question) && isOnlyForSoMany(answer.query())
                        ? new TableAnswer(answer.query(), answer.markdown(), answer.confidence() * HARDLY)
                        : answer);
    }

    private static final Finder PRICE =
            Finder.of("\\b(?:how much|what (?:do|does|would|will) (?:it|that|this) cost|whats? (?:it|that) cost)\\b");

    /** Of what is only near, rather a suggestion than an answer. */
    private static final double HARDLY = 0.5;

    /** "How much for eight" asks for a price, and not for rows that have room for eight. */
    private static boolean isOnlyForSoMany(Query query) {
        return query.named().isEmpty()
                && query.where() instanceof Condition.Figure(Column column, Condition.Op op, BigDecimal figure)
                && column.bound() == Column.Bound.UP_TO;
    }

    private TableAnswer answer(Understood understood) {
        Query query = understood.query();
        List<Row> rows = query.rows();
        // Where several conditions leave nothing, one of them was hardly meant.
        boolean doubted = rows.isEmpty()
                && !query.count()
                && query.where() instanceof Condition.All(List<Condition> all)
                && all.size() > 1;
        return new TableAnswer(query, markdown(query, rows), understood.confidence() * (doubted ? 0.5 : 1));
    }

    private String markdown(Query query, List<Row> rows) {
        if (query.count()) {
            return "**%d** %s".formatted(rows.size(), sentenceStart(query, rows.size() == 1)) + ".";
        }
        List<Column> columns = columns(query);
        if (rows.isEmpty()) {
            return "No " + small(query.words()) + ".";
        }
        boolean single = rows.size() == 1 && !query.named().isEmpty();
        if (single) {
            return "**" + escaped(title(rows.getFirst())) + "**\n\n"
                    + columns.stream()
                            .filter(column -> !rows.getFirst().at(column).isEmpty())
                            .map(column -> "- " + escaped(column.name()) + ": "
                                    + escaped(Cell.shown(column, rows.getFirst().at(column))))
                            .collect(Collectors.joining("\n"));
        }
        String listed = rows.stream()
                .limit(MOST_ROWS)
                .map(row -> "- **" + escaped(title(row)) + "**" + facts(row, columns))
                .collect(Collectors.joining("\n"));
        int more = rows.size() - MOST_ROWS;
        return escaped(query.words()) + ":\n\n" + listed + (more > 0 ? "\n\nand %d more.".formatted(more) : "");
    }

    /** "telescopes lighter than 5 kg" after a number. */
    private String sentenceStart(Query query, boolean one) {
        String words = small(query.words());
        return one && words.startsWith(small(table.name()))
                ? Phrase.singular(small(table.name()))
                        + words.substring(table.name().length())
                : words;
    }

    private static String small(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
    }

    private String title(Row row) {
        String title = Cell.shown(table.titles(), row.at(table.titles()));
        return title.isEmpty() ? "(no name)" : title;
    }

    private String facts(Row row, List<Column> columns) {
        String facts = columns.stream()
                .filter(column -> !row.at(column).isEmpty())
                .map(column -> fact(column, row.at(column)))
                .collect(Collectors.joining(", "));
        return facts.isEmpty() ? "" : ": " + facts;
    }

    /** A fact that its unit does not explain is named. */
    private static String fact(Column column, String cell) {
        String shown = escaped(Cell.shown(column, cell));
        boolean explains = column.kind() != Column.Kind.YES_NO && !column.unit().isEmpty()
                || column.kind().words();
        return explains ? shown : escaped(column.inSentence()) + " " + shown;
    }

    /** The columns that were spoken of; of a row that was named without more, all; else the first few. */
    private List<Column> columns(Query query) {
        Set<Column> shown = new LinkedHashSet<>(query.wanted());
        query.order().ifPresent(by -> shown.add(by.column()));
        spokenOf(query.where(), shown);
        List<Column> others = table.columns().subList(1, table.columns().size());
        if (!query.named().isEmpty() && shown.isEmpty()) {
            return others;
        }
        for (Column column : others) {
            if (query.wanted().isEmpty() && shown.size() < MOST_COLUMNS) {
                shown.add(column);
            }
        }
        shown.remove(table.titles());
        return new ArrayList<>(shown);
    }

    private static void spokenOf(Condition condition, Set<Column> columns) {
        switch (condition) {
            case Condition.Figure(Column column, var op, var figure) -> columns.add(column);
            case Condition.Between(Column column, var from, var to) -> columns.add(column);
            case Condition.InMonth(Column column, var month) -> columns.add(column);
            case Condition.Has(Column column, var phrase, var written) -> columns.add(column);
            case Condition.Is(Column column, var yes) -> columns.add(column);
            case Condition.Not(Condition not) -> spokenOf(not, columns);
            case Condition.All(List<Condition> all) -> all.forEach(one -> spokenOf(one, columns));
            case Condition.Any(List<Condition> any) -> any.forEach(one -> spokenOf(one, columns));
        }
    }

    /** Cells are texts, not Markdown. */
    private static String escaped(String text) {
        return text.replaceAll("([\\\\`*_\\[\\]<>#|~])", "\\\\$1");
    }
}
