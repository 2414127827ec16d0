package com.shuttle.knowledge;

import com.shuttle.knowledge.KnowledgeService.Reading;
import org.jspecify.annotations.Nullable;

/**
 * A collection as lists show it.
 *
 * @param entries  how many there are
 * @param articles how many there are
 * @param tables   how many there are
 * @param reading  how far it is where much that is new is being read
 */
public record KnowledgeCollection(
        String id,
        String name,
        int entries,
        int articles,
        int tables,
        @Nullable Reading reading) {

    KnowledgeCollection(String id, String name, int entries, int articles, int tables) {
        this(id, name, entries, articles, tables, null);
    }

    KnowledgeCollection with(@Nullable Reading now) {
        return new KnowledgeCollection(id, name, entries, articles, tables, now);
    }

    /** What is in it: "60 entries, 15 articles". */
    public String contents() {
        return count(entries, " entry", " entries")
                + (articles > 0 ? ", " + count(articles, " article", " articles") : "")
                + (tables > 0 ? ", " + count(tables, " table", " tables") : "");
    }

    private static String count(int number, String one, String several) {
        return number + (number == 1 ? one : several);
    }
}
