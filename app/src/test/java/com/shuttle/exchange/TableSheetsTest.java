package com.shuttle.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.exchange.TableSheets.Brought;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TableSheetsTest {

    private static final String BOATS = """
            Boat,Weight (kg),Price,Length,Water,Folds,Checked,Remark
            Heron,26,£620,4.8 m,"lake, river",no,2026-03-04,=2+2
            Moorhen,31,£310,4.2 m,river,no,1 May 2026,"a long remark, with a comma in a sentence of its own"
            Dabchick,9,,3 m,"lake, sea",yes,,
            """;

    private static Sheet sheet(String csv) throws Unreadable {
        return SheetReader.csv(csv.getBytes(StandardCharsets.UTF_8));
    }

    private static Table boats() throws Unreadable {
        return TableSheets.table("Boats", sheet(BOATS));
    }

    private static List<Map<String, String>> cells(List<Row> rows) {
        return rows.stream().map(Row::cells).toList();
    }

    @Test
    void kindsAndUnitsAreGuessedFromHeadingsAndCells() throws Unreadable {
        Table table = boats();
        assertThat(table.columns())
                .extracting(column -> column.name() + " " + column.kind() + " " + column.unit())
                .containsExactly(
                        "Boat TEXT ",
                        "Weight NUMBER kg",
                        "Price MONEY GBP",
                        "Length NUMBER m",
                        "Water LIST ",
                        "Folds YES_NO ",
                        "Checked DATE ",
                        "Remark TEXT ");
        assertThat(table.published()).isFalse();
        assertThat(table.rows().get(1).cells())
                .containsEntry("c3", "310")
                .containsEntry("c4", "4.2")
                .containsEntry("c7", "2026-05-01");
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void whatIsSavedComesBackTheSame(boolean csv) throws IOException, Unreadable {
        Table table = boats();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        if (csv) {
            Sheets.writeCsv(TableSheets.lines(table), out);
        } else {
            Sheets.writeXlsx(table.name(), TableSheets.lines(table), out);
        }
        Sheet back = csv ? SheetReader.csv(out.toByteArray()) : SheetReader.xlsx(out.toByteArray());
        assertThat(back.header().get(1)).isEqualTo("Weight (kg)");
        assertThat(cells(TableSheets.read(table, back).rows())).isEqualTo(cells(table.rows()));
        assertThat(TableSheets.read(table, back).faults()).isEmpty();
        if (csv) {
            assertThat(out.toString(StandardCharsets.UTF_8)).contains("'=2+2");
        }
    }

    @Test
    void whatDoesNotFitIsToldByLineAndColumn() throws Unreadable {
        Brought brought =
                TableSheets.read(boats(), sheet("boat,weight (g),colour\nHeron,26000,red\n,5,\nOtter,heavy,\n"));
        assertThat(brought.faults())
                .containsExactly(
                        "The table has no column “colour”.",
                        "Line 3 has no Boat.",
                        "Line 4, Weight: “heavy” is not a number of kg.");
        assertThat(cells(brought.rows())).containsExactly(Map.of("c1", "Heron", "c2", "26"), Map.of("c1", "Otter"));
        assertThat(TableSheets.read(boats(), sheet("a,b\n1,2\n")).rows()).isEmpty();
    }
}
