package com.shuttle.web;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * What came of a form that was sent.
 *
 * @param <T> what is kept
 */
public sealed interface Sent<T> {

    record Kept<T>(T value) implements Sent<T> {}

    /**
     * Nothing was kept.
     *
     * @param errors a sentence for each field that is wrong, or that another has changed too
     * @param was    what the form is to say that it showed, when it is sent again
     */
    record Refused<T>(Map<String, String> errors, String was) implements Sent<T> {}

    /**
     * Keeps what two sides of a form come to, where neither is lost and it fits. Who calls this keeps others from what the form
     * is about.
     *
     * @param form as a browser sends it
     * @param now  what the form would show of what is kept by now
     * @param keep makes of the merged fields what is kept, or tells what is wrong with them
     */
    static <T> Sent<T> merged(
            Map<String, String> form, Map<String, String> now, Function<Map<String, String>, Checked<T>> keep) {
        Merge merge = Merge.of(form, now);
        if (!merge.theirs().isEmpty()) {
            return new Refused<>(new LinkedHashMap<>(merge.errors()), Merge.written(merge.seen()));
        }
        return switch (keep.apply(merge.values())) {
            case Checked.Good<T>(T value) -> new Kept<>(value);
            case Checked.Bad<T>(Map<String, String> errors) -> new Refused<>(errors, Merge.written(merge.seen()));
        };
    }
}
