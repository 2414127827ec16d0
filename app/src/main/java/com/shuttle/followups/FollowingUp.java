package com.shuttle.followups;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import com.shuttle.core.followup.Decision;
import com.shuttle.core.followup.Standing;
import com.shuttle.core.followup.Times;
import com.shuttle.followups.FollowUp.Does;
import com.shuttle.followups.FollowUp.Stage;
import com.shuttle.followups.FollowUpStore.Run;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.Person;
import com.shuttle.leads.Segments;
import com.shuttle.notices.Letters;
import com.shuttle.notices.Notice;
import com.shuttle.web.Json;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Sends what is due. A part of those who are due is taken at a time, in one transaction: what goes out is written beside how far
 * they have come, so that either both are kept or neither, and nothing goes twice however often the server ends in between.
 */
@Service
class FollowingUp {

    private static final Duration EVERY = Duration.ofSeconds(20);
    private static final Duration BOUNCES = Duration.ofDays(4);
    private static final int PART = 100;

    private final FollowUpStore store;
    private final StandingStore standings;
    private final LeadService leads;
    private final Segments segments;
    private final com.shuttle.leads.Tasks tasks;
    private final Letters letters;
    private final Writing writing;
    private final InstantSource clock;

    FollowingUp(
            FollowUpStore store,
            StandingStore standings,
            LeadService leads,
            Segments segments,
            com.shuttle.leads.Tasks tasks,
            Letters letters,
            Writing writing,
            InstantSource clock) {
        this.store = store;
        this.standings = standings;
        this.leads = leads;
        this.segments = segments;
        this.tasks = tasks;
        this.letters = letters;
        this.writing = writing;
        this.clock = clock;
    }

    /** Goes on with some of those who are due. @return whether there may be more */
    @Transactional
    public boolean goOn(FollowUp one) {
        Instant now = clock.instant();
        List<Run> due = store.due(one.id(), now, PART);
        int left = one.mostADay() == 0 ? Integer.MAX_VALUE : one.mostADay() - sentToday(one, now);
        int sent = 0;
        for (Run run : due) {
            sent += goOn(one, run, sent >= left, now) ? 1 : 0;
        }
        return due.size() == PART;
    }

    private int sentToday(FollowUp one, Instant now) {
        Times times = one.times();
        return store.sentSince(
                one.id(),
                now.atZone(times.zone())
                        .toLocalDate()
                        .atStartOfDay(times.zone())
                        .toInstant());
    }

    /** @return whether anything went out */
    private boolean goOn(FollowUp one, Run run, boolean full, Instant now) {
        Person person = leads.find(run.person()).orElse(null);
        if (person == null || run.stage() >= one.stages().size()) {
            store.move(run, run.stage(), "done", now);
            return false;
        }
        Stage stage = one.stages().get(run.stage());
        Standing standing = standings.of(person, run.enteredAt());
        boolean holds = stage.only().isEmpty()
                || segments.find(stage.only())
                        .filter(segment -> segments.has(segment, person.id()))
                        .isPresent();
        switch (Decision.of(standing, stage.mail(), holds, full, one.times(), now)) {
            case Decision.Act act -> {
                String notice = act(one, stage, person, run, now);
                store.log(
                        one.id(), person.id(), run.stage(), "sent", stage.does().label(), notice, now);
                next(one, run, now);
                return true;
            }
            case Decision.Wait(Instant until) -> store.move(run, run.stage(), "waiting", until);
            case Decision.PassOver(String why) -> {
                store.log(one.id(), person.id(), run.stage(), "not sent", why, "", now);
                next(one, run, now);
            }
            case Decision.Stop(String why) -> {
                store.log(one.id(), person.id(), run.stage(), "stopped", why, "", now);
                store.move(run, run.stage(), "stopped", now);
            }
        }
        return false;
    }

    private void next(FollowUp one, Run run, Instant now) {
        int stage = run.stage() + 1;
        boolean more = stage < one.stages().size();
        store.move(
                run,
                stage,
                more ? "waiting" : "done",
                more ? now.plusSeconds(one.stages().get(stage).after()) : now);
    }

    /** @return id of the mail; empty for none */
    private String act(FollowUp one, Stage stage, Person person, Run run, Instant now) {
        Writing.Written written = writing.of(stage, person, run.conversation());
        if (stage.does() == Does.TASK) {
            tasks.add(
                    person.id(),
                    com.shuttle.core.engine.turn.Texts.unescaped(written.text()),
                    null,
                    person.owner(),
                    person.owner().isEmpty() ? stage.team() : "",
                    "");
            return "";
        }
        if (stage.does() == Does.CALLBACK) {
            letters.callback(stage.text().strip(), "lead.follow_up", Json.write(data(one, person, run.stage())), now);
            return "";
        }
        leads.noteMail(person.id(), "was sent “" + written.subject() + "”");
        return letters.letter(
                person.email(),
                written.subject(),
                written.text(),
                new Notice.Besides(one.replyTo(), writing.stopPath(person.id()), stage.file(), person.id()),
                now);
    }

    private static Map<String, Object> data(FollowUp one, Person person, int stage) {
        return Map.of("followUp", one.name(), "stage", stage + 1, "lead", person.id());
    }

    /** Notes of whom mail came back. */
    @Transactional
    public void bounces() {
        List<String> sent = store.noticesSince(clock.instant().minus(BOUNCES));
        letters.bounced(sent).forEach(person -> leads.stopMail(person, "bounced"));
    }

    /** When it is looked for. */
    @Configuration
    static class Regularly {

        @Bean
        RecurringTask<Void> followUpRounds(ObjectProvider<Round> round) {
            return Tasks.recurring("follow-ups", FixedDelay.of(EVERY))
                    .execute((instance, context) -> round.getObject().run());
        }
    }

    /** One round over all follow-ups that are on. */
    @Service
    static class Round {
        private final FollowUpStore store;
        private final Entrances entrances;
        private final FollowingUp following;
        private final InstantSource clock;

        Round(FollowUpStore store, Entrances entrances, FollowingUp following, InstantSource clock) {
            this.store = store;
            this.entrances = entrances;
            this.following = following;
            this.clock = clock;
        }

        void run() {
            following.bounces();
            for (FollowUp one : store.all()) {
                if (one.on()) {
                    entrances.take(one, clock.instant());
                    while (following.goOn(one)) {
                        continue;
                    }
                }
            }
        }
    }
}
