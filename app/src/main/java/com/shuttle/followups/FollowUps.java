package com.shuttle.followups;

import com.shuttle.bots.BotService;
import com.shuttle.followups.FollowUp.Begins;
import com.shuttle.followups.FollowUp.Stage;
import com.shuttle.leads.Segments;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Follow-ups as they are written, switched on and off. Thread-safe. */
@Service
public class FollowUps {

    private static final int MOST_STAGES = 8;

    private final FollowUpStore store;
    private final Segments segments;
    private final BotService bots;
    private final Entrances entrances;
    private final InstantSource clock;

    FollowUps(FollowUpStore store, Segments segments, BotService bots, Entrances entrances, InstantSource clock) {
        this.store = store;
        this.segments = segments;
        this.bots = bots;
        this.entrances = entrances;
        this.clock = clock;
    }

    public List<FollowUp> all() {
        return store.all();
    }

    /** @throws Missing if there is no such follow-up */
    public FollowUp followUp(String id) {
        return store.find(id).orElseThrow(() -> new Missing("follow-up", id));
    }

    /** Keeps a follow-up, switched on or off as it was. @param wanted with an empty id for a new one */
    @Transactional
    public Checked<FollowUp> keep(FollowUp wanted) {
        Checked.Errors errors = new Checked.Errors().named(wanted.name(), "name");
        errors.require(!wanted.of().isBlank() && there(wanted), "of", "Choose what it begins with.");
        errors.require(!wanted.stages().isEmpty(), "stages", "Add what goes out.");
        errors.require(
                wanted.stages().size() <= MOST_STAGES, "stages", "There can be up to " + MOST_STAGES + " stages.");
        for (int i = 0; i < wanted.stages().size(); i++) {
            Stage stage = wanted.stages().get(i);
            errors.require(!stage.text().isBlank(), "stage." + i, "Write what it says.");
            errors.require(
                    stage.does() != FollowUp.Does.CALLBACK || stage.text().startsWith("http"),
                    "stage." + i,
                    "A web callback needs an address that begins with https://.");
        }
        Optional<Checked<FollowUp>> bad = errors.bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        if (wanted.id().isEmpty()) {
            FollowUp made = with(wanted, Ids.next(), null);
            store.insert(made, clock.instant());
            return Checked.good(made);
        }
        FollowUp kept = with(wanted, wanted.id(), followUp(wanted.id()).activeSince());
        store.update(kept, clock.instant());
        return Checked.good(kept);
    }

    private boolean there(FollowUp one) {
        return switch (one.begins()) {
            case SEGMENT -> segments.find(one.of()).isPresent();
            case MILESTONE -> true;
            case UNFINISHED -> bots.find(one.of()).isPresent();
        };
    }

    /** Switches a follow-up on: whoever is in its segment already is not followed up. */
    @Transactional
    public void switchOn(String id) {
        FollowUp one = followUp(id);
        if (!one.on()) {
            FollowUp on = with(one, id, clock.instant());
            if (one.begins() == Begins.SEGMENT) {
                entrances.thereBefore(on);
            }
            store.update(on, clock.instant());
        }
    }

    /** Switches it off: what is due waits until it is on again. */
    @Transactional
    public void switchOff(String id) {
        store.update(with(followUp(id), id, null), clock.instant());
    }

    @Transactional
    public void delete(String id) {
        store.delete(followUp(id).id(), clock.instant());
    }

    private static FollowUp with(FollowUp one, String id, java.time.@org.jspecify.annotations.Nullable Instant since) {
        return new FollowUp(
                id,
                one.name().strip(),
                one.begins(),
                one.of(),
                one.stages(),
                one.mostADay(),
                one.hours(),
                one.zone(),
                one.replyTo(),
                since);
    }
}
