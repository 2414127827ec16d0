package com.shuttle.releases;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.bots.LiveState;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.flow.Release;
import com.shuttle.web.AfterCommit;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Length;
import com.shuttle.web.Missing;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Immutable, numbered versions of bots; the newest is live. Thread-safe. */
@Service
public class ReleaseService implements LiveState {

    private final ReleaseStore store;
    private final BotService bots;
    private final InstantSource clock;
    private final Cache<String, Playbook> playbooks =
            Caffeine.newBuilder().maximumSize(200).build();
    private final Cache<String, String> live =
            Caffeine.newBuilder().maximumSize(1000).build();

    ReleaseService(ReleaseStore store, BotService bots, InstantSource clock) {
        this.store = store;
        this.bots = bots;
        this.clock = clock;
    }

    /** Newest first. */
    public List<ReleaseInfo> releases(String bot) {
        return store.releases(bot);
    }

    /** Makes the draft the next release, which visitors talk to from now on. A bot that says nothing is refused. */
    @Transactional
    public synchronized Checked<ReleaseInfo> release(String botId, String note, @Nullable String account) {
        Bot bot = bots.bot(botId);
        Release draft = bots.draftRelease(bot);
        if (new Playbook(draft).start() == null) {
            return Checked.bad("release", "The main flow has no steps yet, so there is nothing to release.");
        }
        if (!Length.RELEASE_NOTE.holds(note)) {
            return Checked.bad("note", Length.RELEASE_NOTE.tooLong());
        }
        int number = store.lastNumber(botId) + 1;
        Release release = new Release(
                number, draft.profile(), draft.mainFlow(), draft.flows(), draft.variables(), draft.standing());
        String id = Ids.next();
        store.insert(id, botId, number, Json.write(release), note.strip(), account, clock.instant());
        AfterCommit.run(() -> live.invalidate(botId));
        return Checked.good(new ReleaseInfo(id, number, note.strip(), "", clock.instant()));
    }

    /** Id of the release that new conversations begin with; empty before the first one. */
    public Optional<String> live(String bot) {
        String known = live.getIfPresent(bot);
        if (known != null) {
            return Optional.of(known);
        }
        Optional<String> found = store.live(bot);
        found.ifPresent(id -> live.put(bot, id));
        return found;
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
    public boolean draftDiffers(Bot bot) {
        return live(bot.id())
                .map(id -> {
                    Release released = playbook(id).release();
                    Release draft = bots.draftRelease(bot);
                    return !released.flows().equals(draft.flows())
                            || !released.profile().equals(draft.profile())
                            || !released.variables().equals(draft.variables())
                            || !released.standing().equals(draft.standing());
                })
                .orElse(true);
    }
}
