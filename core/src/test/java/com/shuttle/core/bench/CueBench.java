package com.shuttle.core.bench;

import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Cues;
import com.shuttle.core.cue.Happening;
import com.shuttle.core.cue.Moment;
import com.shuttle.core.cue.Where;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** Decisions a second among twenty cues with pages, hours and devices, of which the last acts. */
@State(Scope.Thread)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
public class CueBench {

    private final List<Cue> cues =
            IntStream.range(0, 20).mapToObj(CueBench::cue).toList();
    private final Instant at = Instant.parse("2026-03-10T10:00:00Z");
    private final LocalDateTime now = LocalDateTime.parse("2026-03-10T10:00");

    private static Cue cue(int i) {
        return new Cue(
                "c" + i,
                "Cue " + i,
                true,
                Happening.STAYED,
                20,
                List.of(),
                List.of(
                        new Where(Where.Of.PAGE, Where.How.PATTERN, i < 19 ? "/members/*/" + i : "/sch*", false),
                        new Where(Where.Of.CAMPAIGN, Where.How.CONTAINS, "winter", true)),
                Map.of("tuesday", "09:00-17:00"),
                List.of("en"),
                List.of("phone", "desktop"),
                Cue.Limits.USUAL,
                "Hello",
                "",
                false);
    }

    @Benchmark
    public @Nullable Cue decided() {
        Moment moment = new Moment(
                Happening.STAYED,
                40,
                "",
                Moment.address("https://tarnfell.example/schools?year=4"),
                Moment.path("https://tarnfell.example/schools?year=4"),
                "https://news.example/",
                "",
                2,
                "en-GB",
                "phone",
                now,
                at,
                List.of(),
                List.of(),
                Map.of());
        return Cues.decide(cues, moment);
    }
}
