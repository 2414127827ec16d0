package com.shuttle.core.knowledge;

/**
 * The ref of an entry, article or table with the collection it is in. Where one collection is asked alone, findings name
 * things by their own refs; where several are asked together, by {@code collection:own}.
 *
 * @param collection its id
 * @param own        unique within the collection
 */
public record Ref(String collection, String own) {

    private static final char BETWEEN = ':';

    /** Reads the ref of a finding. @param only the collection that was asked, where it was only one; otherwise empty */
    public static Ref of(String text, String only) {
        int at = text.indexOf(BETWEEN);
        return !only.isEmpty() || at < 0 ? new Ref(only, text) : new Ref(text.substring(0, at), text.substring(at + 1));
    }

    /** As findings write it. @param several whether several collections are asked together */
    public String text(boolean several) {
        return several ? collection + BETWEEN + own : own;
    }
}
