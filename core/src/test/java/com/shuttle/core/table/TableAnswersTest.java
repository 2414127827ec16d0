package com.shuttle.core.table;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.table.Column.Bound;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table.Row;
import com.shuttle.core.table.TableAnswers.TableAnswer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TableAnswersTest {

    static final List<Column> COLUMNS = List.of(
            new Column("a", "Canoe", Kind.TEXT, ""),
            new Column("b", "Hull", Kind.TEXT, ""),
            new Column("c", "Length", Kind.NUMBER, "cm"),
            new Column("d", "Beam", Kind.NUMBER, "cm", List.of("width"), Bound.EXACT),
            new Column("e", "Weight", Kind.NUMBER, "kg"),
            new Column("f", "Price", Kind.MONEY, "GBP"),
            new Column("g", "Paddlers", Kind.NUMBER, "people", List.of(), Bound.UP_TO),
            new Column("h", "Water", Kind.LIST, ""),
            new Column("i", "Folding", Kind.YES_NO, "", List.of("folds"), Bound.EXACT),
            new Column("j", "Next check", Kind.DATE, ""));

    private static final Table CANOES = new Table(
            "canoes",
            "Canoes",
            List.of("boat", "hire"),
            COLUMNS,
            List.of(
                    row("Heron", "cedar strip", "480", "88", "26", "620", "2", "lake, river", "no", "2026-03-04"),
                    row("Moorhen", "polyethylene", "420", "84", "31", "310", "2", "river", "no", "2026-05-01"),
                    row("Kingfisher 12", "canvas", "365", "76", "11.5", "450", "1", "lake", "yes", "2026-03-20"),
                    row("Otter", "polyethylene", "510", "95", "38", "540", "4", "lake, sea", "no", "2026-06-11"),
                    row("Dabchick", "canvas", "300", "72", "9", "", "1", "lake, river, sea", "yes", "")),
            true);

    private static final TableAnswers ANSWERS = new TableAnswers(CANOES);

    private static Row row(String... cells) {
        Map<String, String> filled = new LinkedHashMap<>();
        for (int i = 0; i < cells.length; i++) {
            if (!cells[i].isEmpty()) {
                filled.put(COLUMNS.get(i).key(), cells[i]);
            }
        }
        return new Row(cells[0], filled);
    }

    private static String names(TableAnswer answer) {
        return answer.query().rows().stream().map(Row::id).collect(Collectors.joining(" + "));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            which canoes are lighter than 12 kg?               | Kingfisher 12 + Dabchick
            canoes under 500                                   | Moorhen + Kingfisher 12
            canoes for less than £320                          | Moorhen
            do you have a boat at least 5 metres long          | Otter
            boats of 4.2 m or more                             | Heron + Moorhen + Otter
            canoes between 4 and 5 m                           | Heron + Moorhen
            canoes from 25 to 35 kg                            | Heron + Moorhen
            boats with a width of at most 76 cm                | Kingfisher 12 + Dabchick
            95 cm beam boats                                   | Otter
            the lightest canoe                                 | Dabchick
            what is the cheapest boat                          | Moorhen
            two cheapest canoes                                | Moorhen + Kingfisher 12
            the 3 heaviest boats                               | Otter + Moorhen + Heron
            lightest canoe for the sea                         | Dabchick
            canoe with the greatest beam                       | Otter
            canoes for 3 people                                | Otter
            canoe for two people under £400                    | Moorhen
            folding canoes                                     | Kingfisher 12 + Dabchick
            boats that are not folding                         | Heron + Moorhen + Otter
            canoes made of canvas                              | Kingfisher 12 + Dabchick
            canvas or cedar canoes                             | Heron + Kingfisher 12 + Dabchick
            which boats go on lake and sea                     | Otter + Dabchick
            which boats go on the river or the sea             | Heron + Moorhen + Otter + Dabchick
            canoes not made of polyethylene                    | Heron + Kingfisher 12 + Dabchick
            boats without canvas or cedar                      | Moorhen + Otter
            canvas canoes or boats under 350                   | Moorhen + Kingfisher 12 + Dabchick
            polyethylene boats heavier than 35kg               | Otter
            canoes lighter than the Heron                      | Kingfisher 12 + Dabchick
            how heavy is the heron                             | Heron
            what does the Kingfisher 12 cost                   | Kingfisher 12
            which is lighter, the heron or the otter           | Heron
            canoes to be checked in march                      | Heron + Kingfisher 12
            canoes about 30 kg                                 | Moorhen
            less heavy than 12 kg canoes                       | Kingfisher 12 + Dabchick
            canoes under 40 lb                                 | Kingfisher 12 + Dabchick
            which is the best boat for the river and two people| Heron + Moorhen
            what is the price of canoes for 3                  | Otter
            boats for a family of 4                            | Otter
            compare the heron and the otter                    | Heron + Otter
            which canoes do you have                           | Heron + Moorhen + Kingfisher 12 + Otter + Dabchick
            """)
    void rowsAreFoundByWhatWasAsked(String question, String expected) {
        Optional<TableAnswer> answer = ANSWERS.ask(question);
        assertThat(answer.map(TableAnswersTest::names)).as(question).contains(expected);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            teas from Asia               | Amber + Cloud
            teas from southern asia      | Amber
            teas not from africa         | Amber + Cloud + Fern
            teas from Africa or portugal | Dune + Fern
            which tea is from Europe     | Fern
            """)
    void countriesAreFoundByTheirRegions(String question, String expected) {
        List<Column> columns = List.of(new Column("t", "Tea", Kind.TEXT, ""), new Column("o", "Origin", Kind.TEXT, ""));
        List<Row> rows =
                Map.of("Amber", "India", "Cloud", "China", "Dune", "Kenya", "Fern", "Portugal").entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .map(tea -> new Row(tea.getKey(), Map.of("t", tea.getKey(), "o", tea.getValue())))
                        .toList();
        TableAnswers teas = new TableAnswers(new Table("teas", "Teas", List.of(), columns, rows, true));
        assertThat(teas.ask(question).map(TableAnswersTest::names)).contains(expected);
    }

    @Test
    void whatWasUnderstoodIsSaid() {
        assertThat(ANSWERS.ask("Which canoes are lighter than 30 kg, cheapest first?")
                        .orElseThrow()
                        .markdown())
                .isEqualTo("""
                        Canoes lighter than 30 kg, cheapest first:

                        - **Kingfisher 12**: £450, 11.5 kg, canvas, 365 cm
                        - **Heron**: £620, 26 kg, cedar strip, 480 cm""");
        assertThat(ANSWERS.ask("how many folding canoes do you have?")
                        .orElseThrow()
                        .markdown())
                .isEqualTo("**2** canoes with folding: yes.");
        assertThat(ANSWERS.ask("how heavy is the Otter?").orElseThrow().markdown())
                .isEqualTo("**Otter**\n\n- Weight: 38 kg");
        assertThat(ANSWERS.ask("is the otter folding?").orElseThrow().markdown())
                .isEqualTo("**Otter**\n\n- Folding: no");
        assertThat(ANSWERS.ask("canoes lighter than 2 kg").orElseThrow().markdown())
                .isEqualTo("No canoes lighter than 2 kg.");
        assertThat(ANSWERS.ask("how many people fit in the Otter").orElseThrow().markdown())
                .contains("Paddlers: 4 people");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "where are you?",
                "can I hire a canoe?",
                "how do I become a member",
                "",
                "???",
                "my boat is broken and I am angry about the price of everything in 2026",
                "do you have life jackets in small sizes for my dog"
            })
    void whatIsNotAskedOfTheTableIsNotAnsweredFromIt(String question) {
        assertThat(ANSWERS.ask(question).map(TableAnswer::confidence).orElse(0.0))
                .as(question)
                .isLessThan(0.5);
    }

    @Test
    void aWordThatIsNotUnderstoodMakesItLessSure() {
        double whole = ANSWERS.ask("canoes lighter than 12 kg").orElseThrow().confidence();
        double lost =
                ANSWERS.ask("purple canoes lighter than 12 kg").orElseThrow().confidence();
        assertThat(whole).isGreaterThan(0.9);
        assertThat(lost).isLessThan(whole);
    }

    @Test
    void nothingThatIsTypedBreaksIt() {
        List<String> words = new ArrayList<>(List.of(
                "lighter",
                "than",
                "or",
                "not",
                "and",
                "the",
                "most",
                "least",
                "between",
                "to",
                "5",
                "£",
                "kg",
                "first",
                "how",
                "many",
                "heron",
                "canoe",
                "folding",
                "canvas",
                "under",
                "£400",
                "price",
                "%",
                "99999999999999999999"));
        Random random = new Random(7);
        for (int i = 0; i < 3000; i++) {
            String question = random.ints(1 + random.nextInt(9), 0, words.size())
                    .mapToObj(words::get)
                    .collect(Collectors.joining(" "));
            ANSWERS.ask(question).ifPresent(answer -> {
                assertThat(answer.confidence()).as(question).isBetween(0.0, 0.95);
                assertThat(answer.markdown()).as(question).isNotBlank();
            });
        }
    }
}
