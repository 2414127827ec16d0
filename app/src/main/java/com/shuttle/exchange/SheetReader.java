package com.shuttle.exchange;

import com.shuttle.web.Formulas;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Reads tables of unknown encoding and separator. Pure functions. */
final class SheetReader {

    private static final char[] SEPARATORS = {',', ';', '\t', '|'};
    private static final int LOOKED_AT = 20;

    private SheetReader() {}

    /** UTF-8 and UTF-16 by their marks, UTF-8 where it is valid, Windows-1252 otherwise. */
    static String text(byte[] bytes) {
        if (starts(bytes, 0xEF, 0xBB, 0xBF)) {
            return new String(bytes, 3, bytes.length - 3, StandardCharsets.UTF_8);
        }
        if (starts(bytes, 0xFF, 0xFE)) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16LE);
        }
        if (starts(bytes, 0xFE, 0xFF)) {
            return new String(bytes, 2, bytes.length - 2, StandardCharsets.UTF_16BE);
        }
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException e) {
            return new String(bytes, Charset.forName("windows-1252"));
        }
    }

    private static boolean starts(byte[] bytes, int... mark) {
        for (int i = 0; i < mark.length; i++) {
            if (bytes.length <= i || (bytes[i] & 0xFF) != mark[i]) {
                return false;
            }
        }
        return true;
    }

    static Sheet csv(byte[] bytes) throws Unreadable {
        String text = text(bytes);
        return sheet(records(text, separator(text), Integer.MAX_VALUE));
    }

    /** The separator that gives the most columns throughout the first rows; a comma where none gives two. */
    private static char separator(String text) {
        char best = SEPARATORS[0];
        int most = 1;
        for (char candidate : SEPARATORS) {
            try {
                int least = records(text, candidate, LOOKED_AT).stream()
                        .filter(row -> row.cells().size() > 1
                                || !row.cells().getFirst().isBlank())
                        .mapToInt(row -> row.cells().size())
                        .min()
                        .orElse(0);
                if (least > most) {
                    most = least;
                    best = candidate;
                }
            } catch (Unreadable e) {
                // Not this one, then.
                continue;
            }
        }
        return best;
    }

    private static List<Sheet.Row> records(String text, char separator, int most) throws Unreadable {
        List<Sheet.Row> rows = new ArrayList<>();
        long line = 1;
        try (CSVParser parser = CSVParser.parse(
                text,
                CSVFormat.DEFAULT
                        .builder()
                        .setDelimiter(separator)
                        .setIgnoreEmptyLines(true)
                        .get())) {
            for (CSVRecord row : parser) {
                if (rows.size() > Sheet.MOST_ROWS) {
                    throw tooMany();
                }
                rows.add(new Sheet.Row((int) line, row.toList()));
                line = parser.getCurrentLineNumber() + 1;
                if (rows.size() >= most) {
                    break;
                }
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw new Unreadable("The file cannot be read from line " + line
                    + " on: a quotation mark is opened there and not closed, or stands where none may.");
        }
        return rows;
    }

    static Sheet xlsx(byte[] bytes) throws Unreadable {
        return sheet(XlsxReader.read(bytes));
    }

    private static Unreadable tooMany() {
        return new Unreadable(
                "The file has more than " + Sheet.MOST_ROWS + " rows; please bring it in as several files.");
    }

    private static Sheet sheet(List<Sheet.Row> rows) throws Unreadable {
        int columns = rows.stream().mapToInt(row -> row.cells().size()).max().orElse(0);
        if (rows.size() < 2 || columns < 2) {
            throw new Unreadable(
                    "There should be a row of headings, one or more rows below it, and at least two columns.");
        }
        if (columns > Sheet.MOST_COLUMNS) {
            throw new Unreadable("The file has more than " + Sheet.MOST_COLUMNS + " columns.");
        }
        List<Sheet.Row> even = rows.stream()
                .map(row -> {
                    List<String> cells = new ArrayList<>(
                            row.cells().stream().map(Formulas::untold).toList());
                    while (cells.size() < columns) {
                        cells.add("");
                    }
                    return new Sheet.Row(row.line(), List.copyOf(cells));
                })
                .toList();
        return new Sheet(even.getFirst().cells(), even.subList(1, even.size()));
    }
}
