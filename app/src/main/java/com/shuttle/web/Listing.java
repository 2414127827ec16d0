package com.shuttle.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * One page of a list with all that the fragment {@code listing :: list} draws around its rows: search, filters, headings that
 * order, what can be done with ticked rows, pages, and the way to save it. Made anew for each request.
 *
 * @param path    of the page, without parameters
 * @param wanted  what was asked for
 * @param page    the rows
 * @param search  what the search field says while it is empty; empty where there is none
 * @param filters in their order
 * @param columns in their order
 * @param ticked  where ticked rows are sent; empty where rows cannot be ticked
 * @param saved   whether the list can be saved as a file, at {@code path.csv}
 * @param any     whether there is anything at all, whatever was asked for
 */
public record Listing<T>(
        String path,
        Wanted wanted,
        Page<T> page,
        String search,
        List<Filter> filters,
        List<Column> columns,
        String ticked,
        boolean saved,
        boolean any) {

    public Listing {
        filters = List.copyOf(filters);
        columns = List.copyOf(columns);
    }

    /** A list with its rows' page and nothing around it yet. */
    public static <T> Listing<T> of(String path, Wanted wanted, Page<T> page) {
        return new Listing<>(
                path, wanted, page, "", List.of(), List.of(), "", false, page.total() > 0 || wanted.narrowed());
    }

    /** @param says what stands in the search field while it is empty */
    public Listing<T> searched(String says) {
        return new Listing<>(path, wanted, page, says, filters, columns, ticked, saved, any);
    }

    /** With one more filter, unless there is nothing to choose between. @param options value and words */
    public Listing<T> filter(String name, String label, String every, List<Option> options) {
        if (options.isEmpty()) {
            return this;
        }
        List<Filter> more = new ArrayList<>(filters);
        more.add(new Filter(name, label, every, options));
        return new Listing<>(path, wanted, page, search, more, columns, ticked, saved, any);
    }

    public Listing<T> columns(Column... all) {
        return new Listing<>(path, wanted, page, search, filters, List.of(all), ticked, saved, any);
    }

    /** With rows that can be ticked. @param to where they are sent */
    public Listing<T> ticked(String to) {
        return new Listing<>(path, wanted, page, search, filters, columns, to, saved, any);
    }

    /** With a way to save it. */
    public Listing<T> savable() {
        return new Listing<>(path, wanted, page, search, filters, columns, ticked, true, any);
    }

    /**
     * A column.
     *
     * @param sort name to order by; empty where it cannot be ordered by
     * @param look class of its cells, such as {@code number}; may be empty
     */
    public record Column(String label, String sort, String look) {

        public static Column plain(String label) {
            return new Column(label, "", "");
        }

        public static Column sorted(String label, String sort) {
            return new Column(label, sort, "");
        }

        public Column number() {
            return new Column(label, sort, "number");
        }
    }

    /** One thing to choose in a filter. */
    public record Option(String value, String words) {

        /** Values that are their own words. */
        public static List<Option> of(List<String> values) {
            return values.stream().map(value -> new Option(value, value)).toList();
        }

        public static <E> List<Option> of(List<E> things, Function<E, String> value, Function<E, String> words) {
            return things.stream()
                    .map(thing -> new Option(value.apply(thing), words.apply(thing)))
                    .toList();
        }
    }

    /**
     * A choice that narrows the list.
     *
     * @param every what stands there while it does not
     */
    public record Filter(String name, String label, String every, List<Option> options) {}

    /** Whether there are rows to be shown. */
    public boolean rows() {
        return !page.items().isEmpty();
    }

    /** The column's heading for reading aloud: {@code ascending}, {@code descending}, or null where it is not ordered by. */
    public @Nullable String ordered(Column column) {
        boolean by = !column.sort().isEmpty() && wanted.by("").equals(column.sort());
        return by ? wanted.turned() ? "descending" : "ascending" : null;
    }

    /** Where a column's heading leads: the same list by this column, or the other way round. */
    public String by(Column column) {
        String sort = "ascending".equals(ordered(column)) ? "-" + column.sort() : column.sort();
        return address(path, new Wanted(wanted.search(), known(), sort, 1));
    }

    /** Another page of the same list. */
    public String at(int number) {
        return address(path, new Wanted(wanted.search(), known(), wanted.sort(), number));
    }

    /** All of it as a file. */
    public String file() {
        return address(path + ".csv", new Wanted(wanted.search(), known(), wanted.sort(), 1));
    }

    /** The filters that the list has; other parameters of the page are nothing of its. */
    private Map<String, String> known() {
        Map<String, String> known = new TreeMap<>(wanted.filters());
        known.keySet().retainAll(filters.stream().map(Filter::name).toList());
        return known;
    }

    /** The address of what is wanted of a list. */
    public static String address(String path, Wanted wanted) {
        UriComponentsBuilder address = UriComponentsBuilder.fromPath(path);
        List<Object> values = new ArrayList<>();
        add(address, values, "q", wanted.search());
        new TreeMap<>(wanted.filters()).forEach((name, value) -> add(address, values, name, value));
        add(address, values, "sort", wanted.sort());
        add(address, values, "page", wanted.page() == 1 ? "" : String.valueOf(wanted.page()));
        return address.encode().buildAndExpand(values.toArray()).toUriString();
    }

    private static void add(UriComponentsBuilder address, List<Object> values, String name, String value) {
        if (!value.isEmpty()) {
            address.queryParam(name, "{v}");
            values.add(value);
        }
    }
}
