package com.shuttle.knowledge;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.knowledge.MiniLm;
import com.shuttle.core.knowledge.SentenceModel;
import com.shuttle.web.Ids;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Component;

/**
 * The sentence model with what it has already worked out: vectors of stored knowledge are kept in the database, those of
 * visitors' words in memory only. The model is loaded in the background at start. Thread-safe.
 */
@Component
public class Meanings {

    private final EmbeddingStore store;
    /** Loaded on a thread of its own, which inherits the class loader that finds the model within the packed application. */
    private final CompletableFuture<SentenceModel> model = CompletableFuture.supplyAsync(
            MiniLm::new,
            load -> Thread.ofPlatform().name("sentence-model").daemon().start(load));

    private final Cache<String, float[]> recent =
            Caffeine.newBuilder().maximumSize(20_000).build();

    Meanings(EmbeddingStore store) {
        this.store = store;
    }

    /** The vector of what a visitor wrote: kept in memory, never stored. */
    public float[] ofVisitor(String sentence) {
        return recent.get(sentence, text -> model.join().embed(text));
    }

    /** The vector of a sentence of the knowledge: stored, so that it is worked out once. */
    public float[] ofKnowledge(String sentence) {
        return recent.get(sentence, text -> {
            String hash = Ids.hash("all-minilm-l6-v2-q\n" + text);
            return store.find(hash).orElseGet(() -> {
                float[] vector = model.join().embed(text);
                store.save(hash, vector);
                return vector;
            });
        });
    }

    /** Whether a lower-case word is one of the language. */
    public boolean isWord(String word) {
        return model.join().isWord(word);
    }
}
