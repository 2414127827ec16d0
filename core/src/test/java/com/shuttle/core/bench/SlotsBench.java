package com.shuttle.core.bench;

import com.shuttle.core.booking.FreeSlots;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Resource;
import com.shuttle.core.booking.Resource.Busy;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Milliseconds for the free times of 60 days, with 10,000 busy stretches over all people. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class SlotsBench {

    private static final int BUSY = 10_000;
    private static final int DAYS = 60;
    private static final Instant NOW = Instant.parse("2026-03-10T09:15:00Z");
    private static final Rules VISIT = new Rules(45, 0, 15, 60, DAYS, 30, 1, 0, false);

    @Param({"1", "50", "500"})
    public int people;

    private List<Resource> resources = List.of();

    @Setup
    public void setUp() {
        Random random = new Random(1);
        List<Span> day = List.of(
                Span.of("09:00-12:30").orElseThrow(), Span.of("13:30-18:00").orElseThrow());
        Map<DayOfWeek, List<Span>> week =
                Stream.of(DayOfWeek.values()).collect(Collectors.toMap(one -> one, one -> day));
        OpenHours hours = new OpenHours(ZoneId.of("Europe/London"), week, Map.of());
        resources = IntStream.range(0, people)
                .mapToObj(i -> new Resource(
                        "r" + i,
                        hours,
                        IntStream.range(0, BUSY / people)
                                .mapToObj(k -> NOW.plus(Duration.ofMinutes(random.nextInt(DAYS * 1440))))
                                .map(from -> new Busy(from, from.plus(Duration.ofMinutes(20))))
                                .toList()))
                .toList();
    }

    @Benchmark
    public List<Slot> freeTimes() {
        return FreeSlots.find(VISIT, resources, List.of(), 1, NOW, NOW, NOW.plus(Duration.ofDays(DAYS)));
    }
}
