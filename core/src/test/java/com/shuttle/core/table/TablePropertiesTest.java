package com.shuttle.core.table;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table.Row;
import com.shuttle.core.table.TableAnswers.TableAnswer;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;

/** What a question finds is what a plain look at every row finds. */
class TablePropertiesTest {

    private static final List<Column> COLUMNS = List.of(
            new Column("n", "Kite", Kind.TEXT, ""),
            new Column("w", "Weight", Kind.NUMBER, "g"),
            new Column("p", "Price", Kind.MONEY, "GBP"),
            new Column("s", "Shape", Kind.TEXT, ""));

    private static final List<String> SHAPES = List.of("diamond", "delta", "box");

    @Provide
    Arbitrary<Table> tables() {
        Arbitrary<Map<String, String>> cells = Combinators.combine(
                        Arbitraries.integers().between(50, 900),
                        Arbitraries.integers().between(5, 200),
                        Arbitraries.of(SHAPES))
                .as((weight, price, shape) ->
                        Map.of("w", Integer.toString(weight), "p", Integer.toString(price), "s", shape));
        return cells.list().ofMinSize(1).ofMaxSize(12).map(list -> {
            List<Row> rows = new ArrayList<>();
            for (Map<String, String> each : list) {
                Map<String, String> all = new HashMap<>(each);
                all.put("n", "Zephyr" + (char) ('A' + rows.size()));
                rows.add(new Row("r" + rows.size(), all));
            }
            return new Table("kites", "Kites", List.of(), COLUMNS, rows, true);
        });
    }

    private static List<String> found(Table table, String question) {
        TableAnswer answer = new TableAnswers(table).ask(question).orElseThrow();
        return answer.query().rows().stream().map(Row::id).sorted().toList();
    }

    private static List<String> expected(Table table, Predicate<Row> fits) {
        return table.rows().stream().filter(fits).map(Row::id).sorted().toList();
    }

    private static int of(Row row, String column) {
        return Integer.parseInt(row.cells().get(column));
    }

    @Property(tries = 150)
    void comparisonsKeepWhatTheySay(
            @ForAll("tables") Table table,
            @ForAll @IntRange(min = 50, max = 900) int weight,
            @ForAll @IntRange(min = 5, max = 200) int price) {
        assertThat(found(table, "kites lighter than " + weight + " g"))
                .isEqualTo(expected(table, row -> of(row, "w") < weight));
        assertThat(found(table, "which kites weigh at least " + weight + "g and cost no more than £" + price))
                .isEqualTo(expected(table, row -> of(row, "w") >= weight && of(row, "p") <= price));
        assertThat(found(table, "kites heavier than " + weight + " g or cheaper than " + price + " pounds"))
                .isEqualTo(expected(table, row -> of(row, "w") > weight || of(row, "p") < price));
        assertThat(found(table, "kites between £" + price + " and £" + (price + 20)))
                .isEqualTo(expected(table, row -> of(row, "p") >= price && of(row, "p") <= price + 20));
    }

    @Property(tries = 150)
    void valuesAndTheirOppositesShareOutTheRows(@ForAll("tables") Table table) {
        for (String shape : SHAPES) {
            boolean there =
                    table.rows().stream().anyMatch(row -> row.cells().get("s").equals(shape));
            if (there) {
                List<String> with = found(table, shape + " kites");
                List<String> without = found(table, "kites that are not " + shape);
                assertThat(with)
                        .isEqualTo(expected(table, row -> row.cells().get("s").equals(shape)));
                assertThat(without).doesNotContainAnyElementsOf(with);
                assertThat(with.size() + without.size()).isEqualTo(table.rows().size());
            }
        }
    }

    @Property(tries = 150)
    void theFirstIsTheLeastAndTheNumberIsRight(
            @ForAll("tables") Table table, @ForAll @IntRange(min = 5, max = 200) int price) {
        int least = table.rows().stream().mapToInt(row -> of(row, "p")).min().orElseThrow();
        assertThat(found(table, "the cheapest kite")).isEqualTo(expected(table, row -> of(row, "p") == least));
        TableAnswer counted =
                new TableAnswers(table).ask("how many kites under £" + price).orElseThrow();
        assertThat(counted.markdown())
                .startsWith("**" + expected(table, row -> of(row, "p") < price).size() + "** ");
        List<BigDecimal> ordered = new TableAnswers(table)
                .ask("all kites, heaviest first").orElseThrow().query().rows().stream()
                        .map(row -> new BigDecimal(row.cells().get("w")))
                        .collect(Collectors.toList());
        assertThat(ordered).hasSize(table.rows().size()).isSortedAccordingTo((a, b) -> b.compareTo(a));
    }
}
