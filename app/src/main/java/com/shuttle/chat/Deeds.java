package com.shuttle.chat;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Turn;
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

    private final List<Carrier> carriers;

    Deeds(List<DeedHandler<?>> all, List<Carrier> carriers) {
        this.carriers = List.copyOf(carriers);
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

    /** All that a turn does, and what it says to whoever is not at a page; within its transaction. */
    void carryOut(Conversation conversation, Turn.Taken turn, Instant at) {
        List<Deed> deeds = turn.effects().stream()
                .filter(Deed.class::isInstance)
                .map(Deed.class::cast)
                .toList();
        if (!deeds.isEmpty()) {
            handlers.values().forEach(handler -> prepare(handler, deeds));
            deeds.forEach(deed -> carryOut(conversation, deed, at));
        }
        carriers.forEach(carrier -> carrier.carry(conversation, turn.messages(), at));
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

    private void carryOut(Conversation conversation, Deed deed, Instant at) {
        carryOut(requireNonNull(handlers.get(deed.getClass())), conversation, deed, at);
    }

    private static <D extends Deed> void carryOut(
            DeedHandler<D> handler, Conversation conversation, Deed deed, Instant at) {
        handler.carryOut(conversation, handler.type().cast(deed), at);
    }
}
