package com.shuttle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;

/** The tests of scripts that compute, in {@code src/test/js}, run by Node.js where the machine has it. */
class ScriptsTest {

    private static boolean hasNode() {
        return Arrays.stream(System.getenv().getOrDefault("PATH", "").split(":"))
                .anyMatch(folder -> Files.isExecutable(Path.of(folder, "node")));
    }

    @Test
    void scriptsComputeWhatTheyShould() throws IOException, InterruptedException {
        assumeTrue(hasNode(), "Node.js is not on this machine");
        Process node = new ProcessBuilder("node", "--test", "src/test/js/")
                .redirectErrorStream(true)
                .start();
        String said = new String(node.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(node.waitFor()).as(said).isZero();
        assertThat(said).doesNotContain("# tests 0");
    }
}
