package com.shuttle.web;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;

/**
 * Reads a zip of unknown make into memory: names that could climb out are refused, and so is one that unpacks to more than
 * a bound, however small it is packed. Pure functions.
 */
public final class SafeZip {

    static final int MOST_FILES = 2000;
    static final long LARGEST = 64_000_000;

    private static final Pattern NAME =
            Pattern.compile("[A-Za-z0-9_-]{1,80}(/[A-Za-z0-9_-]{1,80}){0,2}(\\.[a-z]{1,5})?");
    private static final int BLOCK = 8192;

    /** Why a file was not taken, for the person who chose it. */
    public static final class Refused extends Exception {
        private static final long serialVersionUID = 1;

        private final String why;

        Refused(String why) {
            super(why);
            this.why = why;
        }

        /** Why, as a sentence. */
        @Override
        public String getMessage() {
            return why;
        }
    }

    private SafeZip() {}

    /**
     * Name to content, in the order of the zip.
     *
     * @throws Refused if it is no zip, or one that should not be unpacked
     */
    public static Map<String, byte[]> read(InputStream in) throws IOException, Refused {
        Map<String, byte[]> files = new LinkedHashMap<>();
        long size = 0;
        try (ZipInputStream zip = new ZipInputStream(in)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.isDirectory()) {
                    continue;
                }
                if (!NAME.matcher(entry.getName()).matches()) {
                    throw new Refused("The zip has a file with a name that Shuttle does not write.");
                }
                if (files.size() >= MOST_FILES) {
                    throw new Refused("The zip has more than " + MOST_FILES + " files in it.");
                }
                ByteArrayOutputStream content = new ByteArrayOutputStream();
                byte[] block = new byte[BLOCK];
                for (int read = zip.read(block); read >= 0; read = zip.read(block)) {
                    size += read;
                    if (size > LARGEST) {
                        throw new Refused("The zip unpacks to more than 64 MB.");
                    }
                    content.write(block, 0, read);
                }
                files.put(entry.getName(), content.toByteArray());
            }
        } catch (ZipException | IllegalArgumentException e) {
            throw new Refused("This is no zip that can be read.");
        }
        if (files.isEmpty()) {
            throw new Refused("This is no zip, or there is nothing in it.");
        }
        return files;
    }
}
