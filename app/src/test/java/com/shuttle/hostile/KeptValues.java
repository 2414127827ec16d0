package com.shuttle.hostile;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;

/** Values that once broke a route, each in a file of its own, and new ones made of pieces. */
final class KeptValues {

    private static final Path FOLDER = Path.of("src/test/resources/hostile");

    private static final List<String> PIECES = List.of(
            "0", "-", ".", "9", "1e", "a", " ", "\n", "\t", "\"", "'", "\\", "/", "%", "&", "=", "<", ">", "{", "}",
            "[", "]", "(", ")", "*", "|", ":", ";", "#", "@", "$", "null", "http://", "step:", "option:", "{{", "}}",
            "T00:00", "-01-01", "\u0000", "\u202e", "\ud83d", "ﷺ", "é", "語");

    private KeptValues() {}

    static List<String> all() throws IOException {
        if (!Files.isDirectory(FOLDER)) {
            return List.of();
        }
        List<String> values = new ArrayList<>();
        try (Stream<Path> files = Files.list(FOLDER)) {
            for (Path file : files.sorted().toList()) {
                values.add(Files.readString(file));
            }
        }
        return values;
    }

    static void keep(String value) throws IOException {
        Files.createDirectories(FOLDER);
        Files.writeString(FOLDER.resolve(Integer.toHexString(value.hashCode()) + ".txt"), value);
    }

    /** Short and long ones, of pieces that mean something somewhere. */
    static List<String> made(Random random, int number) {
        List<String> values = new ArrayList<>();
        for (int i = 0; i < number; i++) {
            StringBuilder value = new StringBuilder();
            int pieces = 1 + random.nextInt(8);
            for (int p = 0; p < pieces; p++) {
                value.append(PIECES.get(random.nextInt(PIECES.size()))
                        .repeat(random.nextInt(6) == 0 ? 1 + random.nextInt(400) : 1));
            }
            values.add(value.toString());
        }
        return values;
    }
}
