package com.shuttle.bots;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.FlowEditor;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.scorecards.Scorecards;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Length;
import com.shuttle.web.Missing;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Bots and the drafts of their flows. Every edit is kept with the whole flow after it, so that it can be undone at any
 * time; typing in one field within a short while counts as one edit. Thread-safe.
 */
@Service
public class BotService {

    /** Typing on in the same field within this time extends the edit instead of making a new one. */
    static final Duration ONE_EDIT = Duration.ofSeconds(20);

    private final BotStore store;
    private final Scorecards cards;
    private final InstantSource clock;

    BotService(BotStore store, Scorecards cards, InstantSource clock) {
        this.store = store;
        this.cards = cards;
        this.clock = clock;
    }

    public List<Bot> bots() {
        return store.bots();
    }

    /** @throws Missing if there is no such bot */
    public Bot bot(String id) {
        return store.bot(id).orElseThrow(() -> new Missing("bot", id));
    }

    public Optional<Bot> find(String id) {
        return store.bot(id).filter(bot -> !bot.archived());
    }

    /** The bot that visitors find at an address; as {@link #find}, none that is archived. */
    public Optional<Bot> bySlug(String slug) {
        return store.bySlug(slug).filter(bot -> !bot.archived());
    }

    /** Makes a bot with an empty main flow. */
    @Transactional
    public Checked<Bot> create(String name, String region, @Nullable String account) {
        Optional<Checked<Bot>> bad = BotForm.errors(name, "", region).bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        Bot bot = new Bot(
                Ids.next(),
                Slugs.free(name, this::taken),
                name.strip(),
                "",
                region,
                ZoneId.systemDefault().getId(),
                "main",
                List.of(),
                List.of(),
                Manner.PLAIN,
                false);
        store.insert(bot, clock.instant());
        store.insertFlow(bot.id(), Flow.empty("main", "Main"), 0, "began the flow", account, clock.instant());
        return Checked.good(bot);
    }

    /** Makes a bot of a whole one: a copy, a template, a file. Its id is new, its address the nearest free one. */
    @Transactional
    public Bot create(Bot like, List<Flow> flows, String words, @Nullable String account) {
        Bot bot = new Bot(
                Ids.next(),
                Slugs.free(like.slug(), this::taken),
                like.name(),
                like.description(),
                like.region(),
                like.zone(),
                like.mainFlow(),
                like.variables(),
                like.standing(),
                like.manner(),
                false);
        store.insert(bot, clock.instant());
        for (int i = 0; i < flows.size(); i++) {
            store.insertFlow(bot.id(), flows.get(i), i, words, account, clock.instant());
        }
        return bot;
    }

    /** Sets how a bot presents itself. */
    @Transactional
    public void adopt(String id, Manner manner) {
        store.update(locked(id).with(manner));
    }

    /** A copy of a bot with the present drafts of its flows. */
    @Transactional
    public Bot duplicate(String id, @Nullable String account) {
        Bot bot = bot(id);
        String name = bot.name().substring(0, Math.min(bot.name().length(), 193)) + " (copy)";
        Bot like = bot.described(bot.slug(), name, bot.description(), bot.region(), bot.zone(), bot.manner());
        return create(like, drafts(id).stream().map(Draft::flow).toList(), "copied from " + bot.name(), account);
    }

    /** Puts a bot away, or takes it out again. Visitors do not find one that is put away; its conversations go on. */
    @Transactional
    public void archive(String id, boolean away) {
        store.archive(bot(id).id(), away ? clock.instant() : null);
    }

    /** Deletes a bot; it can be brought back. */
    @Transactional
    public Bot delete(String id) {
        Bot bot = bot(id);
        store.delete(bot, clock.instant());
        return bot;
    }

    /** Deleted bots, the last first, with when they were deleted. */
    public Map<Bot, Instant> deleted() {
        return store.deleted();
    }

    /**
     * Brings a deleted bot back, under its address if that is still free.
     *
     * @throws Missing if no such bot was deleted
     */
    @Transactional
    public Bot restore(String id) {
        String slug = store.formerSlug(id).orElseThrow(() -> new Missing("bot", id));
        store.restore(id, Slugs.free(slug, this::taken));
        return bot(id);
    }

    @Transactional
    public Checked<Bot> change(String id, BotForm form) {
        Bot before = locked(id);
        Optional<Checked<Bot>> bad = form.errors(slug -> store.bySlug(slug)
                        .filter(other -> !other.id().equals(id))
                        .isPresent())
                .bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        Bot bot = before.described(
                form.slug(),
                form.name().strip(),
                form.description().strip(),
                form.region(),
                form.zone(),
                form.manner());
        store.update(bot);
        return Checked.good(bot);
    }

    /** Sets how a bot behaves, and how standing requests are heard. */
    @Transactional
    public void behave(String id, Manner manner, List<StandingWords> standing) {
        Bot bot = locked(id).with(manner);
        store.update(bot.with(bot.variables(), standing));
    }

    /** A bot that nobody else changes until the transaction is over. @throws Missing if there is no such bot */
    @Transactional(propagation = Propagation.MANDATORY)
    Bot locked(String id) {
        if (!store.lock(id)) {
            throw new Missing("bot", id);
        }
        return bot(id);
    }

    private boolean taken(String slug) {
        return store.bySlug(slug).isPresent();
    }

    // Flows

    public List<Draft> drafts(String bot) {
        return store.drafts(bot);
    }

