package com.shuttle.exchange;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Sheets that people send, for those who take them elsewhere. Pure functions. */
public final class Uploads {

    private Uploads() {}

    /** A sheet, or why it cannot be read. @param sheet null where it cannot @param why empty where it can */
    public record Read(@Nullable Sheet sheet, String why) {}

    /** @param name of the file, which tells its kind */
    public static Read sheet(String name, byte[] bytes) {
        String low = name.toLowerCase(Locale.ROOT);
        try {
            if (low.endsWith(".xlsx")) {
                return new Read(SheetReader.xlsx(bytes), "");
            }
            if (low.endsWith(".csv") || low.endsWith(".tsv") || low.endsWith(".txt")) {
                return new Read(SheetReader.csv(bytes), "");
            }
            return new Read(null, "Please choose a CSV or XLSX file.");
        } catch (Unreadable unreadable) {
            return new Read(null, unreadable.getMessage());
        }
    }
}
