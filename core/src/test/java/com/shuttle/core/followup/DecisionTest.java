package com.shuttle.core.followup;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.calendar.WeekHours;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** When somebody is followed up, and why not. */
class DecisionTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final Times ALWAYS = new Times(WeekHours.ALWAYS, LONDON);
    private static final Times OFFICE =
            new Times(WeekHours.of(Map.of("monday", "09:00-17:00", "friday", "09:00-17:00")), LONDON);
    private static final Instant IN = Instant.parse("2026-03-10T09:15:00Z");

    private static Standing standing(
            @Nullable Instant agreed,
            @Nullable Instant stopped,
            @Nullable Instant answered,
            @Nullable Instant booked,
            @Nullable Instant moved) {
        return new Standing(IN, true, agreed, stopped, false, answered, booked, moved);
    }

    private static Decision mail(Standing who, Instant at) {
        return Decision.of(who, true, true, false, ALWAYS, at);
    }

    @Test
    void whoAgreedAndSaidNothingIsWrittenTo() {
        assertThat(mail(standing(IN, null, null, null, null), IN.plusSeconds(60)))
                .isEqualTo(new Decision.Act());
    }

    @Test
    void eachReasonIsTold() {
        Instant at = IN.plusSeconds(600);
        Instant before = IN.plusSeconds(60);
        assertThat(mail(standing(null, null, null, null, null), at))
                .isEqualTo(new Decision.PassOver("has not agreed to mail"));
        assertThat(mail(standing(IN, before, null, null, null), at))
                .isEqualTo(new Decision.Stop("wanted no more mail"));
        assertThat(mail(standing(IN, null, before, null, null), at)).isEqualTo(new Decision.Stop("has answered"));
        assertThat(mail(standing(IN, null, null, before, null), at)).isEqualTo(new Decision.Stop("has booked"));
        assertThat(mail(standing(IN, null, null, null, before), at))
                .isEqualTo(new Decision.Stop("is in another state"));
        assertThat(Decision.of(standing(null, null, null, null, null), false, true, false, ALWAYS, at))
                .as("a task needs no consent")
                .isEqualTo(new Decision.Act());
        assertThat(Decision.of(standing(IN, null, null, null, null), true, false, false, ALWAYS, at))
                .isEqualTo(new Decision.PassOver("the stage is not for them"));
    }

    @Test
    void itWaitsForOpenHoursOnTheClockOfTheZone() {
        Instant tuesday = Instant.parse("2026-03-10T11:00:00Z");
        assertThat(OFFICE.from(tuesday)).isEqualTo(Instant.parse("2026-03-13T09:00:00Z"));
        Instant saturday = Instant.parse("2026-03-28T11:00:00Z");
        assertThat(OFFICE.from(saturday))
                .as("the clocks change on Sunday")
                .isEqualTo(Instant.parse("2026-03-30T08:00:00Z"));
        assertThat(Decision.of(standing(IN, null, null, null, null), true, true, false, OFFICE, tuesday))
                .isEqualTo(new Decision.Wait(Instant.parse("2026-03-13T09:00:00Z")));
        assertThat(Decision.of(standing(IN, null, null, null, null), true, true, true, ALWAYS, tuesday))
                .as("as many went out today as may")
                .isEqualTo(new Decision.Wait(Instant.parse("2026-03-11T00:00:00Z")));
    }

    @Property(tries = 500)
    void nobodyIsWrittenToWithoutConsentOrAfterTheyAnsweredBookedMovedOrStopped(
            @ForAll @IntRange(min = -50, max = 100) int agreed,
            @ForAll @IntRange(min = -50, max = 100) int stopped,
            @ForAll @IntRange(min = -50, max = 100) int answered,
            @ForAll @IntRange(min = -50, max = 100) int booked,
            @ForAll @IntRange(min = -50, max = 100) int moved,
            @ForAll @IntRange(min = 0, max = 100) int at) {
        Standing who = standing(hour(agreed), hour(stopped), hour(answered), hour(booked), hour(moved));
        Instant now = IN.plus(Duration.ofHours(at));
        boolean may = agreed >= 0
                && agreed <= at
                && (stopped < 0 || stopped > at)
                && (answered < 0 || answered > at)
                && (booked < 0 || booked > at)
                && (moved < 0 || moved > at);
        assertThat(mail(who, now) instanceof Decision.Act).isEqualTo(may);
    }

    /** Below nought for what did not happen. */
    private static @Nullable Instant hour(int hour) {
        return hour < 0 ? null : IN.plus(Duration.ofHours(hour));
    }
}
