package com.shuttle.core.booking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.core.booking.FreeSlots.Session;
import com.shuttle.core.booking.Resource.Busy;
import com.shuttle.core.calendar.WeekHours.Span;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Free slots by example, and against a calendar that is walked minute by minute. */
class FreeSlotsTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final LocalDate MONDAY = LocalDate.of(2026, 3, 16);
    private static final Rules VISIT = new Rules(45, 0, 15, 120, 30, 30, 1, 0, false);

    private static Map<DayOfWeek, List<Span>> everyDay(String... spans) {
        List<Span> all =
                Stream.of(spans).map(span -> Span.of(span).orElseThrow()).toList();
        return Stream.of(DayOfWeek.values()).collect(Collectors.toMap(day -> day, day -> all));
    }

    private static Resource person(String id, Busy... busy) {
        return new Resource(id, new OpenHours(LONDON, everyDay("09:00-12:00"), Map.of()), List.of(busy));
    }

    private static Instant at(LocalDate day, String time) {
        return day.atTime(LocalTime.parse(time)).atZone(LONDON).toInstant();
    }

    private static Busy busy(String from, String until) {
        return new Busy(at(MONDAY, from), at(MONDAY, until));
    }

    private static List<String> on(LocalDate day, Rules rules, List<Resource> who, Session... sessions) {
        return FreeSlots.find(
                        rules,
                        who,
                        List.of(sessions),
                        1,
                        at(MONDAY.minusDays(1), "12:00"),
                        at(day, "00:00"),
                        at(day.plusDays(1), "00:00"))
                .stream()
                .map(slot -> slot.start().atZone(LONDON).toLocalTime() + " " + String.join("+", slot.resources()))
                .toList();
    }

    @Test
    void slotsKeepTheirBuffersAndEndWithinTheHours() {
        assertThat(on(MONDAY, VISIT, List.of(person("ann", busy("10:00", "10:30")))))
                .containsExactly("09:00 ann", "10:30 ann", "11:00 ann");
        assertThat(on(MONDAY, VISIT, List.of(person("ann", busy("09:45", "10:30")))))
                .as("a quarter of an hour after each is kept free")
                .containsExactly("10:30 ann", "11:00 ann");
    }

    @Test
    void whoeverIsFreeIsToldAndAllWhereAllAreNeeded() {
        List<Resource> two = List.of(person("ann", busy("09:00", "11:00")), person("bob", busy("10:00", "12:00")));
        assertThat(on(MONDAY, VISIT, two)).containsExactly("09:00 bob", "11:00 ann");
        Rules both = new Rules(45, 0, 15, 120, 30, 30, 1, 0, true);
        assertThat(on(MONDAY, both, two)).isEmpty();
        assertThat(on(MONDAY.plusDays(1), both, two)).contains("09:00 ann+bob").hasSize(5);
    }

    @Test
    void exceptionsNoticeHorizonAndTheDaysLimitCount() {
        Resource off = new Resource(
                "ann",
                new OpenHours(
                        LONDON,
                        everyDay("09:00-12:00"),
                        Map.of(
                                MONDAY,
                                List.of(),
                                MONDAY.plusDays(1),
                                List.of(Span.of("14:00-15:00").orElseThrow()))),
                List.of());
        assertThat(on(MONDAY, VISIT, List.of(off))).isEmpty();
        assertThat(on(MONDAY.plusDays(1), VISIT, List.of(off))).containsExactly("14:00 ann");
        assertThat(on(MONDAY.minusDays(1), VISIT, List.of(person("ann"))))
                .as("past and too soon")
                .isEmpty();
        assertThat(on(MONDAY.plusDays(40), VISIT, List.of(person("ann"))))
                .as("too far")
                .isEmpty();
        Rules once = new Rules(45, 0, 0, 120, 30, 30, 1, 1, false);
        Session taken = new Session(at(MONDAY, "09:00"), List.of("ann"), 1);
        assertThat(on(MONDAY, once, List.of(person("ann", busy("09:00", "09:45"))), taken))
                .isEmpty();
        assertThat(on(MONDAY.plusDays(1), once, List.of(person("ann")), taken)).isNotEmpty();
    }

    @Test
    void aGroupIsSharedUntilItIsFull() {
        Rules night = new Rules(60, 0, 0, 0, 30, 60, 24, 0, false);
        Resource terrace = person("terrace", busy("10:00", "11:00"));
        Session ten = new Session(at(MONDAY, "10:00"), List.of("terrace"), 20);
        List<Slot> four = FreeSlots.find(
                night,
                List.of(terrace),
                List.of(ten),
                4,
                at(MONDAY, "08:00"),
                at(MONDAY, "09:00"),
                at(MONDAY, "12:00"));
        assertThat(four).extracting(Slot::left).containsExactly(24, 4, 24);
        assertThat(FreeSlots.find(
                        night,
                        List.of(terrace),
                        List.of(ten),
                        5,
                        at(MONDAY, "08:00"),
                        at(MONDAY, "09:00"),
                        at(MONDAY, "12:00")))
                .hasSize(2);
        assertThat(FreeSlots.find(
                        night,
                        List.of(terrace),
                        List.of(),
                        25,
                        at(MONDAY, "08:00"),
                        at(MONDAY, "09:00"),
                        at(MONDAY, "12:00")))
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"Europe/London", "America/New_York", "Australia/Lord_Howe", "Asia/Kathmandu", "America/Santiago"
            })
    void nothingFreeIsMissedAndNothingTakenIsOffered(String zone) {
        Random random = new Random(zone.hashCode());
        for (int round = 0; round < 60; round++) {
            ZoneId clock = ZoneId.of(zone);
            LocalDate day = changeOf(clock, random.nextBoolean()).minusDays(1);
            Instant from = day.atStartOfDay(clock).toInstant();
            Instant until = from.plusSeconds(3 * 86_400);
            Rules rules = new Rules(
                    5 * (1 + random.nextInt(20)),
                    5 * random.nextInt(4),
                    5 * random.nextInt(4),
                    random.nextInt(300),
                    1 + random.nextInt(4),
                    5 * (1 + random.nextInt(12)),
                    1,
                    0,
                    random.nextInt(4) == 0);
            List<Resource> resources = IntStream.range(0, 1 + random.nextInt(3))
                    .mapToObj(i -> resource("r" + i, clock, from, random))
                    .toList();
            Instant now = from.plusSeconds(60L * random.nextInt(600));
            Map<Instant, List<String>> found = FreeSlots.find(rules, resources, List.of(), 1, now, from, until).stream()
                    .collect(Collectors.toMap(Slot::start, Slot::resources));
            assertThat(found).isEqualTo(walked(rules, resources, now, from, until));
        }
    }

    private static LocalDate changeOf(ZoneId clock, boolean first) {
        Instant year = Instant.parse("2026-01-01T00:00:00Z");
        var one = clock.getRules().nextTransition(year);
        if (one == null) {
            return MONDAY;
        }
        var other = clock.getRules().nextTransition(one.getInstant());
        return (first || other == null ? one : other).getDateTimeBefore().toLocalDate();
    }

    private static Resource resource(String id, ZoneId clock, Instant from, Random random) {
        Map<DayOfWeek, List<Span>> week = new HashMap<>();
        for (DayOfWeek day : DayOfWeek.values()) {
            int a = random.nextInt(12 * 60);
            int b = a + 1 + random.nextInt(6 * 60);
            int c = b + random.nextInt(120);
            week.put(day, List.of(span(a, b), span(c, c + 1 + random.nextInt(23 * 60 + 58 - c))));
        }
        List<Busy> busy = IntStream.range(0, random.nextInt(12))
                .mapToObj(i -> {
                    Instant start = from.plusSeconds(60L * random.nextInt(3 * 1440) + random.nextInt(60));
                    return new Busy(start, start.plusSeconds(60L * random.nextInt(200)));
                })
                .toList();
        return new Resource(id, new OpenHours(clock, week, Map.of()), busy);
    }

    private static Span span(int from, int until) {
        return new Span(LocalTime.ofSecondOfDay(from * 60L), LocalTime.ofSecondOfDay(until * 60L));
    }

    /** The plain calendar: every minute is looked at. */
    private static Map<Instant, List<String>> walked(
            Rules rules, List<Resource> resources, Instant now, Instant from, Instant until) {
        Map<Instant, List<String>> free = new TreeMap<>();
        for (Resource resource : resources) {
            for (Instant start : starts(rules, resource, from)) {
                boolean inTime = !start.isBefore(now.plusSeconds(60L * rules.notice()))
                        && start.isBefore(now.plusSeconds(86_400L * rules.horizon()))
                        && !start.isBefore(from)
                        && start.isBefore(until);
                Instant begins = start.minusSeconds(60L * rules.before());
                Instant ends = start.plusSeconds(60L * (rules.minutes() + rules.after()));
                boolean clear = resource.busy().stream()
                        .filter(busy -> busy.from().isBefore(busy.until()))
                        .noneMatch(busy ->
                                busy.from().isBefore(ends) && busy.until().isAfter(begins));
                if (inTime && clear && !free.getOrDefault(start, List.of()).contains(resource.id())) {
                    free.computeIfAbsent(start, at -> new ArrayList<>()).add(resource.id());
                }
            }
        }
        free.values().removeIf(who -> rules.all() && who.size() < resources.size());
        return free;
    }

    private static List<Instant> starts(Rules rules, Resource resource, Instant from) {
        List<Instant> starts = new ArrayList<>();
        ZoneId clock = resource.hours().zone();
        LocalDate first = from.atZone(clock).toLocalDate().minusDays(1);
        for (LocalDate day = first; day.isBefore(first.plusDays(6)); day = day.plusDays(1)) {
            for (Span span : resource.hours().on(day)) {
                List<Instant> minutes = new ArrayList<>();
                ZonedDateTime minute = day.atStartOfDay(clock);
                for (; minute.toLocalDate().equals(day); minute = minute.plusMinutes(1)) {
                    LocalTime time = minute.toLocalTime();
                    if (!time.isBefore(span.from()) && time.isBefore(span.until())) {
                        minutes.add(minute.toInstant());
                    }
                }
                if (!minutes.isEmpty()) {
                    Instant closes = minutes.getLast().plusSeconds(60);
                    for (Instant start = minutes.getFirst();
                            !start.plusSeconds(60L * rules.minutes()).isAfter(closes);
                            start = start.plusSeconds(60L * rules.step())) {
                        starts.add(start);
                    }
                }
            }
        }
        return starts;
    }

    @Test
    void hoursThatOverlapAreOne() {
        List<Span> spans = Stream.of("13:00-17:00", "09:00-12:00", "11:00-13:00")
                .map(span -> Span.of(span).orElseThrow())
                .toList();
        assertThat(OpenHours.united(spans))
                .containsExactly(Span.of("09:00-17:00").orElseThrow());
        assertThat(OpenHours.united(List.of())).isEmpty();
    }

    @Test
    void whoHasWaitedLongestOrHasTheFewestTakesIt() {
        Map<String, Chooser.Load> loads = Map.of(
                "ann", new Chooser.Load(Instant.EPOCH, 1), "bob", new Chooser.Load(Instant.EPOCH.plusSeconds(9), 0));
        assertThat(Chooser.choose(Chooser.By.IN_TURN, List.of("bob", "ann"), loads))
                .isEqualTo("ann");
        assertThat(Chooser.choose(Chooser.By.LEAST_BUSY, List.of("ann", "bob"), loads))
                .isEqualTo("bob");
        assertThat(Chooser.choose(Chooser.By.IN_TURN, List.of("bob", "ann", "new"), loads))
                .isEqualTo("new");
    }

    @ParameterizedTest
    @CsvSource({"kt4wxhe, KT4-WXHE", "' KT4 - WXHE ', KT4-WXHE", "KT4-WXH, ''", "KT1-WXH0, ''", "'', ''"})
    void referencesAreReadHoweverTheyAreTyped(String typed, String reference) {
        assertThat(Reference.of(typed)).isEqualTo(reference);
    }

    @Test
    void whatIsNoLengthIsRefused() {
        assertThatThrownBy(() -> new Rules(7, 0, 0, 0, 1, 5, 1, 0, false)).hasMessageContaining("multiple of 5");
        assertThatThrownBy(() -> new Rules(30, 0, 0, 0, 0, 5, 1, 0, false)).hasMessageContaining("horizon");
        assertThat(Reference.of(Reference.next(new Random(1)::nextInt))).hasSize(8);
    }
}
