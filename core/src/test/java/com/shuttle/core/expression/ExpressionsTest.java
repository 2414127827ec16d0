package com.shuttle.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.expression.Expressions.Around;
import com.shuttle.core.expression.Expressions.Problem;
import com.shuttle.core.expression.Expressions.Result;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ExpressionsTest {

    private static final Map<String, ValueType> TYPES = Map.of(
            "guests", ValueType.NUMBER,
            "budget", ValueType.MONEY,
            "name", ValueType.PERSON_NAME,
            "day", ValueType.DATE,
            "lunch", ValueType.YES_NO,
            "extras", ValueType.MULTI_CHOICE,
            "unset", ValueType.NUMBER,
            "code", ValueType.SECRET);

    private static final Map<String, Value> VALUES = new HashMap<>(Map.of(
            "guests", Value.Numeric.of(24),
            "budget", new Value.Money(new BigDecimal("2500"), "GBP"),
            "name", new Value.Text("Dana Whitlow"),
            "day", new Value.Day(LocalDate.parse("2026-05-04")),
            "lunch", new Value.YesNo(true),
            "extras", new Value.Many(List.of("Catering", "Music")),
            "page", new Value.Text("https://tarnfell.example/schools"),
            "code", new Value.Secret("sealed")));

    private static final Around AROUND =
            new Around(List.of("events"), Map.of("site visit", LocalDateTime.parse("2026-05-06T10:00")));

    private final Expressions expressions = new Expressions(TYPES);

    private String evaluated(String text) {
        return switch (expressions.evaluate(text, VALUES, AROUND)) {
            case Result.Given(Value value) -> value.shown();
            case Result.Failed(String why) -> "failed";
        };
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "free('Site visit') && !free('Bench')|yes",
                "first_free('Site visit') > date('2026-05-05')|yes",
                "first_free('Bench') > date('2026-05-05')|failed",
                "guests > 20|yes",
                "guests > 20 && guests <= 24|yes",
                "guests * 4|96",
                "guests / 5|4.8",
                "guests * 7.5 + 10|190",
                "budget / guests > 100|yes",
                "name.startsWith(\"Dana\")|yes",
                "\"Hello \" + name|Hello Dana Whitlow",
                "\"for \" + text(guests)|for 24",
                "day > date(\"2026-05-01\")|yes",
                "day + days(3)|Thursday 7 May 2026",
                "dayname(day)|monday",
                "day.getDayOfWeek() == 1|yes",
                "size(extras) > 1|yes",
                "\"Catering\" in extras|yes",
                "lunch ? 8 * guests : 0|192",
                "known(guests) && !known(unset)|yes",
                "open(\"Events\")|yes",
                "open('Visits')|no",
                "page.contains(\"/schools\")|yes",
                "round(guests / 10 + 0.4)|3",
                "0.1 + 0.2|0.3",
                "guests / 0|failed",
                "unset > 3|failed",
                "1e308 * 1e308|failed",
                "[1, 2, 3].exists(n, n > 2)|yes",
                "date(\"soon\") > day|failed",
                "name.replace(\"a\", \"o\")|Dono Whitlow",
                "extras.join(\" and \")|Catering and Music",
                "[\"a\"].join() + [\"b\"].map(x, x + x)[0]|abb",
                "size(extras + extras) == 4|yes",
                "text(extras)|Catering, Music",
                "[[1]]|failed",
                "text([[1]])|failed",
            })
    void expressionsAreEvaluated(String text, String expected) {
        assertThat(evaluated(text)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "guests >|There is nothing or something missing|8",
                "gests > 3|There is no variable or function gests.|0",
                "guests > name|do not go together|7",
                "known(nobody)|There is no variable nobody.|6",
                "code.startsWith('x')|There is no variable or function code.|0",
                "guests > 2 & lunch|missing or too much|11",
            })
    void faultsAreToldWithTheirPlace(String text, String words, int at) {
        Problem problem = expressions.problemOf(text);
        assertThat(problem).isNotNull();
        String told = words.startsWith("There is nothing") ? "missing or too much" : words;
        assertThat(problem.message()).contains(told);
        assertThat(problem.at()).isEqualTo(at);
    }

    @Test
    void aConditionComesToYesOrNo() {
        assertThat(expressions.problemOfCondition("guests > 3")).isNull();
        assertThat(expressions.problemOfCondition("guests + 3")).isNotNull();
        assertThat(expressions.problemOfCondition(" ")).isNotNull();
        assertThat(expressions.problemOf("x".repeat(Expressions.LONGEST + 1))).isNotNull();
    }

    /** Each would need far more memory than any machine has, were its growth not stopped on the way. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "[\"ab\"]|.map(x, x + x)|[0].size() > 0",
                "[[1]]|.map(x, x + x)|[0].size() > 0",
                "[1]|.map(x, [x, x])|",
                "name|.replace(\"a\", \"aaaaaaaaaa\")|.size() > 0",
                "[\"ab\"]|.map(x, [x, x, x].join(x))|[0].size() > 0",
                "text(['x']|.map(x, {'a': x, 'b': x})|[0])",
            })
    void whatGrowsIsStoppedOnTheWay(String begin, String round, String end) {
        String text = begin + round.repeat(60) + (end == null ? "" : end);
        assertThat(expressions.problemOf(text)).isNull();
        assertThat(expressions.evaluate(text, VALUES, Around.NOTHING)).isInstanceOf(Result.Failed.class);
    }

    @Property(tries = 300)
    void noTextBreaksThem(@ForAll String text) {
        assertThat(expressions.compile(text)).isNotNull();
        assertThat(expressions.evaluate(text, VALUES, Around.NOTHING)).isNotNull();
        assertThat(Rules.read(text)).isNotNull();
        assertThat(PlainWords.read(text, TYPES, new PlainWords.Names(List.of("Events"), List.of())))
                .isNotNull();
    }
}
