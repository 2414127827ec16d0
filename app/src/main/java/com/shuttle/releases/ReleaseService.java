package com.shuttle.releases;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.bots.LiveState;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.edit.Needs;
import com.shuttle.core.edit.ReleaseDiff;
import com.shuttle.core.edit.Unfinished;
import com.shuttle.core.flow.Release;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Length;
import com.shuttle.web.Missing;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Immutable, numbered versions of bots, one of which is live. Thread-safe. */
@Service
public class ReleaseService implements LiveState {

    private final ReleaseStore store;
    private final Lives lives;
    private final BotService bots;
    private final ObjectProvider<Outsider> outsiders;
    private final InstantSource clock;
    private final Cache<String, Playbook> playbooks =
            Caffeine.newBuilder().maximumSize(200).build();

    ReleaseService(
            ReleaseStore store, Lives lives, BotService bots, ObjectProvider<Outsider> outsiders, InstantSource clock) {
        this.store = store;
        this.lives = lives;
        this.bots = bots;
        this.outsiders = outsiders;
        this.clock = clock;
    }

    /** Newest first. */
    public List<ReleaseInfo> releases(String bot) {
        return store.releases(bot);
    }

    /** Makes the draft the next release, which visitors talk to from now on. A bot that says nothing is refused. */
    @Transactional
    public synchronized Checked<ReleaseInfo> release(String botId, String note, @Nullable String account) {
        Checked<ReleaseInfo> made = make(botId, note, account);
        if (made instanceof Checked.Good<ReleaseInfo>(ReleaseInfo release)) {
            lives.goLive(botId, release.id(), account);
        }
        return made;
    }

    /** Makes the draft the next release, and leaves live what is. */
    @Transactional
    public synchronized Checked<ReleaseInfo> make(String botId, String note, @Nullable String account) {
        Release draft = draft(botId);
        if (new Playbook(draft).start() == null) {
            return Checked.bad("release", "The main flow has no steps yet, so there is nothing to release.");
        }
        if (!Length.RELEASE_NOTE.holds(note)) {
            return Checked.bad("note", Length.RELEASE_NOTE.tooLong());
        }
        int number = store.lastNumber(botId) + 1;
        Release release = new Release(
                number,
                draft.profile(),
                draft.mainFlow(),
                draft.flows(),
                draft.variables(),
                draft.standing(),
                draft.cards());
        String id = Ids.next();
        store.insert(id, botId, number, Json.write(release), note.strip(), account, clock.instant());
        return Checked.good(new ReleaseInfo(id, number, note.strip(), "", clock.instant()));
    }

    private Release draft(String bot) {
        return bots.draftRelease(bots.bot(bot));
    }

    /** @throws Missing if the bot has no release of this number */
    public ReleaseInfo release(String bot, int number) {
        return store.releases(bot).stream()
                .filter(one -> one.number() == number)
                .findFirst()
                .orElseThrow(() -> new Missing("release", bot + " " + number));
    }

    /** Makes a release live; conversations that have begun stay on theirs. @throws Missing if there is no such release */
    public void goLive(String bot, int number, @Nullable String account) {
        lives.goLive(bot, release(bot, number).id(), account);
    }

    /** Has a release go live at a time. @throws Missing if there is no such release */
    public void plan(String bot, int number, Instant due, @Nullable String account) {
        lives.plan(new Lives.Plan(bot, release(bot, number).id(), account, due));
    }

    /** A time on a clock; null where it is not ahead. */
    @Nullable
    Instant ahead(LocalDateTime at, ZoneId zone) {
        Instant due = at.atZone(zone).toInstant();
        return due.isAfter(clock.instant()) ? due : null;
    }

    ZoneId zone(String bot) {
        return Zones.firstKnown(bots.bot(bot).zone());
    }

    /** Id of the release that new conversations begin with; empty before the first one. */
    public Optional<String> live(String bot) {
        return lives.live(bot);
    }

    /** What differs from one release to another. @param number 0 for the draft */
    List<ReleaseDiff.Part> compare(String bot, int from, int to) {
        return ReleaseDiff.between(content(bot, from), content(bot, to));
    }

    private Release content(String bot, int number) {
        return number == 0 ? draft(bot) : playbook(release(bot, number).id()).release();
    }

    /** What of the draft is not finished: blanks of a template, and ways that lead nowhere. */
    public record Loose(List<Unfinished.Place> blanks, List<Unfinished.Place> ends) {
        public boolean none() {
            return blanks.isEmpty() && ends.isEmpty();
        }
    }

    Loose unfinished(String bot) {
        Release draft = content(bot, 0);
        return new Loose(Unfinished.blanks(draft), Unfinished.openEnds(draft));
    }

    /** What a release refers to that is gone, in words. @param number 0 for the draft */
    List<String> gone(String bot, int number) {
        Map<String, Outsider> known = outsiders.stream().collect(Collectors.toMap(Outsider::what, one -> one));
        List<String> gone = new ArrayList<>();
        for (Needs.Need need : Needs.of(content(bot, number))) {
            Outsider of = known.get(need.what());
            if (of != null && !of.there().test(need.id())) {
                gone.add("%s: the %s that “%s” names is gone.".formatted(need.flow(), of.label(), need.step()));
            }
        }
        return gone;
    }

    /**
     * A release ready for the engine.
     *
     * @throws Missing if there is no such release
     */
    public Playbook playbook(String release) {
        return playbooks.get(
                release,
                id -> new Playbook(
                        Json.read(store.document(id).orElseThrow(() -> new Missing("release", id)), Release.class)));
    }

    @Override
    public int liveNumber(String bot) {
        return live(bot).map(id -> playbook(id).release().number()).orElse(0);
    }

    @Override
    public int nextNumber(String bot) {
        return store.lastNumber(bot) + 1;
    }

    @Override
    public boolean draftDiffers(Bot bot) {
        return live(bot.id())
                .map(id -> {
                    Release released = playbook(id).release();
                    Release draft = bots.draftRelease(bot);
                    return !released.flows().equals(draft.flows())
                            || !released.profile().equals(draft.profile())
                            || !released.variables().equals(draft.variables())
                            || !released.standing().equals(draft.standing())
                            || !released.cards().equals(draft.cards());
                })
                .orElse(true);
    }
}
