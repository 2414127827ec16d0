package com.shuttle.web;

import java.util.List;
import java.util.function.Function;

/**
 * One page of a longer list.
 *
 * @param number 1 and up
 * @param pages  at least 1
 * @param total  items on all pages
 */
public record Page<T>(List<T> items, int number, int pages, int total) {

    /** Items on a page. */
    public static final int SIZE = 25;

    /** No list has pages beyond this. */
    private static final int MOST = 1_000_000;

    public Page {
        items = List.copyOf(items);
    }

    /** A page of {@code items}, which are those at {@link #offset} of {@code number}. */
    public static <T> Page<T> of(List<T> items, int number, int total) {
        return new Page<>(items, Math.max(1, number), Math.max(1, (total + SIZE - 1) / SIZE), total);
    }

    /** The same page with something made of each item. */
    public <R> Page<R> map(Function<? super T, ? extends R> made) {
        return new Page<>(items.stream().<R>map(made).toList(), number, pages, total);
    }

    /** A page's number as somebody wrote it; 1 where it is none. */
    public static int numbered(String written) {
        return written.matches("[1-9]\\d{0,5}") ? Integer.parseInt(written) : 1;
    }

    /** Items before page {@code number}. */
    public static int offset(int number) {
        return (Math.clamp(number, 1, MOST) - 1) * SIZE;
    }
}
