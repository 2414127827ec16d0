package com.shuttle.exchange;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.util.ZipSecureFile;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.jspecify.annotations.Nullable;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;

/** Reads the first sheet of a workbook row by row, so that what is kept in memory is what is read. Pure functions. */
final class XlsxReader {

    /** A packed part that unpacks to more than a hundred times its size is a trap; one of this size is too much anyway. */
    private static final long LARGEST_PART = 40_000_000;

    static {
        ZipSecureFile.setMinInflateRatio(0.01);
        ZipSecureFile.setMaxEntrySize(LARGEST_PART);
    }

    private XlsxReader() {}

    /** Ends the reading of a sheet that has more rows than are taken. */
    private static final class TooMany extends RuntimeException {
        private static final long serialVersionUID = 1;
    }

    static List<Sheet.Row> read(byte[] bytes) throws Unreadable {
        try (OPCPackage book = OPCPackage.open(new ByteArrayInputStream(bytes))) {
            XSSFReader reader = new XSSFReader(book);
            Iterator<InputStream> sheets = reader.getSheetsData();
            if (!sheets.hasNext()) {
                throw new Unreadable("There is no sheet in this file.");
            }
            Rows rows = new Rows();
            XMLReader xml = XMLHelper.newXMLReader();
            // What a formula came to when it was saved; formulas are never worked out here.
            xml.setContentHandler(new XSSFSheetXMLHandler(
                    reader.getStylesTable(),
                    null,
                    new ReadOnlySharedStringsTable(book),
                    rows,
                    new DataFormatter(),
                    false));
            try (InputStream sheet = sheets.next()) {
                xml.parse(new InputSource(sheet));
            }
            return rows.read;
        } catch (TooMany e) {
            throw new Unreadable(
                    "The file has more than " + Sheet.MOST_ROWS + " rows; please bring it in as several files.");
        } catch (IOException | OpenXML4JException | SAXException | ParserConfigurationException | RuntimeException e) {
            throw new Unreadable(
                    "This is no spreadsheet that can be read, or one that unpacks to far more than it should.");
        }
    }

    private static final class Rows implements XSSFSheetXMLHandler.SheetContentsHandler {

        final List<Sheet.Row> read = new ArrayList<>();
        private List<String> cells = new ArrayList<>();

        @Override
        public void startRow(int row) {
            cells = new ArrayList<>();
        }

        @Override
        public void cell(@Nullable String reference, @Nullable String value, @Nullable XSSFComment comment) {
            int column = reference == null ? cells.size() : new CellReference(reference).getCol();
            if (column <= Sheet.MOST_COLUMNS && column >= cells.size()) {
                while (cells.size() < column) {
                    cells.add("");
                }
                cells.add(value == null ? "" : value);
            }
        }

        @Override
        public void endRow(int row) {
            if (cells.stream().anyMatch(cell -> !cell.isBlank())) {
                if (read.size() > Sheet.MOST_ROWS) {
                    throw new TooMany();
                }
                read.add(new Sheet.Row(row + 1, cells));
            }
        }
    }
}
