package com.shuttle.web;

import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Function;
import java.util.function.IntFunction;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.ResponseEntity;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Lists as files for spreadsheets: UTF-8 with its mark; texts that look like formulas are kept from running. */
public final class Csv {

    private Csv() {}

    /**
     * All pages of a list, read one after the other while they are written.
     *
     * @param pages a page by its number from 1
     * @param line  the cells of a row
     */
    public static <T> ResponseEntity<StreamingResponseBody> saved(
            String name, List<String> header, IntFunction<Page<T>> pages, Function<T, List<String>> line) {
        return Saved.as(name, "text/csv", out -> {
            try (Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
                    CSVPrinter printer = new CSVPrinter(writer, CSVFormat.DEFAULT)) {
                writer.write('\ufeff');
                printer.printRecord(header);
                Page<T> page = pages.apply(1);
                write(printer, page, line);
                for (int number = 2; number <= page.pages(); number++) {
                    write(printer, pages.apply(number), line);
                }
            }
        });
    }

    private static <T> void write(CSVPrinter printer, Page<T> page, Function<T, List<String>> line) throws IOException {
        for (T item : page.items()) {
            printer.printRecord(line.apply(item).stream().map(Formulas::told).toList());
        }
    }
}
