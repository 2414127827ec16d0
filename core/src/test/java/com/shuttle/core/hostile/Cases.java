package com.shuttle.core.hostile;

import com.shuttle.core.reading.Words;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Texts that were found to break something once, a file each. */
final class Cases {

    private Cases() {}

    record Case(String name, String text) {}

    static List<Case> in(Path folder) throws IOException {
        List<Case> cases = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.sorted().toList()) {
                cases.add(new Case(file.getFileName().toString(), Words.clean(Files.readString(file))));
            }
        }
        return cases;
    }

    /** Keeps a text under a name made of what it broke. */
    static void keep(Path folder, String name, String text) throws IOException {
        Files.createDirectories(folder);
        Files.write(
                folder.resolve(name.replaceAll("[^A-Za-z0-9]+", "-") + ".txt"), text.getBytes(StandardCharsets.UTF_8));
    }
}
