package com.shuttle.chat;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Deed;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Gives each deed to the one handler of its type. A type without a handler, or with two, stops the start. Thread-safe. */
@Component
class Deeds {

    private final Map<Class<?>, DeedHandler<?>> handlers = new HashMap<>();

    Deeds(List<DeedHandler<?>> all) {
        for (DeedHandler<?> handler : all) {
            DeedHandler<?> other = handlers.put(handler.type(), handler);
            if (other != null) {
                throw new IllegalStateException(
                        "two handlers of " + handler.type().getSimpleName() + ": "
                                + other.getClass().getName() + " and "
                                + handler.getClass().getName());
            }
        }
        List<String> missing = types(Deed.class)
                .filter(type -> !handlers.containsKey(type))
                .map(Class::getSimpleName)
                .toList();
        if (!missing.isEmpty()) {
            throw new IllegalStateException("no handler of " + String.join(", ", missing));
        }
    }

    /** The records of a sealed family, those of families within it too. */
    private static Stream<Class<?>> types(Class<?> family) {
        return family.isSealed()
                ? Arrays.stream(family.getPermittedSubclasses()).flatMap(Deeds::types)
                : Stream.of(family);
    }

    /** To be called once, with all deeds of a turn, before the first is carried out. */
    void prepare(List<Deed> deeds) {
        if (!deeds.isEmpty()) {
            handlers.values().forEach(handler -> prepare(handler, deeds));
        }
    }

    private static <D extends Deed> void prepare(DeedHandler<D> handler, List<Deed> deeds) {
        List<D> own = deeds.stream()
                .filter(handler.type()::isInstance)
                .map(handler.type()::cast)
                .toList();
        if (!own.isEmpty()) {
            handler.prepare(own);
        }
    }

    void carryOut(Conversation conversation, Deed deed, Instant at) {
        carryOut(requireNonNull(handlers.get(deed.getClass())), conversation, deed, at);
    }

    private static <D extends Deed> void carryOut(
            DeedHandler<D> handler, Conversation conversation, Deed deed, Instant at) {
        handler.carryOut(conversation, handler.type().cast(deed), at);
    }
}
