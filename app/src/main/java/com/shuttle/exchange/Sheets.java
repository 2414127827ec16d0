package com.shuttle.exchange;

import com.shuttle.core.knowledge.Entry;
import com.shuttle.web.Formulas;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.util.WorkbookUtil;
import org.apache.poi.xssf.streaming.SXSSFSheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;
import org.jspecify.annotations.Nullable;

/** Writes entries as tables that {@link SheetReader} and {@link Columns} read back. Pure functions. */
public final class Sheets {

    private static final List<String> HEADER = List.of(
            "ref", "question", "phrasings", "answer", "category", "state", "from", "until", "team", "article", "flow");

    private Sheets() {}

    private static List<String> row(Entry entry) {
        return List.of(
                Formulas.told(entry.ref()),
                Formulas.told(entry.phrasings().getFirst()),
                Formulas.told(String.join(
                        "\n", entry.phrasings().subList(1, entry.phrasings().size()))),
                Formulas.told(String.join("\n---\n", entry.answers())),
                Formulas.told(entry.category()),
                entry.standing().published() ? "published" : "draft",
                day(entry.standing().from()),
                day(entry.standing().until()),
                Formulas.told(entry.ties().team()),
                Formulas.told(entry.ties().article()),
                Formulas.told(entry.ties().flow()));
    }

    static String day(@Nullable LocalDate day) {
        return day == null ? "" : day.toString();
    }

    /** UTF-8 with its mark, so that spreadsheets see it. */
    static void csv(List<Entry> entries, OutputStream out) throws IOException {
        writeCsv(lines(entries), out);
    }

    static void writeCsv(List<List<String>> lines, OutputStream out) throws IOException {
        try (Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
                CSVPrinter printer = new CSVPrinter(writer, CSVFormat.DEFAULT)) {
            writer.write('\ufeff');
            printer.printRecords(lines);
        }
    }

    static void xlsx(List<Entry> entries, OutputStream out) throws IOException {
        writeXlsx("Entries", lines(entries), out);
    }

    private static List<List<String>> lines(List<Entry> entries) {
        return Stream.concat(Stream.of(HEADER), entries.stream().map(Sheets::row))
                .toList();
    }

    public static void writeXlsx(String name, List<List<String>> lines, OutputStream out) throws IOException {
        try (SXSSFWorkbook book = new SXSSFWorkbook()) {
            SXSSFSheet sheet = book.createSheet(WorkbookUtil.createSafeSheetName(name));
            for (int i = 0; i < lines.size(); i++) {
                write(sheet.createRow(i), lines.get(i));
            }
            book.write(out);
        }
    }

    private static void write(Row row, List<String> cells) {
        for (int i = 0; i < cells.size(); i++) {
            row.createCell(i).setCellValue(cells.get(i));
        }
    }
}
