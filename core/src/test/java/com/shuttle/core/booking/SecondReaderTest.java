package com.shuttle.core.booking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.shuttle.core.booking.CalendarFile.Method;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Two readers of others' making, one of them run by Node.js where the machine has it, read the same in what we write. */
class SecondReaderTest {

    /** Around the clock changes of spring and autumn, and in a leap year. */
    private static final List<String> STARTS = List.of(
            "2026-03-29T00:45:00Z",
            "2026-03-29T01:00:00Z",
            "2026-10-25T00:30:00Z",
            "2026-10-25T01:30:00Z",
            "2028-02-29T23:50:00Z",
            "2026-12-31T23:59:00Z");

    private static List<CalendarFile.Event> events(boolean cancelled) {
        List<CalendarFile.Event> events = new ArrayList<>();
        for (int i = 0; i < STARTS.size(); i++) {
            Instant start = Instant.parse(STARTS.get(i));
            events.add(new CalendarFile.Event(
                    "b" + i + "@shuttle",
                    i,
                    cancelled,
                    Instant.parse("2026-01-01T00:00:00Z"),
                    start,
                    start.plusSeconds(60L * (15 + 45 * i)),
                    "Führung – " + "sehr ".repeat(12 * i) + "lang; mit Tee, Kuchen \\ und 😀",
                    "Line one\nline two",
                    "The dome, by the gate",
                    "bots@tarnfell.example",
                    "dana@mill.example"));
        }
        return events;
    }

    @ParameterizedTest
    @EnumSource(Method.class)
    void bothReadTheSame(Method method) throws Exception {
        boolean here = Arrays.stream(System.getenv().getOrDefault("PATH", "").split(":"))
                .anyMatch(folder -> Files.isExecutable(Path.of(folder, "node")));
        assumeTrue(here, "Node.js is not on this machine");
        List<CalendarFile.Event> written = events(method == Method.CANCEL);
        String file = CalendarFile.write(method, written);
        JsonNode second = readByNode(file);
        assertThat(second.path("method").asString()).isEqualToIgnoringCase(method.name());
        Calendar first = new CalendarBuilder().build(new StringReader(file));
        List<VEvent> read = first.getComponents(Component.VEVENT);
        assertThat(read).hasSameSizeAs(written);
        assertThat(second.path("events").size()).isEqualTo(written.size());
        for (int i = 0; i < written.size(); i++) {
            CalendarFile.Event event = written.get(i);
            JsonNode other = second.path("events").get(i);
            VEvent one = read.get(i);
            Temporal start = one.getDateTimeStart().getDate();
            Temporal end = one.getDateTimeEnd().getDate();
            assertThat(List.of(Instant.from(start), Instant.from(end))).containsExactly(event.start(), event.end());
            assertThat(Instant.parse(other.path("start").asString())).isEqualTo(event.start());
            assertThat(Instant.parse(other.path("end").asString())).isEqualTo(event.end());
            assertThat(other.path("summary").asString())
                    .isEqualTo(event.title())
                    .isEqualTo(one.getSummary().getValue());
            assertThat(other.path("description").asString()).isEqualTo("Line one\nline two");
            assertThat(other.path("sequence").asInt()).isEqualTo(i);
            assertThat(other.path("uid").asString()).isEqualTo(event.uid());
            assertThat(other.path("status").asString()).isEqualTo(method == Method.CANCEL ? "CANCELLED" : "CONFIRMED");
        }
    }

    private static JsonNode readByNode(String file) throws IOException, InterruptedException {
        Process node = new ProcessBuilder("node", "src/test/js/read-calendar.mjs")
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        try (OutputStream in = node.getOutputStream()) {
            in.write(file.getBytes(StandardCharsets.UTF_8));
        }
        String said = new String(node.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(node.waitFor()).as(said).isZero();
        return JsonMapper.shared().readTree(said);
    }
}
