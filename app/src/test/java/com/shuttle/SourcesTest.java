package com.shuttle;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Sources are written to be read: short lines in templates, small files everywhere. */
class SourcesTest {

    private static final int LONGEST_LINE = 140;
    private static final int LONGEST_FILE = 400;
    private static final List<String> WRITTEN = List.of(".java", ".html", ".css", ".js", ".sql");

    private static List<Path> files(String root) throws IOException {
        try (Stream<Path> files = Files.walk(Path.of(root))) {
            return files.filter(Files::isRegularFile)
                    .filter(file -> WRITTEN.stream().anyMatch(file.toString()::endsWith))
                    .filter(file -> !file.toString().contains("vendor"))
                    .toList();
        }
    }

    @Test
    void noLineOfATemplateIsLong() throws IOException {
        List<String> over = new ArrayList<>();
        for (Path file : files("src/main/resources/templates")) {
            List<String> lines = Files.readAllLines(file);
            for (int i = 0; i < lines.size(); i++) {
                if (lines.get(i).length() > LONGEST_LINE) {
                    over.add(file + ":" + (i + 1));
                }
            }
        }
        assertThat(over).isEmpty();
    }

    @Test
    void noFileIsLong() throws IOException {
        List<String> over = new ArrayList<>();
        for (String root : List.of("src", "../core/src", "../standins/src")) {
            for (Path file : files(root)) {
                long lines = Files.readAllLines(file).size();
                if (lines > LONGEST_FILE) {
                    over.add(file + " has " + lines);
                }
            }
        }
        assertThat(over).isEmpty();
    }

    @Test
    void theLengthsOfTextsAreKnownInOnePlace() throws IOException {
        Pattern bare =
                Pattern.compile("(?i)(name|title|note|text|ref|category|label|line)\\.length\\(\\) *[<>]=? *[0-9]{2}");
        List<String> over = new ArrayList<>();
        for (Path file : files("src/main/java")) {
            if (bare.matcher(Files.readString(file)).find()) {
                over.add(file.toString());
            }
        }
        assertThat(over).as("files that know a length which Length should know").isEmpty();
    }
}
