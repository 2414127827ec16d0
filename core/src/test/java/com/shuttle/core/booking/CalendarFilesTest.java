package com.shuttle.core.booking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.core.booking.Resource.Busy;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.Temporal;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Calendar files of our own are read by others, and those of other programs by us. */
class CalendarFilesTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final Instant START = Instant.parse("2026-03-29T09:00:00Z");

    private static CalendarFile.Event event(String title) {
        return new CalendarFile.Event(
                "b1@shuttle",
                3,
                false,
                START,
                START,
                START.plus(Duration.ofMinutes(45)),
                title,
                "Bring a coat,\nplease; it is cold",
                "The dome",
                "bots@tarnfell.example",
                "dana@mill.example");
    }

    @Test
    void whatWeWriteAnotherReaderUnderstands() throws Exception {
        String title = "Site visit – ".repeat(20) + "😀; with tea, and cake";
        String file = CalendarFile.write(CalendarFile.Method.REQUEST, List.of(event(title)));
        assertThat(file.lines()).allMatch(line -> line.getBytes(StandardCharsets.UTF_8).length <= 75);
        Calendar calendar = new CalendarBuilder().build(new StringReader(file));
        VEvent read = (VEvent) calendar.getComponent(Component.VEVENT).orElseThrow();
        assertThat(read.getSummary().getValue()).isEqualTo(title);
        assertThat(read.getUid().orElseThrow().getValue()).isEqualTo("b1@shuttle");
        assertThat(read.getSequence().getSequenceNo()).isEqualTo(3);
        Temporal start = read.getDateTimeStart().getDate();
        assertThat(Instant.from(start)).isEqualTo(START);
        assertThat(read.getDescription().getValue()).isEqualTo("Bring a coat,\nplease; it is cold");
        assertThat(BusyFeed.read(file, LONDON, START.minusSeconds(1), START.plusSeconds(1)))
                .containsExactly(new Busy(START, START.plus(Duration.ofMinutes(45))));
    }

    private static List<String> busy(String... lines) throws BusyFeed.Unreadable {
        String file = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\n"
                + String.join("\r\n", lines) + "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        return BusyFeed.read(file, LONDON, Instant.parse("2026-03-27T00:00:00Z"), Instant.parse("2026-04-03T00:00:00Z"))
                .stream()
                .map(one -> one.from() + "/" + one.until())
                .toList();
    }

    @Test
    void whatOtherProgramsWriteIsRead() throws Exception {
        assertThat(busy(
                        "DTSTART;TZID=GMT Standard Time:20260330T090000",
                        "DTEND;TZID=GMT Standard Time:20260330T100000"))
                .as("a zone by the name that office programs give it, after the clocks changed")
                .containsExactly("2026-03-30T08:00:00Z/2026-03-30T09:00:00Z");
        assertThat(busy("DTSTART;TZID=America/New_York:20260330T090000", "DURATION:PT1H30M"))
                .containsExactly("2026-03-30T13:00:00Z/2026-03-30T14:30:00Z");
        assertThat(busy("DTSTART;VALUE=DATE:20260330")).containsExactly("2026-03-29T23:00:00Z/2026-03-30T23:00:00Z");
        assertThat(busy("DTSTART:20260330T090000", "DTEND:20260330T100000"))
                .as("on the person's own clock")
                .containsExactly("2026-03-30T08:00:00Z/2026-03-30T09:00:00Z");
        assertThat(busy("SUMMARY:a long tit", " le that goes on", "DTSTART:20260330T090000Z", "DTEND:20260330T100000Z"))
                .hasSize(1);
        assertThat(busy("DTSTART:20260330T090000Z", "DTEND:20260330T100000Z", "TRANSP:TRANSPARENT"))
                .isEmpty();
        assertThat(busy("DTSTART:20260330T090000Z", "DTEND:20260330T100000Z", "STATUS:CANCELLED"))
                .isEmpty();
    }

    @Test
    void seriesKeepTheirHourAndTheirExceptions() throws Exception {
        assertThat(busy(
                        "DTSTART;TZID=Europe/London:20260301T090000",
                        "DTEND;TZID=Europe/London:20260301T093000",
                        "RRULE:FREQ=DAILY",
                        "EXDATE;TZID=Europe/London:20260330T090000"))
                .startsWith(
                        "2026-03-27T09:00:00Z/2026-03-27T09:30:00Z",
                        "2026-03-28T09:00:00Z/2026-03-28T09:30:00Z",
                        "2026-03-29T08:00:00Z/2026-03-29T08:30:00Z",
                        "2026-03-31T08:00:00Z/2026-03-31T08:30:00Z");
        assertThat(busy(
                        "DTSTART;TZID=Europe/London:20260301T090000",
                        "DTEND;TZID=Europe/London:20260301T093000",
                        "RRULE:FREQ=WEEKLY;BYDAY=MO;UNTIL=20260330T235959Z",
                        "RDATE;TZID=Europe/London:20260401T120000"))
                .containsExactlyInAnyOrder(
                        "2026-03-30T08:00:00Z/2026-03-30T08:30:00Z", "2026-04-01T11:00:00Z/2026-04-01T11:30:00Z");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "<html>no</html>", "BEGIN:VCALENDAR", "{\"a\":1}"})
    void whatIsNoCalendarIsSaidOrHasNothing(String file) {
        try {
            assertThat(BusyFeed.read(file, LONDON, START, START.plusSeconds(9))).isEmpty();
        } catch (BusyFeed.Unreadable unreadable) {
            assertThat(unreadable).hasMessageContaining("calendar");
        }
    }

    @Test
    void whatIsTooLargeIsRefused() {
        assertThatThrownBy(() -> BusyFeed.read("x".repeat(BusyFeed.LONGEST + 1), LONDON, START, START))
                .isInstanceOf(BusyFeed.Unreadable.class);
    }

    @ParameterizedTest
    @CsvSource({"FREQ=HOURLY, 168", "FREQ=DAILY;COUNT=2000000000, 7", "FREQ=YEARLY, 0"})
    void aSeriesWithoutAnEndIsFollowedThroughThePeriod(String rule, int many) throws Exception {
        assertThat(busy("DTSTART:19700101T000000Z", "DTEND:19700101T000001Z", "RRULE:" + rule))
                .hasSize(many);
    }

    @Test
    void aSeriesOfEveryMinuteIsRefused() {
        assertThatThrownBy(() -> busy("DTSTART:19700101T000000Z", "RRULE:FREQ=SECONDLY"))
                .hasMessageContaining("every minute");
    }

    private static String many(int events, String lines) {
        return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\n" + ("BEGIN:VEVENT\r\n" + lines + "\r\nEND:VEVENT\r\n").repeat(events)
                + "END:VCALENDAR\r\n";
    }

    static Stream<String> tooMuch() {
        String daily = "DTSTART:20260101T090000Z\r\nDURATION:PT1H\r\nRRULE:FREQ=DAILY";
        String excepted =
                IntStream.range(0, 20_000).mapToObj(i -> "20260101T090000Z").collect(Collectors.joining(","));
        return Stream.of(
                many(20_001, "DTSTART:20260328T090000Z"),
                many(8_000, daily.replace("2026", "2020")),
                many(1, daily + "\r\nEXDATE:" + excepted),
                many(20_000, daily + "\r\nEXDATE:20260102T090000Z"),
                many(1, "DTSTART:19000101T090000Z\r\nRRULE:FREQ=HOURLY"),
                many(
                        30,
                        daily + ";BYHOUR="
                                + IntStream.range(0, 24)
                                        .mapToObj(String::valueOf)
                                        .collect(Collectors.joining(",")) + ";BYMINUTE="
                                + IntStream.range(0, 60)
                                        .mapToObj(String::valueOf)
                                        .collect(Collectors.joining(","))),
                many(1, daily + ";BYSECOND=1;INTERVAL=0"),
                many(1, "DTSTART;VALUE=DATE:20261301"),
                many(1, "DTSTART:20260230T256199Z\r\nRRULE:FREQ=DAILY"),
                many(1, "DTSTART:-999999999-01-01T00:00:00Z"));
    }

    /** Whatever it says, it is read or refused; no bound is passed on the way. */
    @ParameterizedTest
    @MethodSource("tooMuch")
    void noCalendarTakesMoreThanItMay(String file) {
        Instant year = Instant.parse("2027-04-01T00:00:00Z");
        try {
            assertThat(BusyFeed.read(file, LONDON, START, year)).hasSizeLessThan(BusyFeed.MOST_STRETCHES);
        } catch (BusyFeed.Unreadable refused) {
            assertThat(refused).hasMessageContaining("calendar");
        }
    }

    @Test
    void whatTouchesIsOneStretch() throws BusyFeed.Unreadable {
        assertThat(busy(
                        "DTSTART:20260329T090000Z",
                        "DURATION:PT12H",
                        "RRULE:FREQ=DAILY;COUNT=2",
                        "END:VEVENT",
                        "BEGIN:VEVENT",
                        "DTSTART:20260329T200000Z",
                        "DURATION:PT13H"))
                .containsExactly("2026-03-29T09:00:00Z/2026-03-30T21:00:00Z");
    }
}
