package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.engine.turn.Surroundings;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Release;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Clocks, hours and the bot's own team. */
class SurroundingsTest {

    private static final Map<String, String> HOURS = Map.of("monday", "09:00-17:00", "saturday", "10:00-12:30");

    private static Surroundings at(String instant, String zone) {
        Release.Profile profile = new Release.Profile("V", "GB", "Europe/London", "visits", HOURS, List.of());
        return new Surroundings(profile, Instant.parse(instant), zone, new FakeWorld());
    }

    @ParameterizedTest
    @CsvSource({
        "2026-03-10T09:15:00Z, Asia/Tokyo, 2026-03-10T18:15",
        "2026-07-10T09:15:00Z, '', 2026-07-10T10:15",
        "2026-07-10T09:15:00Z, Mars/Base, 2026-07-10T10:15",
        "2026-12-31T23:30:00Z, Pacific/Kiritimati, 2027-01-01T13:30",
    })
    void theVisitorsClockIsUsedOrElseTheBots(String instant, String zone, String now) {
        assertThat(at(instant, zone).now()).isEqualTo(LocalDateTime.parse(now));
        assertThat(at(instant, zone).context().now()).isEqualTo(LocalDateTime.parse(now));
    }

    @ParameterizedTest
    @CsvSource({
        "2026-03-09T09:00:00Z, true",
        "2026-03-09T08:59:59Z, false",
        "2026-03-09T16:59:59Z, true",
        "2026-03-09T17:00:00Z, false",
        "2026-03-10T10:00:00Z, false",
        "2026-03-14T12:29:00Z, true",
        "2026-07-13T08:30:00Z, true",
    })
    void hoursAreThoseOfTheBotsClockWhereverTheVisitorIs(String instant, boolean open) {
        assertThat(at(instant, "Asia/Tokyo").inHours()).isEqualTo(open);
        assertThat(at(instant, "").inHours()).isEqualTo(open);
    }

    @Test
    void withoutHoursItIsAlwaysOpen() {
        Release.Profile profile = new Release.Profile("V", "GB", "Europe/London");
        assertThat(profile.openAt(LocalDateTime.parse("2026-03-08T03:00"))).isTrue();
        assertThat(profile.team()).isEmpty();
    }

    private static Turn.Taken begun(Flow flow, Release.Profile profile, String instant) {
        Release release = new Release(1, profile, "main", List.of(flow), List.of(), List.of());
        Stamp stamp = new Stamp(Instant.parse(instant), 1);
        Turn turn = Engine.take(new Playbook(release), State.NEW, new Event.Started(stamp, "web", ""), new FakeWorld());
        assertThat(turn).isInstanceOf(Turn.Taken.class);
        return (Turn.Taken) turn;
    }

    @Test
    void aRuleCanAskForTheHours() {
        Flow flow = flow("main")
                .json(
                        "{'kind':'branch','id':'b','rules':[{'id':'r1','when':'in_hours'}],'exits':{'rule:r1':'step:open','otherwise':'step:shut'}}")
                .end("open", "We are here.")
                .end("shut", "Come back in the morning.")
                .build();
        Release.Profile profile = new Release.Profile("V", "GB", "Europe/London", "", HOURS, List.of());
        assertThat(begun(flow, profile, "2026-03-09T10:00:00Z").effects().toString())
                .contains("We are here.");
        assertThat(begun(flow, profile, "2026-03-10T10:00:00Z").effects().toString())
                .contains("Come back in the morning.");
    }

    @Test
    void aHandOffWithoutATeamGoesToTheBotsOwn() {
        Flow own = flow("main").handOff("h", "", null, null).build();
        Flow named = flow("main").handOff("h", "schools", null, null).build();
        Release.Profile profile = new Release.Profile("V", "GB", "Europe/London", "visits", Map.of(), List.of());
        assertThat(begun(own, profile, "2026-03-09T10:00:00Z").state().team()).isEqualTo("visits");
        assertThat(begun(named, profile, "2026-03-09T10:00:00Z").state().team()).isEqualTo("schools");
        Release.Profile any = new Release.Profile("V", "GB", "Europe/London");
        assertThat(begun(own, any, "2026-03-09T10:00:00Z").state().team()).isEmpty();
    }
}
