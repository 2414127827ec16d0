package com.shuttle.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.expression.Rules.Comparison;
import com.shuttle.core.expression.Rules.Row;
import com.shuttle.core.flow.ValueType;
import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RulesTest {

    private static final Map<String, ValueType> TYPES = Map.of(
            "guests", ValueType.NUMBER,
            "event_date", ValueType.DATE,
            "page", ValueType.TEXT,
            "lunch", ValueType.YES_NO,
            "transport", ValueType.CHOICE,
            "extras", ValueType.MULTI_CHOICE);

    private static final PlainWords.Names NAMES =
            new PlainWords.Names(List.of("Events", "Visits"), List.of("Site visit"));

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '~',
            value = {
                "guests between 6 and 20;guests >= 6 && guests <= 20",
                "page contains /schools and team Events is open;page.contains(\"/schools\") && open(\"Events\")",
                "guests more than 20;guests > 20",
                "guests at least 10 and at most 80;guests >= 10 && guests <= 80",
                "event date after 2026-05-01;event_date > date(\"2026-05-01\")",
                "lunch is yes;lunch",
                "lunch is no or guests under 5;!lunch || guests < 5",
                "transport is one of Coach, Train or Minibus;transport in [\"Coach\", \"Train\", \"Minibus\"]",
                "extras contains Catering;\"Catering\" in extras",
                "guests is not known;!known(guests)",
                "team Visits is closed;!open(\"Visits\")",
                "a site visit is free;free(\"Site visit\")",
                "appointment Site visit has a free time;free(\"Site visit\")",
                "guests > 3 and site visit is fully booked;guests > 3 && !free(\"Site visit\")",
                "transport is Black and white;transport == \"Black and white\"",
            })
    void plainWordsAreRead(String words, String text) {
        assertThat(PlainWords.read(words, TYPES, NAMES))
                .isInstanceOfSatisfying(
                        PlainWords.Result.Read.class,
                        read -> assertThat(read.rules().text(TYPES)).isEqualTo(text));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "nonsense more than 3|0",
                "guests more than|16",
                "guests purple 3|6",
                "team Cooks is open|0",
                "guests under 3 and lunch is yes or lunch is no|31",
                "''|0",
            })
    void whatIsNotUnderstoodIsToldWithItsPlace(String words, int at) {
        assertThat(PlainWords.read(words, TYPES, NAMES))
                .isInstanceOfSatisfying(
                        PlainWords.Result.Unread.class,
                        unread -> assertThat(unread.at()).isEqualTo(at));
    }

    @Test
    void whatSaysMoreThanRowsCanHasNone() {
        assertThat(Rules.read("guests > 3 && (lunch || guests < 9)")).isEmpty();
        assertThat(Rules.read("guests * 2 > 3")).isEmpty();
        assertThat(Rules.read("a || b && c")).isEmpty();
        assertThat(Rules.read("name == \"a && b\"")).isPresent();
    }

    @Property
    void rowsAreReadBackFromTheTextTheyWrite(@ForAll("rules") Rules rules) {
        assertThat(Rules.read(rules.text(TYPES))).contains(rules);
    }

    @Property
    void plainWordsSayTheSameAgain(@ForAll("rules") Rules rules) {
        String text = rules.text(TYPES);
        String words = PlainWords.of(text).orElseThrow();
        assertThat(PlainWords.read(words, TYPES, NAMES))
                .isInstanceOfSatisfying(
                        PlainWords.Result.Read.class,
                        read -> assertThat(read.rules().text(TYPES)).isEqualTo(text));
    }

    @Provide
    Arbitrary<Rules> rules() {
        Arbitrary<Row> numbers = Combinators.combine(
                        Arbitraries.of(
                                Comparison.IS,
                                Comparison.AT_LEAST,
                                Comparison.MORE,
                                Comparison.LESS,
                                Comparison.IS_NOT),
                        Arbitraries.integers().between(-9, 999))
                .as((comparison, n) -> new Row("guests", comparison, Integer.toString(n)));
        Arbitrary<Row> texts = Combinators.combine(
                        Arbitraries.of(Comparison.IS, Comparison.CONTAINS, Comparison.BEGINS, Comparison.CONTAINS_NOT),
                        Arbitraries.strings().withChars("abc/é").ofMinLength(1).ofMaxLength(8))
                .as((comparison, value) -> new Row("page", comparison, value));
        Arbitrary<Row> others = Arbitraries.of(
                new Row("lunch", Comparison.YES, ""),
                new Row("lunch", Comparison.NO, ""),
                new Row("transport", Comparison.KNOWN, ""),
                new Row("Events", Comparison.OPEN, ""),
                new Row("Visits", Comparison.CLOSED, ""),
                new Row("extras", Comparison.CONTAINS, "Catering"),
                new Row("event_date", Comparison.LESS, "2026-12-24"));
        return Combinators.combine(
                        Arbitraries.of(true, false),
                        Arbitraries.oneOf(numbers, texts, others)
                                .list()
                                .ofMinSize(1)
                                .ofMaxSize(4))
                .as((all, rows) -> new Rules(all || rows.size() == 1, rows));
    }
}
