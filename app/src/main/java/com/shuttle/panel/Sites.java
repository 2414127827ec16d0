package com.shuttle.panel;

import com.shuttle.core.cue.Cue;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Vault;
import java.time.Duration;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The organisation's websites, and how bots show on them. Thread-safe. */
@Service
public class Sites {

    private static final Duration SEEN_EVERY = Duration.ofMinutes(1);

    private final SiteStore store;
    private final Vault vault;
    private final InstantSource clock;

    Sites(SiteStore store, Vault vault, InstantSource clock) {
        this.vault = vault;
        this.store = store;
        this.clock = clock;
    }

    /** All, by name. */
    public List<Site> sites() {
        return store.sites();
    }

    /** One that is there. */
    public Optional<Site> site(String id) {
        return store.site(id);
    }

    /** With which the website's own server signs who its visitors are. */
    String secret(Site site) {
        return vault.sign("visitors of " + site.id());
    }

    /** Whom a token of the website's names there; empty for one that does not hold. */
    public Optional<String> visitor(Site site, String token) {
        return Identity.of(token, secret(site), site.id(), clock.instant());
    }

    /** Keeps a website; one without an id is new. @param bots ids of those that show on a new one */
    @Transactional
    public Checked<Site> keep(String id, String name, String addresses, List<String> bots) {
        store.lock(id);
        List<String> known = id.isEmpty() ? bots : site(id).map(Site::bots).orElseThrow(() -> new Missing("site", id));
        Checked<Site> checked = SiteForm.read(id.isEmpty() ? Ids.next() : id, name, addresses, known);
        if (checked instanceof Checked.Good<Site>(Site site)) {
            store.keep(site, clock.instant());
        }
        return checked;
    }

    /** Has a bot show on a website, last of all; or no longer. @throws Missing if there is no such website */
    @Transactional
    public void show(String id, String bot, boolean shows) {
        store.lock(id);
        Site site = site(id).orElseThrow(() -> new Missing("site", id));
        List<String> bots = new ArrayList<>(site.bots());
        bots.remove(bot);
        if (shows) {
            bots.add(bot);
        }
        store.keep(new Site(id, site.name(), site.addresses(), bots, null, ""), clock.instant());
    }

    @Transactional
    public void delete(String id) {
        store.delete(id, clock.instant());
    }

    @Transactional
    public void bringBack(String id) {
        store.delete(id, null);
    }

    /** A page of a website has asked for the panel. */
    @Transactional
    void seen(Site site, String page) {
        boolean lately = site.seenAt() != null && site.seenAt().plus(SEEN_EVERY).isAfter(clock.instant());
        if (!lately) {
            store.seen(site.id(), page, clock.instant());
        }
    }

    /** How a bot shows. */
    public Presence presence(String bot) {
        return store.presence(bot).orElse(Presence.USUAL);
    }

    @Transactional
    public void keep(String bot, Presence presence) {
        store.keep(bot, presence, clock.instant());
    }

    /** Changes how a bot shows, from what it is at this moment. */
    @Transactional
    public void change(String bot, UnaryOperator<Presence> change) {
        store.lockBot(bot);
        store.keep(bot, change.apply(presence(bot)), clock.instant());
    }

    /** Changes a bot's cues. */
    @Transactional
    public void cues(String bot, UnaryOperator<List<Cue>> change) {
        change(bot, presence -> presence.with(change.apply(new ArrayList<>(presence.cues()))));
    }
}
