package com.shuttle.followups;

import com.shuttle.core.followup.Decision;
import com.shuttle.core.followup.Standing;
import com.shuttle.followups.FollowUp.Begins;
import com.shuttle.followups.FollowUp.Stage;
import com.shuttle.followups.StandingStore.Entering;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.Person;
import com.shuttle.leads.Segments;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/**
 * Whom a follow-up would have reached in the last thirty days, and when. Of a segment it is not known any more who came into it
 * when: those who are in it now count as having come when they became leads. Sends nothing. Thread-safe.
 */
@Component
class DryRun {

    private static final Duration BACK = Duration.ofDays(30);
    private static final int MOST = 500;
    private static final int MOST_WAITS = 40;

    private final StandingStore standings;
    private final Entrances entrances;
    private final Segments segments;
    private final LeadService leads;
    private final InstantSource clock;

    DryRun(StandingStore standings, Entrances entrances, Segments segments, LeadService leads, InstantSource clock) {
        this.standings = standings;
        this.entrances = entrances;
        this.segments = segments;
        this.leads = leads;
        this.clock = clock;
    }

    /** What would have been done. @param stage from 1 on @param what {@code sent}, {@code not sent} or {@code stopped} */
    record Line(Person person, int stage, String what, String words, Instant at) {}

    /** @param people how many would have been followed up */
    record Outcome(int people, long sent, List<Line> lines) {}

    Outcome of(FollowUp one) {
        Instant now = clock.instant();
        Instant from = now.minus(BACK);
        List<Line> lines = new ArrayList<>();
        int people = 0;
        for (Entering who : entering(one, from, now)) {
            Person person = leads.find(who.person()).orElse(null);
            if (person != null && people < MOST) {
                people++;
                play(one, person, who.at(), now, lines);
            }
        }
        long sent = lines.stream().filter(line -> line.what().equals("sent")).count();
        lines.sort((a, b) -> b.at().compareTo(a.at()));
        return new Outcome(people, sent, lines);
    }

    private List<Entering> entering(FollowUp one, Instant from, Instant now) {
        if (one.begins() != Begins.SEGMENT) {
            return entrances.entering(one, from, now);
        }
        List<Entering> all = new ArrayList<>();
        segments.find(one.of()).ifPresent(segment -> {
            for (String id : segments.people(segment)) {
                Instant at = leads.find(id).map(Person::leadAt).orElse(null);
                if (at != null && at.isAfter(from)) {
                    all.add(new Entering(id, "", at));
                }
            }
        });
        return all;
    }

    private void play(FollowUp one, Person person, Instant enteredAt, Instant now, List<Line> lines) {
        Standing standing = standings.of(person, enteredAt);
        Instant at = enteredAt;
        for (int i = 0; i < one.stages().size(); i++) {
            Stage stage = one.stages().get(i);
            at = at.plusSeconds(stage.after());
            Decision decision = Decision.of(standing, stage.mail(), true, false, one.times(), at);
            for (int waits = 0; decision instanceof Decision.Wait(Instant until) && waits < MOST_WAITS; waits++) {
                at = until;
                decision = Decision.of(standing, stage.mail(), true, false, one.times(), at);
            }
            if (at.isAfter(now)) {
                return;
            }
            switch (decision) {
                case Decision.Act act ->
                    lines.add(new Line(person, i + 1, "sent", stage.does().label(), at));
                case Decision.PassOver(String why) -> lines.add(new Line(person, i + 1, "not sent", why, at));
                case Decision.Stop(String why) -> {
                    lines.add(new Line(person, i + 1, "stopped", why, at));
                    return;
                }
                case Decision.Wait wait -> {
                    return;
                }
            }
        }
    }
}
