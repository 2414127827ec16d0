package com.shuttle.knowledge;

import com.shuttle.bots.MediaService;
import com.shuttle.bots.OutsideMedia;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The entries of collections. Thread-safe. */
@Service
public class EntryService {

    private final KnowledgeStore store;
    private final KnowledgeService knowledge;
    private final OutsideMedia outside;
    private final MediaService media;
    private final InstantSource clock;

    EntryService(
            KnowledgeStore store,
            KnowledgeService knowledge,
            OutsideMedia outside,
            MediaService media,
            InstantSource clock) {
        this.outside = outside;
        this.media = media;
        this.store = store;
        this.knowledge = knowledge;
        this.clock = clock;
    }

    /** @param state {@code published}, {@code draft}, {@code over} or anything else for all */
    public Page<StoredEntry> entries(String collection, Wanted wanted) {
        return store.entries(collection, wanted, clock.instant());
    }

    public List<String> categories(String collection) {
        return store.categories(collection);
    }

    /** The teams that look after entries of a collection. */
    public List<String> teams(String collection) {
        return store.teams(collection);
    }

    /** @throws Missing if there is no such entry */
    public StoredEntry entry(String id) {
        return store.entry(id).orElseThrow(() -> new Missing("entry", id));
    }

    /** An entry of a collection by its ref. */
    public Optional<StoredEntry> byRef(String collection, String ref) {
        return store.byRef(collection, ref);
    }

    @Transactional
    public Checked<String> add(String collection, EntryDraft draft) {
        knowledge.collection(collection);
        String id = Ids.next();
        return switch (checked(id, draft)) {
            case Checked.Bad<Entry> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Entry>(Entry entry) -> {
                store.insert(id, collection, entry, clock.instant());
                knowledge.changed(collection);
                yield Checked.good(id);
            }
        };
    }

    @Transactional
    public Checked<String> change(String id, EntryDraft draft) {
        StoredEntry before = entry(id);
        return switch (checked(before.entry().ref(), draft)) {
            case Checked.Bad<Entry> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Entry>(Entry entry) -> {
                store.update(id, entry, clock.instant());
                knowledge.changed(before.collection());
                yield Checked.good(id);
            }
        };
    }

    /** An entry as it is to be kept: a picture from elsewhere becomes our own. */
    private Checked<Entry> checked(String ref, EntryDraft draft) {
        Checked<Entry> checked = KnowledgeForms.entry(ref, draft);
        if (!(checked instanceof Checked.Good<Entry>(Entry entry))
                || entry.ties().beside().shown().isEmpty()) {
            return checked;
        }
        Entry.Beside beside = entry.ties().beside();
        Checked<String> shown = OutsideMedia.isOutside(beside.shown())
                ? outside.kept(null, beside.shown())
                : Checked.good(beside.shown());
        return switch (shown) {
            case Checked.Bad<String> bad ->
                Checked.bad("shown", String.join(" ", bad.errors().values()));
            case Checked.Good<String>(String address) ->
                Checked.good(new Entry(
                        entry.ref(),
                        entry.phrasings(),
                        entry.answers(),
                        entry.category(),
                        entry.standing(),
                        entry.ties()
                                .with(new Entry.Beside(
                                        address,
                                        media.isFilm(address),
                                        beside.alt(),
                                        beside.leadOn(),
                                        beside.next()))));
        };
    }

    /** The ref of the entry whose first phrasing this is, in any case of letters. */
    Optional<String> titled(String collection, String title) {
        return store.titled(collection, title.strip());
    }

    /** The first phrasings of a collection's entries, in alphabetical order. */
    List<String> titles(String collection) {
        return store.titles(collection);
    }

    /** Adds a phrasing to the entry of this ref, unless it has it. False if there is no such entry or it is full. */
    @Transactional
    public boolean addPhrasing(String collection, String ref, String phrasing) {
        StoredEntry stored = store.byRef(collection, ref).orElse(null);
        if (stored == null) {
            return false;
        }
        EntryDraft more = EntryDraft.of(stored.entry()).with(phrasing.strip());
        return change(stored.id(), more) instanceof Checked.Good<String>;
    }

    /** Deletes an entry and returns it, so that it can be put back. */
    @Transactional
    public StoredEntry delete(String id) {
        StoredEntry entry = entry(id);
        store.deleteEntry(id);
        knowledge.changed(entry.collection());
        return entry;
    }

    /** Puts a deleted entry back. */
    @Transactional
    public void restore(StoredEntry entry) {
        if (store.entry(entry.id()).isEmpty()
                && store.byRef(entry.collection(), entry.entry().ref()).isEmpty()) {
            store.insert(entry.id(), entry.collection(), entry.entry(), clock.instant());
            knowledge.changed(entry.collection());
        }
    }

    /** Changes several entries of a collection alike. Those of another collection are left alone. */
    @Transactional
    public int changeMany(String collection, List<String> ids, Many many) {
        int changed = 0;
        for (String id : ids) {
            StoredEntry stored = store.entry(id).orElse(null);
            if (stored != null && stored.collection().equals(collection)) {
                store.update(id, many.of(stored.entry()), clock.instant());
                changed++;
            }
        }
        knowledge.changed(collection);
        return changed;
    }

    /** A change made to several entries at once. */
    public sealed interface Many {

        Entry of(Entry entry);

        /** Publishes them, or makes drafts of them. */
        record Publish(boolean published) implements Many {
            @Override
            public Entry of(Entry e) {
                Standing standing = new Standing(
                        published, e.standing().from(), e.standing().until());
                return new Entry(e.ref(), e.phrasings(), e.answers(), e.category(), standing, e.ties());
            }
        }

        /** Moves them to a category. */
        record Categorise(String category) implements Many {
            @Override
            public Entry of(Entry e) {
                return new Entry(e.ref(), e.phrasings(), e.answers(), category, e.standing(), e.ties());
            }
        }
    }
}
