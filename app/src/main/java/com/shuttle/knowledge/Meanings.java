package com.shuttle.knowledge;

import static java.util.Objects.requireNonNull;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.knowledge.SentenceModel;
import com.shuttle.web.Ids;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Component;

/**
 * The sentence models with what they have already worked out: vectors of stored knowledge are kept in the database, those
 * of visitors' words in memory only. The models are loaded in the background at start. Thread-safe.
 */
@Component
public class Meanings implements Meaning {

    private final EmbeddingStore store;
    /** Loaded on a thread of its own, which inherits the class loader that finds the models within the packed application. */
    private final CompletableFuture<Map<Model, SentenceModel>> models = CompletableFuture.supplyAsync(
            Meaning::shipped,
            load -> Thread.ofPlatform().name("sentence-models").daemon().start(load));

    private final Cache<String, float[]> recent =
            Caffeine.newBuilder().maximumSize(60_000).build();

    Meanings(EmbeddingStore store) {
        this.store = store;
    }

    /** Kept in memory, never stored. */
    @Override
    public float[] ofQuestion(Model model, String question) {
        return recent.get(
                model + ">" + question,
                key -> requireNonNull(models.join().get(model)).ofQuestion(question));
    }

    /** Stored, so that it is worked out once. */
    @Override
    public float[] ofText(Model model, String text) {
        return recent.get(model + "<" + text, key -> {
            SentenceModel ready = requireNonNull(models.join().get(model));
            String hash = Ids.hash(ready.name() + "\n" + text);
            return store.find(hash).orElseGet(() -> {
                float[] vector = ready.ofText(text);
                store.save(hash, vector);
                return vector;
            });
        });
    }
}