    /** @throws Missing if there is no such flow */
    public Draft draft(String bot, String flow) {
        return store.draft(bot, flow).orElseThrow(() -> new Missing("flow", flow));
    }

    /** The draft as the engine takes it. */
    public Release draftRelease(Bot bot) {
        List<Flow> flows = store.drafts(bot.id()).stream().map(Draft::flow).toList();
        return new Release(
                0,
                new Release.Profile(
                        bot.name(),
                        bot.region(),
                        bot.zone(),
                        bot.manner().team(),
                        bot.manner().hours(),
                        bot.manner().responses()),
                bot.mainFlow(),
                flows,
                bot.variables(),
                bot.standing(),
                cards.usedIn(flows));
    }

    /** Adds an empty flow. */
    @Transactional
    public Checked<Flow> addFlow(String bot, String name, @Nullable String account) {
        Optional<Checked<Flow>> bad = new Checked.Errors().named(name, "name").bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        return Checked.good(addFlow(bot, Flow.empty(store.freeFlow(bot), name.strip()), "began the flow", account));
    }

    /** Adds a whole flow beside those there are, under its own id where that was never taken and another where it was. */
    @Transactional
    public Flow addFlow(String bot, Flow flow, String words, @Nullable String account) {
        boolean taken = store.draft(bot(bot).id(), flow.id()).isPresent();
        Flow added = taken ? flow.as(store.freeFlow(bot)) : flow;
        store.insertFlow(bot, added, store.drafts(bot).size() + 1, words, account, clock.instant());
        return added;
    }

    /** Adds a whole flow, or makes it the new state of the one that has its id. */
    @Transactional
    public void putFlow(String bot, Flow flow, String words, @Nullable String account) {
        if (store.lock(bot, flow.id()).isPresent()) {
            store.deleteFlow(bot, flow.id(), null);
            save(bot, flow, words, null, account);
        } else {
            store.insertFlow(bot, flow, store.drafts(bot).size(), words, account, clock.instant());
        }
    }

    /** Renames a flow and sets the phrases that lead to it, one a line. */
    @Transactional
    public Checked<Flow> describeFlow(String bot, String flow, String name, String phrases, @Nullable String account) {
        Optional<Checked<Flow>> bad = new Checked.Errors().named(name, "name").bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        store.lock(bot, flow);
        Flow before = draft(bot, flow).flow();
        List<String> lines = phrases.lines()
                .map(String::strip)
                .filter(line -> !line.isEmpty())
                .map(Length.TRIGGER::cut)
                .distinct()
                .limit(200)
                .toList();
        Flow after = before.described(name.strip(), lines);
        save(bot, after, "changed the name or phrases of the flow", null, account);
        return Checked.good(after);
    }

    /** Deletes a flow other than the main one; it can be brought back. */
    @Transactional
    public boolean deleteFlow(String bot, String flow) {
        if (bot(bot).mainFlow().equals(flow)) {
            return false;
        }
        store.deleteFlow(bot, flow, clock.instant());
        return true;
    }

    /** Brings a deleted flow back. */
    @Transactional
    public void restoreFlow(String bot, String flow) {
        store.deleteFlow(bot, flow, null);
    }

    /** Applies an edit to a draft and keeps it. */
    @Transactional
    public Edited edit(String bot, String flow, Edit edit, @Nullable String account) {
        store.lock(bot, flow).orElseThrow(() -> new Missing("flow", flow));
        Flow before = draft(bot, flow).flow();
        Edited edited = FlowEditor.apply(before, edit);
        if (edited instanceof Edited.Done done && !done.flow().equals(before)) {
            String mergeKey = switch (edit) {
                case Edit.Set set -> "set " + set.step() + " " + set.field() + " " + account;
                case Edit.NameSection name -> "section " + name.section() + " " + account;
                default -> null;
            };
            save(bot, done.flow(), done.words(), mergeKey, account);
        }
        return edited;
    }

    private void save(String bot, Flow flow, String words, @Nullable String mergeKey, @Nullable String account) {
        int edit = store.lock(bot, flow.id()).orElseThrow(() -> new Missing("flow", flow.id()));
        Instant now = clock.instant();
        boolean extendsLast = mergeKey != null
                && !store.editExists(bot, flow.id(), edit + 1)
                && store.mergeOf(bot, flow.id(), edit)
                        .filter(last -> last.key().equals(mergeKey)
                                && last.at().plus(ONE_EDIT).isAfter(now))
                        .isPresent();
        if (extendsLast) {
            store.rewriteEdit(bot, flow, edit, now);
            return;
        }
        store.dropAfter(bot, flow.id(), edit);
        store.insertEdit(bot, flow, edit + 1, words, mergeKey, account, now);
        store.present(bot, flow.id(), edit + 1);
    }

    /** Goes one edit back or forward; stays where there is none. */
    @Transactional
    public Draft step(String bot, String flow, boolean back) {
        int edit = store.lock(bot, flow).orElseThrow(() -> new Missing("flow", flow));
        int to = back ? edit - 1 : edit + 1;
        if (store.editExists(bot, flow, to)) {
            store.present(bot, flow, to);
        }
        return draft(bot, flow);
    }

    /** Counts steps of all drafts. */
    public int steps(String bot) {
        return store.drafts(bot).stream()
                .mapToInt(draft -> draft.flow().allSteps().size())
                .sum();
    }
}
