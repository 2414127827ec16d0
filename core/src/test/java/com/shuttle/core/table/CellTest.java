package com.shuttle.core.table;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.table.Cell.Read;
import com.shuttle.core.table.Column.Kind;
import java.math.BigDecimal;
import java.time.LocalDate;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.BigRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Scale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CellTest {

    private static Column column(Kind kind, String unit) {
        return new Column("a", "A", kind, unit);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', nullValues = "-", textBlock = """
            NUMBER | kg  | 4.50          | 4.5
            TIME   | -   | 2:30 pm       | 14:30
            TIME   | -   | 09.05         | 09:05
            TIME   | -   | 7             | -
            TIME   | -   | 24:00         | -
            EMAIL  | -   | ada@mill.example | ada@mill.example
            EMAIL  | -   | ada at mill   | -
            PHONE  | -   | +44 20 7946 0018 | +44 20 7946 0018
            PHONE  | -   | call me       | -
            LINK   | -   | https://a.example/x | https://a.example/x
            LINK   | -   | javascript:alert(1) | -
            PICTURE | -  | javascript:x  | -
            CHOICE | new, used | USED    | used
            CHOICE | new, used | broken  | -
            REFERENCE | telescopes | Finch  70 | Finch 70
            NUMBER | kg  | 1,250         | 1250
            NUMBER | kg  | 750 g         | 0.75
            NUMBER | kg  | 4.5kg         | 4.5
            NUMBER | kg  | 2 kilograms   | 2
            NUMBER | kg  | 10 lb         | 4.5359237
            NUMBER | cm  | 1.5 m         | 150
            NUMBER | min | 2 hours       | 120
            NUMBER | pages | 30 pages    | 30
            NUMBER | -   | -7            | -7
            NUMBER | kg  | 3 m           | -
            NUMBER | kg  | heavy         | -
            NUMBER | -   | 5 kg          | -
            NUMBER | -   | 1e5           | -
            MONEY  | GBP | £1,200.00     | 1200
            MONEY  | GBP | 35 pounds     | 35
            MONEY  | GBP | €5            | -
            MONEY  | GBP | £5 kg         | -
            DATE   | -   | 2026-06-30    | 2026-06-30
            DATE   | -   | 30/6/2026     | 2026-06-30
            DATE   | -   | 30 june 2026  | 2026-06-30
            DATE   | -   | 31 June 2026  | -
            DATE   | -   | tomorrow      | -
            YES_NO | -   | Y             | yes
            YES_NO | -   | false         | no
            YES_NO | -   | perhaps       | -
            TEXT   | -   | two   spaces  | two spaces
            LIST   | -   | red; blue,red | red, blue
            """)
    void cellsAreReadAsTheirColumnHasThem(Kind kind, String unit, String written, String cell) {
        Read read = Cell.read(column(kind, unit == null ? "" : unit), written);
        if (cell == null) {
            assertThat(read).isInstanceOf(Read.Refused.class);
        } else {
            assertThat(read).isEqualTo(new Read.Taken(cell));
        }
    }

    @Test
    void aRefusalSaysWhatIsWanted() {
        assertThat(Cell.read(column(Kind.MONEY, "GBP"), "dear"))
                .isEqualTo(new Read.Refused("“dear” is not an amount of GBP."));
        assertThat(Cell.read(column(Kind.DATE, ""), "x".repeat(100)))
                .isInstanceOfSatisfying(
                        Read.Refused.class,
                        refused ->
                                assertThat(refused.why()).hasSizeLessThan(120).contains("2026-06-30"));
        assertThat(Cell.read(column(Kind.TEXT, ""), "x".repeat(2001))).isInstanceOf(Read.Refused.class);
        assertThat(Cell.read(column(Kind.NUMBER, ""), "  ")).isEqualTo(new Read.Taken(""));
    }

    @ParameterizedTest
    @CsvSource({
        "NUMBER,kg,1250.5,'1,250.5 kg'",
        "NUMBER,%,12,12%",
        "NUMBER,,3,3",
        "MONEY,GBP,1200,'£1,200'",
        "MONEY,GBP,9.5,£9.50",
        "MONEY,shells,9.5,9.5 shells",
        "DATE,,2026-06-03,3 June 2026",
        "LIST,,'red, blue','red, blue'",
        "TEXT,,'',''"
    })
    void cellsAreShownAsPeopleWriteThem(Kind kind, String unit, String cell, String shown) {
        assertThat(Cell.shown(column(kind, unit == null ? "" : unit), cell)).isEqualTo(shown);
    }

    @Property(tries = 300)
    void whatIsShownIsReadBackTheSame(
            @ForAll @BigRange(min = "-100000", max = "100000") @Scale(2) BigDecimal figure,
            @ForAll @IntRange(max = 40_000) int day) {
        Column weight = column(Kind.NUMBER, "kg");
        String cell = Cell.plain(figure);
        assertThat(Cell.read(weight, cell)).isEqualTo(new Read.Taken(cell));
        assertThat(Cell.read(weight, Cell.shown(weight, cell))).isEqualTo(new Read.Taken(cell));
        String date = LocalDate.EPOCH.plusDays(day).toString();
        Column check = column(Kind.DATE, "");
        assertThat(Cell.read(check, Cell.shown(check, date))).isEqualTo(new Read.Taken(date));
    }

    @Test
    void figuresAndDatesAreOrderedBySizeAndTextsByLetter() {
        assertThat(Cell.compare(Kind.NUMBER, "9", "10")).isNegative();
        assertThat(Cell.compare(Kind.MONEY, "10.0", "10")).isZero();
        assertThat(Cell.compare(Kind.DATE, "2026-01-02", "2025-12-31")).isPositive();
        assertThat(Cell.compare(Kind.TEXT, "apple", "Bear")).isNegative();
    }
}
