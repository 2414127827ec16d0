package com.shuttle.web;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/**
 * What somebody wants to see of a list, as its address says.
 *
 * @param search  what is looked for; may be empty
 * @param filters what other parameters say, by name; those that are empty are left out
 * @param sort    name of a column, with a minus before it for the other way round; empty for the list's own order
 * @param page    1 and up
 */
public record Wanted(String search, Map<String, String> filters, String sort, int page) {

    public Wanted {
        filters = Map.copyOf(filters);
    }

    /** Everything, in the list's own order. */
    public static final Wanted ALL = new Wanted("", Map.of(), "", 1);

    /** Reads the parameters of a request: {@code q}, {@code sort}, {@code page}, all others are filters. */
    public static Wanted of(Map<String, String> parameters) {
        Map<String, String> filters = new LinkedHashMap<>(parameters);
        filters.keySet().removeAll(Set.of("q", "sort", "page"));
        filters.values().removeIf(String::isBlank);
        return new Wanted(
                parameters.getOrDefault("q", "").strip(),
                filters,
                parameters.getOrDefault("sort", ""),
                Page.numbered(parameters.getOrDefault("page", "1")));
    }

    /** What a filter is set to; empty where it is not. */
    public String filter(String name) {
        return filters.getOrDefault(name, "");
    }

    /** Whether only a part is wanted. */
    public boolean narrowed() {
        return !search.isEmpty() || !filters.isEmpty();
    }

    /** The column that is ordered by, or {@code otherwise}. */
    public String by(String otherwise) {
        String column = sort.replaceFirst("^-", "");
        return column.isEmpty() ? otherwise : column;
    }

    /** Whether the order is the other way round. */
    public boolean turned() {
        return sort.startsWith("-");
    }

    /** The same on another page. */
    public Wanted at(int other) {
        return new Wanted(search, filters, sort, other);
    }
}
