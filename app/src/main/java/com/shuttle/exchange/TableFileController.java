package com.shuttle.exchange;

import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.exchange.TableSheets.Brought;
import com.shuttle.tables.RowImports;
import com.shuttle.tables.RowImports.Done;
import com.shuttle.tables.RowImports.Way;
import com.shuttle.tables.StoredTable;
import com.shuttle.tables.StoredTable.Before;
import com.shuttle.tables.TableService;
import com.shuttle.web.Access;
import com.shuttle.web.Length;
import com.shuttle.web.MostBytes;
import com.shuttle.web.Saved;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Tables that may be asked, brought in from sheets and saved as such. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/tables")
class TableFileController {

    /** More faults than this are told by their number. */
    private static final int MOST_FAULTS = 20;

    private final TableService tables;
    private final RowImports imports;

    TableFileController(TableService tables, RowImports imports) {
        this.tables = tables;
        this.imports = imports;
    }

    @MostBytes(MostBytes.FILE)
    @PostMapping("/file")
    String make(@RequestParam MultipartFile file, RedirectAttributes flash) throws IOException {
        String list = "redirect:/tables";
        String name = fileName(file);
        try {
            Table table = TableSheets.table(title(name), sheet(name, file.getBytes()));
            if (table.columns().size() > Table.MOST_COLUMNS || table.rows().size() > Table.MOST_ROWS) {
                throw new Unreadable(
                        "A table has up to %d columns and %,d rows.".formatted(Table.MOST_COLUMNS, Table.MOST_ROWS));
            }
            flash.addFlashAttribute("saved", true);
            flash.addFlashAttribute(
                    "brought",
                    broughtIn(table.rows().size())
                            + " Look at the kinds of the columns, then let a collection answer from it.");
            return list + "/" + tables.add(table);
        } catch (Unreadable unreadable) {
            flash.addFlashAttribute("errors", Map.of("file", unreadable.getMessage()));
            return list;
        }
    }

    /** "evening-rides.csv" is about "Evening rides". */
    private static String title(String fileName) {
        String words = fileName.replaceFirst("\\.[^.]*$", "")
                .replaceAll("[_\\-\\s]+", " ")
                .strip();
        String name = words.isEmpty() ? "Table" : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
        return Length.SHORT_NAME.cut(name);
    }

    private static String fileName(MultipartFile file) {
        return file.getOriginalFilename() == null ? "" : file.getOriginalFilename();
    }

    private static Sheet sheet(String name, byte[] bytes) throws Unreadable {
        String low = name.toLowerCase(Locale.ROOT);
        if (low.endsWith(".xlsx")) {
            return SheetReader.xlsx(bytes);
        }
        if (low.endsWith(".csv") || low.endsWith(".tsv") || low.endsWith(".txt")) {
            return SheetReader.csv(bytes);
        }
        throw new Unreadable("Please choose a CSV or XLSX file.");
    }

    /** @param way {@code merge}, {@code add} or {@code replace} @param by key of the column by which rows are the same */
    @MostBytes(MostBytes.FILE)
    @PostMapping("/{table}/file")
    String rows(
            @PathVariable String table,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "merge") String way,
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "false") boolean partly,
            HttpSession session,
            RedirectAttributes flash)
            throws IOException {
        StoredTable before = tables.table(table);
        try {
            Brought brought = TableSheets.read(before.with(List.of()), sheet(fileName(file), file.getBytes()));
            flash.addFlashAttribute("faults", shortened(brought.faults()));
            if (brought.rows().isEmpty() || !partly && !brought.faults().isEmpty()) {
                throw new Unreadable("Nothing was brought in. Mend the file, or let what does not fit be left out.");
            }
            if (brought.rows().size() > Table.MOST_ROWS) {
                throw new Unreadable("A table has up to %,d rows.".formatted(Table.MOST_ROWS));
            }
            Done done = imports.bring(before, brought.rows(), way(way), column(before, by));
            session.setAttribute(Before.KEPT, done.before());
            flash.addFlashAttribute("saved", true);
            flash.addFlashAttribute("brought", broughtIn(done.rows()));
            if (!done.stopped().isEmpty()) {
                throw new Unreadable(done.stopped());
            }
        } catch (Unreadable unreadable) {
            flash.addFlashAttribute(
                    "errors", Map.of("table", unreadable.getMessage(), "file", unreadable.getMessage()));
        }
        return "redirect:/tables/" + table;
    }

    private static Way way(String way) {
        return switch (way) {
            case "replace" -> Way.REPLACE;
            case "add" -> Way.ADD;
            default -> Way.MERGE;
        };
    }

    private static Column column(StoredTable table, String key) {
        return table.columns().stream()
                .filter(column -> column.key().equals(key))
                .findFirst()
                .orElse(table.titles());
    }

    private static List<String> shortened(List<String> faults) {
        if (faults.size() <= MOST_FAULTS) {
            return faults;
        }
        List<String> first = new ArrayList<>(faults.subList(0, MOST_FAULTS));
        first.add("And %d more.".formatted(faults.size() - MOST_FAULTS));
        return first;
    }

    @GetMapping("/{table}.csv")
    ResponseEntity<StreamingResponseBody> csv(@PathVariable String table) {
        Table stored = tables.whole(table);
        return Saved.as(stored.name() + ".csv", "text/csv", out -> Sheets.writeCsv(TableSheets.lines(stored), out));
    }

    @GetMapping("/{table}.xlsx")
    ResponseEntity<StreamingResponseBody> xlsx(@PathVariable String table) {
        Table stored = tables.whole(table);
        return Saved.as(
                stored.name() + ".xlsx",
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                out -> Sheets.writeXlsx(stored.name(), TableSheets.lines(stored), out));
    }

    private static String broughtIn(int rows) {
        return rows == 1 ? "One row was brought in." : rows + " rows were brought in.";
    }
}
