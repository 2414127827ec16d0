package com.shuttle.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WeekHoursTest {

    private static final Map<String, String> KEPT = Map.of("monday", "09:00-17:00", "friday", "18:00-23:30");
    private static final WeekHours HOURS = WeekHours.of(KEPT);

    @ParameterizedTest
    @CsvSource({
        "2026-03-09T09:00, true",
        "2026-03-09T16:59, true",
        "2026-03-09T17:00, false",
        "2026-03-09T08:59, false",
        "2026-03-13T18:00, true",
        "2026-03-10T12:00, false"
    })
    void theFirstMomentBelongsToItAndTheLastDoesNot(LocalDateTime at, boolean open) {
        assertThat(HOURS.openAt(at)).isEqualTo(open);
        assertThat(WeekHours.openAt(KEPT, at)).isEqualTo(open);
    }

    @Test
    void noHoursAreAlwaysAndUnreadableOnesAreNever() {
        LocalDateTime monday = LocalDateTime.parse("2026-03-09T12:00");
        assertThat(WeekHours.of(Map.of()).openAt(monday)).isTrue();
        assertThat(WeekHours.openAt(Map.of(), monday)).isTrue();
        assertThat(WeekHours.openAt(Map.of("monday", "mornings"), monday)).isFalse();
        assertThat(WeekHours.of(Map.of("monday", "mornings")).openAt(monday)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "09:00", "9-17", "17:00-09:00", "09:00-09:00", "09:00-17:00-18:00", "24:00-25:00"})
    void whatIsNoSpanIsNone(String text) {
        assertThat(WeekHours.Span.of(text)).isEmpty();
    }

    @Test
    void theFirstZoneThatIsKnownIsTaken() {
        assertThat(Zones.firstKnown("", "Nowhere/Land", "Europe/London")).isEqualTo(ZoneId.of("Europe/London"));
        assertThat(Zones.firstKnown("", "x")).isEqualTo(ZoneOffset.UTC);
    }
}
