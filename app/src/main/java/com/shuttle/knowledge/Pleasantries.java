package com.shuttle.knowledge;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.KnowledgeIndex;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.web.Json;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Greetings, thanks and the like that ship with Shuttle: every bot meets them from the start. They are an index of their own, so
 * that they stand in nobody's way: only what is surely one of them, and surer than what the bot knows, is met. Thread-safe.
 */
@Component
class Pleasantries {

    /** Begins the refs of what answered, so that they are told from those of collections. */
    static final String REF = "pleasantry-";

    /** As sure it must be: words such as "the talk, thanks" are about something else. */
    private static final double SURE = 0.8;

    private final List<Entry> all;
    private final Meaning meanings;
    /** Whether titles that were found are pleasantries; they come again and again. */
    private final Cache<String, Boolean> titles =
            Caffeine.newBuilder().maximumSize(10_000).build();

    private volatile @Nullable KnowledgeIndex index;

    Pleasantries(Meaning meanings) {
        this.meanings = meanings;
        this.all = List.of(Json.read(resource(), Entry[].class));
    }

    private static String resource() {
        try (InputStream in = Objects.requireNonNull(Pleasantries.class.getResourceAsStream("/pleasantries.json"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    List<Entry> all() {
        return all;
    }

    /** What meets a message, if it is one of them. */
    Optional<Finding> meet(String text) {
        Finding finding = index().ask(List.of(text));
        return finding.outcome() == Finding.Outcome.ANSWER && finding.confidence() >= SURE
                ? Optional.of(finding)
                : Optional.empty();
    }

    /** Whether words are one of them, and so nothing to be offered to somebody who asked something else. */
    boolean isOne(String title) {
        return titles.get(title, words -> meet(words).isPresent());
    }

    /** Read with the first message, since the models take a moment to load. */
    private KnowledgeIndex index() {
        KnowledgeIndex known = index;
        if (known == null) {
            List<Entry> named = all.stream()
                    .map(entry -> new Entry(REF + entry.ref(), entry.phrasings(), entry.answers(), entry.category()))
                    .toList();
            known = new KnowledgeIndex(new Content(named, List.of(), List.of()), meanings, Calibration.USUAL);
            index = known;
        }
        return known;
    }
}
