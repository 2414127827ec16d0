package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Health;
import com.shuttle.core.knowledge.HealthCheck;
import com.shuttle.core.knowledge.Inquiry;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.knowledge.Ref;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Collections of knowledge and asking them. Thread-safe.
 */
@Service
public class KnowledgeService {

    /** Fewer new texts than this are read while one waits. */
    public static final int MUCH = 100;

    /** How far the reading of new texts has come: so many of so many entries and articles. */
    public record Reading(int done, int of) {}

    private final KnowledgeStore store;
    private final Meaning meanings;
    private final InstantSource clock;
    private final Indexes indexes;
    private final CollectionTables tables;
    private final Pleasantries pleasantries;

    KnowledgeService(
            KnowledgeStore store,
            Indexes indexes,
            CollectionTables tables,
            Pleasantries pleasantries,
            Meaning meanings,
            InstantSource clock) {
        this.pleasantries = pleasantries;
        this.tables = tables;
        this.indexes = indexes;
        this.store = store;
        this.meanings = meanings;
        this.clock = clock;
    }

    // Collections

    public List<KnowledgeCollection> collections() {
        return store.collections();
    }

    /** @throws Missing if there is no such collection */
    public KnowledgeCollection collection(String id) {
        return store.collections().stream()
                .filter(collection -> collection.id().equals(id))
                .findFirst()
                .map(collection -> collection.with(muchToRead(id).orElse(null)))
                .orElseThrow(() -> new Missing("collection", id));
    }

    @Transactional
    public Checked<String> create(String name) {
        Optional<Checked<String>> bad = nameErrors(name).bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        String id = Ids.next();
        store.insert(id, name.strip(), clock.instant());
        return Checked.good(id);
    }

    @Transactional
    public Checked<String> rename(String id, String name) {
        Optional<Checked<String>> bad = nameErrors(name).bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        store.rename(id, name.strip());
        return Checked.good(id);
    }

    private static Checked.Errors nameErrors(String name) {
        return new Checked.Errors().named(name, "name");
    }

    @Transactional
    public void delete(String id) {
        store.delete(id);
        changed(id);
    }

    public List<String> collectionsOf(String bot) {
        return store.collectionsOf(bot);
    }

    @Transactional
    public void setCollections(String bot, List<String> collections) {
        Set<String> known = new HashSet<>(collections);
        known.retainAll(
                store.collections().stream().map(KnowledgeCollection::id).toList());
        store.setCollections(bot, known);
    }

    /** Everything in a collection, with the tables that it answers from. */
    public Content content(String collection) {
        Content content = store.content(collection(collection).id());
        return new Content(content.entries(), content.articles(), content.synonyms(), tables.contents(collection));
    }

    /** Makes a collection of this content, under this id if no other has it. The id it got. */
    @Transactional
    public String bringIn(String id, String name, Content content) {
        boolean taken =
                store.collections().stream().anyMatch(other -> other.id().equals(id));
        String own = taken || !id.matches("[a-z0-9]{8,32}") ? Ids.next() : id;
        store.insert(own, name.strip().isEmpty() ? "Collection" : name.strip(), clock.instant());
        store.replace(own, content, clock.instant());
        tables.bringIn(own, content.tables());
        changed(own);
        return own;
    }

    /** Replaces entries, articles and synonyms of a collection; its tables stay. */
    @Transactional
    public void replace(String collection, Content content) {
        collection(collection);
        store.replace(collection, content, clock.instant());
        changed(collection);
    }

    /** Adds entries and articles, in the place of those with the same refs. */
    @Transactional
    public void merge(String collection, Content additions) {
        collection(collection);
        store.merge(collection, additions, clock.instant());
        changed(collection);
    }

    /** Adds the greetings, thanks and the like that ship, except those there are. How many were added. */
    @Transactional
    public int addPleasantries(String collection) {
        Set<String> there = new HashSet<>();
        content(collection).entries().forEach(entry -> entry.phrasings().forEach(p -> there.add(Words.normal(p))));
        List<Entry> missing = pleasantries.all().stream()
                .filter(entry -> entry.phrasings().stream().map(Words::normal).noneMatch(there::contains))
                .toList();
        merge(collection, new Content(missing, List.of(), List.of()));
        return missing.size();
    }

    /** Replaces the synonyms of a collection. @param text one group a line, its words separated by commas */
    @Transactional
    public Checked<String> setSynonyms(String collection, String text) {
        return switch (KnowledgeForms.synonyms(text)) {
            case Checked.Bad<List<List<String>>> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<List<List<String>>>(List<List<String>> groups) -> {
                store.setSynonyms(collection(collection).id(), groups);
                changed(collection);
                yield Checked.good(collection);
            }
        };
    }

