package com.shuttle.scorecards;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Score;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Drafted scorecards. A release takes a copy of those that its steps name, so that a change here reaches visitors with the next
 * release. Thread-safe.
 */
@Service
public class Scorecards {

    private final ScorecardStore store;
    private final InstantSource clock;

    Scorecards(ScorecardStore store, InstantSource clock) {
        this.store = store;
        this.clock = clock;
    }

    public List<StoredCard> all() {
        return store.all();
    }

    /** Those that a bot may use: its own and the shared ones. */
    public List<StoredCard> of(String bot) {
        return store.all().stream()
                .filter(one -> one.bot().isEmpty() || one.bot().equals(bot))
                .toList();
    }

    public Optional<StoredCard> find(String id) {
        return store.find(id);
    }

    /** @throws Missing if there is no such card */
    public StoredCard card(String id) {
        return find(id).orElseThrow(() -> new Missing("scorecard", id));
    }

    /** The cards that the Score steps of flows name. */
    public List<Scorecard> usedIn(List<Flow> flows) {
        return flows.stream()
                .flatMap(flow -> flow.allSteps().stream())
                .filter(Score.class::isInstance)
                .map(step -> ((Score) step).card())
                .distinct()
                .flatMap(id -> store.find(id).stream())
                .map(StoredCard::card)
                .toList();
    }

    /** Begins a card with three bands and nothing to score by. @param bot empty for all */
    @Transactional
    public Checked<String> create(String name, String bot) {
        Optional<Checked<String>> bad = new Checked.Errors().named(name, "name").bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        List<Scorecard.Band> bands = List.of(
                new Scorecard.Band("b1", "low", 0),
                new Scorecard.Band("b2", "middle", 20),
                new Scorecard.Band("b3", "high", 40));
        return Checked.good(add(
                new Scorecard(
                        "", name.strip(), List.of(new Scorecard.Group("g1", "What counts", null, List.of())), bands),
                bot));
    }

    /** Adds a whole card under an id of its own. @return the id */
    @Transactional
    public String add(Scorecard card, String bot) {
        String id = Ids.next();
        store.insert(new StoredCard(new Scorecard(id, card.name(), card.groups(), card.bands()), bot, clock.instant()));
        return id;
    }

    /** Keeps a card as it is now. */
    @Transactional
    public Checked<StoredCard> keep(Scorecard card, String bot) {
        Optional<Checked<StoredCard>> bad = new Checked.Errors()
                .named(card.name(), "name")
                .require(
                        card.criteria().size() <= Scorecard.MOST_CRITERIA,
                        "card",
                        "A scorecard has up to " + Scorecard.MOST_CRITERIA + " criteria.")
                .bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        StoredCard stored = new StoredCard(card, bot, clock.instant());
        store.update(stored);
        return Checked.good(stored);
    }

    @Transactional
    public void delete(String id) {
        store.delete(id, clock.instant());
    }

    @Transactional
    public void bringBack(String id) {
        store.delete(id, null);
    }
}
