package com.shuttle.core.knowledge;

import com.shuttle.core.table.Table;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * All there is to answer from.
 *
 * @param synonyms groups of words that mean the same here
 */
public record Content(List<Entry> entries, List<Article> articles, List<List<String>> synonyms, List<Table> tables) {

    public static final Content EMPTY = new Content(List.of(), List.of(), List.of());

    /** Without tables. */
    public Content(List<Entry> entries, List<Article> articles, List<List<String>> synonyms) {
        this(entries, articles, synonyms, List.of());
    }

    public Content {
        entries = List.copyOf(entries);
        articles = List.copyOf(articles);
        synonyms = synonyms.stream().map(List::copyOf).toList();
        // Files from before there were tables have none.
        tables = tables == null ? List.of() : List.copyOf(tables);
    }

    /** Both contents as one. */
    public Content and(Content other) {
        return new Content(
                both(entries, other.entries),
                both(articles, other.articles),
                both(synonyms, other.synonyms),
                both(tables, other.tables));
    }

    /** What of it may be said on a day. */
    public Content on(LocalDate day) {
        return new Content(
                entries.stream().filter(entry -> entry.standing().holds(day)).toList(),
                articles.stream()
                        .filter(article -> article.standing().holds(day))
                        .toList(),
                synonyms,
                tables.stream().filter(Table::published).toList());
    }

    private static <T> List<T> both(List<T> a, List<T> b) {
        List<T> all = new ArrayList<>(a);
        all.addAll(b);
        return all;
    }
}