    // Asking

    /** Asks collections as they are now. Refs in the finding are those of the entries where one collection is asked, see {@link Ref}. */
    public Finding ask(List<String> collections, List<String> turns) {
        return collections.isEmpty()
                ? Finding.NOTHING
                : indexes.current(Set.copyOf(collections)).ask(turns, tables.asked(Set.copyOf(collections)));
    }

    /**
     * Asks what a bot answers from, as surely as that bot must be; while much is read anew, as it was before. What is surely a
     * pleasantry, and surer than what is known, is met as one.
     */
    public Finding askFor(String bot, List<String> collections, Inquiry inquiry) {
        Answering answering = store.answering(bot);
        Finding known = collections.isEmpty()
                ? Finding.NOTHING
                : indexes.serving(Set.copyOf(collections))
                        .ask(inquiry, tables.asked(Set.copyOf(collections)))
                        .of(answering.sources())
                        .in(sureness(bot))
                        .unsureWithout(match -> pleasantries.isOne(match.title()))
                        .in(sureness(bot));
        return answering.pleasantries() && !inquiry.matter()
                ? pleasantries
                        .meet(inquiry.question())
                        .filter(met -> met.confidence() > known.confidence())
                        .orElse(known)
                : known;
    }

    /** From what a bot answers within its collections. */
    public Answering answering(String bot) {
        return store.answering(bot);
    }

    @Transactional
    public void setAnswering(String bot, Answering answering) {
        store.setAnswering(bot, answering);
    }

    /** Whether words are a greeting, thanks or the like, whatever a bot makes of them. */
    boolean isPleasantry(String text) {
        return pleasantries.meet(text).isPresent();
    }

    /** How sure a bot must be to answer and to offer. */
    public Calibration sureness(String bot) {
        return store.sureness(bot).orElse(Calibration.USUAL);
    }

    /** @param answerFrom and {@code suggestFrom} in hundredths */
    @Transactional
    public Checked<String> setSureness(String bot, int answerFrom, int suggestFrom) {
        if (suggestFrom < 0 || suggestFrom > answerFrom || answerFrom > 100) {
            return Checked.bad("sureness", "It cannot offer only what it is surer of than what it answers.");
        }
        store.setSureness(bot, answerFrom, suggestFrom);
        return Checked.good(bot);
    }

    /**
     * A question whose answer is known, asked for seeing what a setting does.
     *
     * @param right whether the best match is the answer
     */
    public record Sample(String question, double confidence, boolean right) {}

    /** The collections' own phrasings, each held out; at most {@code most}. */
    public List<Sample> samples(String bot, int most) {
        Set<String> ids = new TreeSet<>(store.collectionsOf(bot));
        return ids.isEmpty()
                ? List.of()
                : indexes.serving(ids).landings(most).stream()
                        .map(landing -> new Sample(landing.wording(), landing.confidence(), landing.own()))
                        .toList();
    }

    /** The article behind a ref of a finding from {@code collections}, if it may be read today. */
    public Optional<Article> articleByRef(List<String> collections, String ref) {
        boolean several = new HashSet<>(collections).size() > 1;
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        return collections.stream()
                .flatMap(collection -> store.content(collection).on(today).articles().stream()
                        .filter(article -> ref.equals(new Ref(collection, article.ref()).text(several))))
                .findFirst();
    }

    /** The entry, article or table's answer behind a ref of a finding from {@code collections}. */
    public Optional<Match> entryByRef(List<String> collections, String ref) {
        return collections.isEmpty()
                ? Optional.empty()
                : indexes.serving(Set.copyOf(collections)).byRef(ref, tables.asked(Set.copyOf(collections)));
    }

    /** How well a collection serves today. Takes seconds the first time after an edit, or longer for a large one. */
    public Health health(String collection) {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        Content content = content(collection);
        return HealthCheck.of(content, indexes.current(Set.of(collection)), meanings, today, store.uses(collection));
    }

    /** Cosine similarities of {@code text} to each of {@code others}. */
    public double[] closeness(String text, List<String> others) {
        return meanings.closeness(text, others);
    }

    /** To be called after every change of a collection. */
    void changed(String collection) {
        indexes.changed(collection);
    }

    /** Begins to read what is new in a collection, which may take minutes. */
    public void read(String collection) {
        indexes.read(collection(collection).id());
    }

    /** How far the reading of a collection has come, if it is being read; of 0 where that is not known yet. */
    Optional<Reading> reading(String collection) {
        return indexes.reading(collection);
    }

    /** The same, if it takes so long that people should be told. */
    Optional<Reading> muchToRead(String collection) {
        return reading(collection).filter(reading -> reading.of() >= MUCH);
    }
}
