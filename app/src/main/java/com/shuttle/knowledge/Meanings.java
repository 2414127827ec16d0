package com.shuttle.knowledge;

import static java.util.Objects.requireNonNull;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.knowledge.Embedding;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.knowledge.SentenceModel;
import com.shuttle.web.Ids;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Component;

/**
 * The sentence models with what they have already worked out: readings of stored knowledge are kept in the database, those
 * of visitors' words in memory only. The models are loaded in the background at start. Thread-safe.
 */
@Component
public class Meanings implements Meaning {

    private final EmbeddingStore store;
    /** Loaded on a thread of its own, which inherits the class loader that finds the models within the packed application. */
    private final CompletableFuture<Map<Model, SentenceModel>> models = CompletableFuture.supplyAsync(
            Meaning::shipped,
            load -> Thread.ofPlatform().name("sentence-models").daemon().start(load));

    private final Cache<String, Embedding> questions =
            Caffeine.newBuilder().maximumSize(2_000).build();

    /** Sentences are compared with now and then where no index holds them: gaps, health and reminders. */
    private final Cache<String, float[]> wholes =
            Caffeine.newBuilder().maximumSize(20_000).build();

    Meanings(EmbeddingStore store) {
        this.store = store;
    }

    private SentenceModel ready(Model model) {
        return requireNonNull(models.join().get(model));
    }

    /** Kept in memory, never stored. */
    @Override
    public Embedding readQuestion(Model model, String question) {
        return questions.get(model + ">" + question, key -> ready(model).ofQuestion(question));
    }

    /** Stored, so that it is worked out once; indexes hold what they have read. */
    @Override
    public Embedding readText(Model model, String text) {
        String hash = Ids.hash(ready(model).name() + "\npieces\n" + text);
        return store.find(hash).map(Embedding::of).orElseGet(() -> {
            Embedding reading = ready(model).ofText(text);
            store.save(hash, reading.bytes());
            return reading;
        });
    }

    /** Stored without its pieces, which nobody asks for. */
    @Override
    public float[] ofText(Model model, String text) {
        return wholes.get(model + "<" + text, key -> {
            String hash = Ids.hash(ready(model).name() + "\nwhole\n" + text);
            return store.find(hash).map(Embedding::of).map(Embedding::whole).orElseGet(() -> {
                float[] whole = ready(model).ofText(text).whole();
                store.save(hash, Embedding.of(whole).bytes());
                return whole;
            });
        });
    }
}
