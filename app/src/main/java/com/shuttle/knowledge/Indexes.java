package com.shuttle.knowledge;

import com.github.benmanes.caffeine.cache.AsyncCache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.KnowledgeIndex;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.knowledge.Ref;
import com.shuttle.knowledge.KnowledgeService.Reading;
import com.shuttle.web.AfterCommit;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The indexes of the collections that are asked together. A change makes a new one, which takes over from the one before
 * all that has stayed the same. Where much is new, reading it takes minutes: visitors are answered from the index before
 * until then. Thread-safe.
 */
@Component
class Indexes {

    private static final Logger LOG = LoggerFactory.getLogger(Indexes.class);

    /** So long a visitor waits for what has just been changed. */
    private static final Duration PATIENCE = Duration.ofSeconds(3);

    /** So long a visitor waits where there is nothing to answer from yet. */
    private static final Duration PATIENCE_AT_FIRST = Duration.ofSeconds(20);

    /** @param version the number of changes so far of all the collections */
    private record Key(Set<String> collections, LocalDate day, long version) {}

    private final KnowledgeStore store;
    private final Meaning meanings;
    private final InstantSource clock;
    private final Map<String, Long> versions = new ConcurrentHashMap<>();
    private final Map<Key, Reading> readings = new ConcurrentHashMap<>();
    private final AsyncCache<Key, KnowledgeIndex> indexes =
            Caffeine.newBuilder().maximumSize(100).buildAsync();
    private final ExecutorService readers = Executors.newCachedThreadPool(
            Thread.ofPlatform().name("knowledge-reader-", 0).daemon().factory());
    private final KnowledgeIndex empty;

    Indexes(KnowledgeStore store, Meaning meanings, InstantSource clock) {
        this.store = store;
        this.meanings = meanings;
        this.clock = clock;
        empty = new KnowledgeIndex(Content.EMPTY, meanings, Calibration.USUAL);
    }

    /** The index of the collections as they are now, waited for however long it takes. */
    KnowledgeIndex current(Set<String> collections) {
        try {
            return index(key(collections), Runnable::run).join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException cause ? cause : e;
        }
    }

    /**
     * The index to answer visitors from: that of now, or for as long as reading it takes that of before, or an empty one where
     * there was none. The first of all is made on the caller's thread, because callers hold a database connection each
     * and making it needs one too.
     */
    KnowledgeIndex serving(Set<String> collections) {
        Optional<KnowledgeIndex> before = before(collections);
        Key key = key(collections);
        CompletableFuture<KnowledgeIndex> now = index(key, before.isPresent() ? readers::execute : Runnable::run);
        Reading left = readings.get(key);
        if (before.isPresent() && left != null && left.of() - left.done() > KnowledgeService.MUCH) {
            return before.get();
        }
        try {
            return now.get((before.isPresent() ? PATIENCE : PATIENCE_AT_FIRST).toMillis(), TimeUnit.MILLISECONDS);
        } catch (TimeoutException | ExecutionException e) {
            return before.orElse(empty);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return before.orElse(empty);
        }
    }

    /** Notes a change once it is committed; indexes that are in use are made anew. */
    void changed(String collection) {
        AfterCommit.run(() -> {
            versions.merge(collection, 1L, Long::sum);
            indexes.asMap().keySet().stream()
                    .map(Key::collections)
                    .filter(collections -> collections.contains(collection))
                    .distinct()
                    .forEach(collections -> index(key(collections), readers::execute));
        });
    }

    /** Begins to read a collection if that was not done yet. */
    void read(String collection) {
        index(key(Set.of(collection)), readers::execute);
    }

    /** How far the reading of a collection is, if it is being read. */
    Optional<Reading> reading(String collection) {
        return readings.entrySet().stream()
                .filter(entry -> entry.getKey().collections().contains(collection))
                .map(Map.Entry::getValue)
                .max(Comparator.comparingInt(Reading::of));
    }

    private Key key(Set<String> collections) {
        return new Key(
                Set.copyOf(collections),
                LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC),
                collections.stream()
                        .mapToLong(id -> versions.getOrDefault(id, 0L))
                        .sum());
    }

    /** The newest index of the same collections that is ready. */
    private Optional<KnowledgeIndex> before(Set<String> collections) {
        return indexes.synchronous().asMap().entrySet().stream()
                .filter(entry -> entry.getKey().collections().equals(collections))
                .max(Map.Entry.comparingByKey(Comparator.comparing(Key::day).thenComparing(Key::version)))
                .map(Map.Entry::getValue);
    }

    private CompletableFuture<KnowledgeIndex> index(Key key, Executor on) {
        CompletableFuture<KnowledgeIndex> mine = new CompletableFuture<>();
        CompletableFuture<KnowledgeIndex> there = indexes.asMap().putIfAbsent(key, mine);
        if (there == null) {
            readings.put(key, new Reading(0, 0));
            on.execute(() -> make(key, mine));
        }
        return there == null ? mine : there;
    }

    private void make(Key key, CompletableFuture<KnowledgeIndex> made) {
        try {
            made.complete(read(key));
            indexes.asMap()
                    .keySet()
                    .removeIf(other -> other.collections().equals(key.collections())
                            && (other.version() < key.version() || other.day().isBefore(key.day())));
        } catch (RuntimeException | Error e) {
            LOG.warn("collections {} could not be read", key.collections(), e);
            made.completeExceptionally(e);
        } finally {
            readings.remove(key);
        }
    }

    private KnowledgeIndex read(Key key) {
        Content all = Content.EMPTY;
        for (String id : key.collections().stream().sorted().toList()) {
            all = all.and(prefixed(
                    store.content(id).on(key.day()), id, key.collections().size() > 1));
        }
        List<KnowledgeIndex> near = indexes.synchronous().asMap().entrySet().stream()
                .filter(entry -> entry.getKey().collections().stream().anyMatch(key.collections()::contains))
                .map(Map.Entry::getValue)
                .toList();
        return new KnowledgeIndex(
                all, meanings, Calibration.USUAL, near, (done, of) -> readings.put(key, new Reading(done, of)));
    }

    private static Content prefixed(Content content, String collection, boolean several) {
        if (!several) {
            return content;
        }
        return new Content(
                content.entries().stream()
                        .map(e -> new Entry(
                                new Ref(collection, e.ref()).text(true),
                                e.phrasings(),
                                e.answers(),
                                e.category(),
                                e.standing(),
                                prefixed(e.ties(), collection)))
                        .toList(),
                content.articles().stream()
                        .map(a -> new Article(
                                new Ref(collection, a.ref()).text(true),
                                a.title(),
                                a.markdown(),
                                a.category(),
                                a.standing()))
                        .toList(),
                content.synonyms());
    }

    static Ties prefixed(Ties ties, String collection) {
        return ties.article().isEmpty() ? ties : ties.reading(new Ref(collection, ties.article()).text(true));
    }

    @PreDestroy
    void close() {
        readers.shutdownNow();
    }
}
