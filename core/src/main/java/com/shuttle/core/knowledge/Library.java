package com.shuttle.core.knowledge;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.knowledge.KnowledgeIndex.Told;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** What was read of a content, by its texts, so that the next content with the same texts need not read them again. Immutable. */
final class Library {

    /** By all the texts of an entry or article: its units. */
    private final Map<List<?>, List<Read>> byTexts = new HashMap<>();

    /** In the content's order, entries first. */
    private final List<Read> reads = new ArrayList<>();

    /**
     * @param near libraries that may have read some of it
     * @param told after each text that none of them has
     */
    Library(Content content, Meaning meaning, List<Library> near, Told told) {
        Map<List<?>, Supplier<List<Unit>>> unread = new LinkedHashMap<>();
        for (Entry entry : content.entries()) {
            take(texts(entry), near, unread, () -> List.of(Unit.of(entry)));
        }
        for (Article article : content.articles()) {
            take(texts(article), near, unread, () -> Unit.of(article));
        }
        int done = 0;
        for (Map.Entry<List<?>, Supplier<List<Unit>>> text : unread.entrySet()) {
            told.read(done++, unread.size());
            List<Unit> units = text.getValue().get();
            byTexts.put(
                    text.getKey(),
                    units.stream().map(unit -> Read.of(unit, meaning)).toList());
        }
        content.entries()
                .forEach(entry -> requireNonNull(byTexts.get(texts(entry)))
                        .forEach(read -> reads.add(read.as(entry.ref(), entry.ties()))));
        content.articles()
                .forEach(article -> requireNonNull(byTexts.get(texts(article)))
                        .forEach(read -> reads.add(read.as(article.ref(), Entry.Ties.NONE))));
    }

    private static List<?> texts(Entry entry) {
        return List.of(entry.phrasings(), entry.answers());
    }

    private static List<?> texts(Article article) {
        return List.of(article.title(), article.markdown());
    }

    private void take(
            List<?> texts, List<Library> near, Map<List<?>, Supplier<List<Unit>>> unread, Supplier<List<Unit>> units) {
        Optional<List<Read>> there = near.stream()
                .filter(library -> library.byTexts.containsKey(texts))
                .findFirst()
                .map(library -> library.byTexts.get(texts));
        there.ifPresentOrElse(read -> byTexts.put(texts, read), () -> unread.put(texts, units));
    }

    List<Read> reads() {
        return reads;
    }
}
