package com.shuttle;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PreflightTest {

    @TempDir
    private Path data;

    private Path database;

    @BeforeEach
    void fill() throws IOException {
        database = Files.writeString(data.resolve("shuttle.mv.db"), "x");
    }

    @Test
    void aDemoThatWasStoppedHalfWayIsClearedAway() throws IOException {
        Files.writeString(data.resolve("demo-unfinished"), "");
        Preflight.clearUnfinishedDemo(data);
        assertThat(data).isEmptyDirectory();
    }

    @Test
    void dataThatArePeoplesOwnAreLeftAlone() {
        Preflight.clearUnfinishedDemo(data);
        assertThat(database).exists();
    }

    /** The lock is held by another process as a rule; within one, holding it twice is refused just the same. */
    @Test
    void aDemoThatIsBeingMadeElsewhereIsLeftAlone() throws IOException {
        Files.writeString(data.resolve("demo-unfinished"), "");
        try (FileChannel channel = FileChannel.open(database, StandardOpenOption.WRITE)) {
            channel.lock();
            Preflight.clearUnfinishedDemo(data);
        }
        assertThat(database).exists();
    }
}
