package com.shuttle.knowledge;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import com.shuttle.core.knowledge.KnowledgeIndex;
import com.shuttle.core.reading.Words;
import com.shuttle.web.AfterCommit;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import java.time.InstantSource;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Collections of knowledge and asking them. An index is made of each set of collections that is asked together, and made
 * anew when one of them has changed: the next question sees the change. Thread-safe.
 */
@Service
public class KnowledgeService {

    private static final int MOST_PHRASINGS = 100;
    private static final int LONGEST_PHRASING = 1000;
    private static final int LONGEST_ANSWER = 8000;

    private final KnowledgeStore store;
    private final Meanings meanings;
    private final InstantSource clock;
    private final Cache<Set<String>, KnowledgeIndex> indexes =
            Caffeine.newBuilder().maximumSize(100).build();

    KnowledgeService(KnowledgeStore store, Meanings meanings, InstantSource clock) {
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
        return new Checked.Errors()
                .require(
                        !name.isBlank() && name.length() <= 200, "name", "Please give a name of up to 200 characters.");
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

    // Entries

    public Page<StoredEntry> entries(String collection, String search, String category, String sort, int page) {
        return store.entries(collection, search, category, sort, page);
    }

    public List<String> categories(String collection) {
        return store.categories(collection);
    }

    /** @throws Missing if there is no such entry */
    public StoredEntry entry(String id) {
        return store.entry(id).orElseThrow(() -> new Missing("entry", id));
    }

    /** @param phrasings one a line; @param answers separated by lines of three or more dashes */
    @Transactional
    public Checked<String> add(String collection, String phrasings, String answers, String category) {
        collection(collection);
        String id = Ids.next();
        return switch (checked(id, phrasings, answers, category)) {
            case Checked.Bad<Entry> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Entry>(Entry entry) -> {
                store.insert(id, collection, entry, clock.instant());
                changed(collection);
                yield Checked.good(id);
            }
        };
    }

    @Transactional
    public Checked<String> change(String id, String phrasings, String answers, String category) {
        StoredEntry before = entry(id);
        return switch (checked(before.entry().ref(), phrasings, answers, category)) {
            case Checked.Bad<Entry> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Entry>(Entry entry) -> {
                store.update(id, entry, clock.instant());
                changed(before.collection());
                yield Checked.good(id);
            }
        };
    }

    /** Deletes an entry and returns it, so that it can be put back. */
    @Transactional
    public StoredEntry deleteEntry(String id) {
        StoredEntry entry = entry(id);
        store.deleteEntry(id);
        changed(entry.collection());
        return entry;
    }

    /** Puts a deleted entry back. */
    @Transactional
    public void restore(StoredEntry entry) {
        if (store.entry(entry.id()).isEmpty()
                && !store.refTaken(entry.collection(), entry.entry().ref())) {
            store.insert(entry.id(), entry.collection(), entry.entry(), clock.instant());
            changed(entry.collection());
        }
    }

    private static Checked<Entry> checked(String ref, String phrasings, String answers, String category) {
        List<String> questions = phrasings
                .lines()
                .map(Words::clean)
                .filter(line -> !line.isBlank())
                .distinct()
                .toList();
        List<String> replies = Arrays.stream(answers.split("(?m)^-{3,}\\s*$"))
                .map(Words::clean)
                .filter(answer -> !answer.isBlank())
                .toList();
        Optional<Checked<Entry>> bad = new Checked.Errors()
                .require(!questions.isEmpty(), "phrasings", "Write the question as a visitor would ask it.")
                .require(
                        questions.size() <= MOST_PHRASINGS,
                        "phrasings",
                        "An entry takes up to " + MOST_PHRASINGS + " phrasings.")
                .require(
                        questions.stream().allMatch(question -> question.length() <= LONGEST_PHRASING),
                        "phrasings",
                        "A phrasing can be " + LONGEST_PHRASING + " characters long at most.")
                .require(!replies.isEmpty(), "answers", "Write the answer; without one the entry cannot be saved.")
                .require(
                        replies.stream().allMatch(reply -> reply.length() <= LONGEST_ANSWER),
                        "answers",
                        "An answer can be " + LONGEST_ANSWER + " characters long at most.")
                .require(category.length() <= 200, "category", "A category can be 200 characters long at most.")
                .bad();
        return bad.orElseGet(() -> Checked.good(new Entry(ref, questions, replies, Words.clean(category))));
    }

    /** Replaces everything in a collection. */
    @Transactional
    public void replace(String collection, Content content) {
        collection(collection);
        store.replace(collection, content, clock.instant());
        changed(collection);
    }

    // Asking

    /** Asks collections. Refs in the finding are those of the entries where one collection is asked, see {@link #ref}. */
    public Finding ask(List<String> collections, List<String> turns) {
        Set<String> ids = new TreeSet<>(collections);
        return ids.isEmpty() ? Finding.NOTHING : index(ids).ask(turns);
    }

    /** The entry or article behind a ref of a finding from {@code collections}. */
    public Optional<Match> entryByRef(List<String> collections, String ref) {
        boolean several = new HashSet<>(collections).size() > 1;
        for (String collection : collections) {
            Content content = store.content(collection);
            for (Entry entry : content.entries()) {
                if (ref.equals(ref(several, collection, entry.ref()))) {
                    String title = entry.phrasings().getFirst();
                    return Optional.of(
                            new Match(ref, Source.ENTRY, title, 1, entry.answers(), new Why(title, 1, 1, List.of())));
                }
            }
            for (Article article : content.articles()) {
                if (ref.equals(ref(several, collection, article.ref()))) {
                    return Optional.of(new Match(
                            ref,
                            Source.ARTICLE,
                            article.title(),
                            1,
                            List.of(article.markdown()),
                            new Why(article.title(), 1, 1, List.of())));
                }
            }
        }
        return Optional.empty();
    }

    /** Cosine similarities of {@code text} to each of {@code others}. */
    public List<Double> closeness(String text, List<String> others) {
        float[] asked = meanings.ofVisitor(text);
        return others.stream()
                .map(other -> {
                    float[] vector = meanings.ofKnowledge(other);
                    double sum = 0;
                    for (int i = 0; i < asked.length; i++) {
                        sum += asked[i] * vector[i];
                    }
                    return sum;
                })
                .toList();
    }

    private KnowledgeIndex index(Set<String> collections) {
        return indexes.get(collections, ids -> {
            Content all = Content.EMPTY;
            for (String id : ids) {
                all = all.and(prefixed(store.content(id), id, ids.size() > 1));
            }
            return new KnowledgeIndex(
                    all, meanings::ofKnowledge, meanings::ofVisitor, meanings::isWord, Calibration.USUAL);
        });
    }

    private static Content prefixed(Content content, String collection, boolean several) {
        if (!several) {
            return content;
        }
        return new Content(
                content.entries().stream()
                        .map(e -> new Entry(ref(true, collection, e.ref()), e.phrasings(), e.answers(), e.category()))
                        .toList(),
                content.articles().stream()
                        .map(a -> new Article(ref(true, collection, a.ref()), a.title(), a.markdown(), a.category()))
                        .toList(),
                content.synonyms());
    }

    /** Where several collections are asked together, a ref names its collection too. */
    private static String ref(boolean several, String collection, String ref) {
        return several ? collection + ":" + ref : ref;
    }

    /** Forgets the indexes of a collection once the change is committed. */
    private void changed(String collection) {
        AfterCommit.run(() -> indexes.asMap().keySet().removeIf(ids -> ids.contains(collection)));
    }
}
