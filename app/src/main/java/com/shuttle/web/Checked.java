package com.shuttle.web;

import com.shuttle.core.reading.Words;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * A form's values after checking: the thing made of them, or what is wrong with each field.
 *
 * @param <T> what is made of the form
 */
public sealed interface Checked<T> {

    record Good<T>(T value) implements Checked<T> {}

    /** @param errors field name to a sentence for the person who filled it in; at least one */
    record Bad<T>(Map<String, String> errors) implements Checked<T> {
        public Bad {
            errors = Map.copyOf(errors);
        }
    }

    /** The same with another value made of a good one. */
    default <R> Checked<R> map(Function<? super T, R> change) {
        return switch (this) {
            case Good<T>(T value) -> new Good<>(change.apply(value));
            case Bad<T>(Map<String, String> errors) -> new Bad<>(errors);
        };
    }

    static <T> Checked<T> good(T value) {
        return new Good<>(value);
    }

    static <T> Checked<T> bad(String field, String error) {
        return new Bad<>(Map.of(field, error));
    }

    /** Gathers what is wrong with the fields of one form. Not thread-safe. */
    final class Errors {
        private final Map<String, String> errors = new LinkedHashMap<>();

        /** Adds a sentence unless {@code fine}; the first one for a field stays. */
        public Errors require(boolean fine, String field, String error) {
            if (!fine) {
                errors.putIfAbsent(field, error);
            }
            return this;
        }

        /** Asks for a text that can be kept. */
        public Errors fits(String text, Length length, String field) {
            return require(length.holds(text), field, length.tooLong());
        }

        /** Asks for a name: a text that is there and can be kept. */
        public Errors named(String name, String field) {
            return require(
                    Words.shows(name) && Length.NAME.holds(name),
                    field,
                    "Please give a name of up to " + Length.NAME.most() + " characters.");
        }

        /** The refusal, if anything is wrong. */
        public <T> Optional<Checked<T>> bad() {
            return errors.isEmpty() ? Optional.empty() : Optional.of(new Bad<>(errors));
        }
    }
}
