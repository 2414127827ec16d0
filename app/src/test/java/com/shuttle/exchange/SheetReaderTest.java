package com.shuttle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SheetReaderTest {

    private static List<List<String>> cells(Sheet sheet) {
        return sheet.rows().stream().map(Sheet.Row::cells).toList();
    }

    private static Sheet csv(String text) throws Unreadable {
        return SheetReader.csv(text.getBytes(StandardCharsets.UTF_8));
    }

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t", "|"})
    void findsTheSeparator(String separator) throws Unreadable {
        Sheet sheet = csv("question" + separator + "answer\nOpen?" + separator + "Yes\nShut?" + separator + "No\n");
        assertThat(sheet.header()).containsExactly("question", "answer");
        assertThat(cells(sheet)).containsExactly(List.of("Open?", "Yes"), List.of("Shut?", "No"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16LE", "UTF-16BE", "windows-1252"})
    void findsTheEncoding(String name) throws Unreadable {
        String mark = name.startsWith("UTF") ? "\ufeff" : "";
        byte[] bytes = (mark + "question,answer\nIs the café open?,£4\n").getBytes(Charset.forName(name));
        assertThat(cells(SheetReader.csv(bytes))).containsExactly(List.of("Is the café open?", "£4"));
    }

    @Test
    void keepsLinesWithinQuotesAndTellsWhereRowsStand() throws Unreadable {
        Sheet sheet = csv("q,a\n\"One\nTwo\",\"He said \"\"no\"\"; so\"\nThree,4\n");
        assertThat(cells(sheet)).containsExactly(List.of("One\nTwo", "He said \"no\"; so"), List.of("Three", "4"));
        assertThat(sheet.rows()).extracting(Sheet.Row::line).containsExactly(2, 4);
    }

    @Test
    void shortRowsAreFilledUp() throws Unreadable {
        assertThat(cells(csv("a,b,c\n1\n1,2,3\n"))).containsExactly(List.of("1", "", ""), List.of("1", "2", "3"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'q,a\nx,\"never closed\n'|quotation mark",
                "'only one column\nx\n'|two columns",
                "'q,a\n'|row of headings",
                "''|row of headings"
            })
    void saysWhatIsWrongWithAFile(String text, String part) {
        assertThatThrownBy(() -> csv(text)).isInstanceOf(Unreadable.class).hasMessageContaining(part);
    }

    @Test
    void moreRowsThanAreTakenAreRefused() {
        assertThatThrownBy(() -> csv("q,a\n" + "x,y\n".repeat(Sheet.MOST_ROWS + 1)))
                .isInstanceOf(Unreadable.class)
                .hasMessageContaining("50000 rows");
    }

    @Test
    void ofASpreadsheetTheFirstSheetIsReadAndFormulasAreNotRun() throws IOException, Unreadable {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            var sheet = book.createSheet();
            Row head = sheet.createRow(0);
            head.createCell(0).setCellValue("question");
            head.createCell(1).setCellValue("answer");
            Row row = sheet.createRow(2);
            row.createCell(0).setCellValue("How many?");
            row.createCell(1).setCellFormula("1+1");
            book.write(out);
        }
        Sheet sheet = SheetReader.xlsx(out.toByteArray());
        assertThat(cells(sheet)).hasSize(1);
        assertThat(cells(sheet).getFirst().getFirst()).isEqualTo("How many?");
        assertThat(cells(sheet).getFirst().get(1)).isNotEqualTo("2.0");
    }

    @Test
    void aBombAndOtherFilesAreNoSpreadsheet() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("[Content_Types].xml"));
            byte[] nothing = new byte[1_000_000];
            for (int i = 0; i < 120; i++) {
                zip.write(nothing);
            }
            zip.closeEntry();
        }
        assertThatThrownBy(() -> SheetReader.xlsx(out.toByteArray()))
                .isInstanceOf(Unreadable.class)
                .hasMessageContaining("no spreadsheet");
        assertThatThrownBy(() -> SheetReader.xlsx("hello".getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(Unreadable.class);
    }

    @Test
    void columnsAreGuessedByNameOrByWhatTheyHold() throws Unreadable {
        Columns named = Columns.guess(csv("Topic,Answer,Question,ID\nx,y,z,1\n"));
        assertThat(named).isEqualTo(new Columns(3, 2, -1, 1, 0, -1, -1, -1, -1, -1, -1));
        Columns held = Columns.guess(csv("one,two\nA long sentence that explains it.,How?\nAnother long one.,Why?\n"));
        assertThat(held.question()).isEqualTo(1);
        assertThat(held.answer()).isZero();
        assertThat(new Columns(9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 9)
                        .within(csv("a,b\n1,2\n"))
                        .question())
                .isEqualTo(1);
    }
}
