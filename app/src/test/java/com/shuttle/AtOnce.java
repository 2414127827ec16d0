package com.shuttle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * Runs each pair of what two people can do to one thing at the same moment, and compares what it comes to with doing them one
 * after the other, in some order: a small check of linearizability.
 *
 * @param <T> the thing
 */
public final class AtOnce<T> {

    /** So often each pair is tried: what is not kept from meeting meets in a fifth of the rounds. */
    private static final int ROUNDS = 4;

    /** What somebody does, from the page that they have opened. */
    public interface Action {
        /** @return what they are told */
        Object act() throws Exception;
    }

    private record Named<T>(String name, Function<T, Action> opened) {}

    private final Supplier<T> fresh;
    private final Function<T, Object> state;
    private final List<Named<T>> actions = new ArrayList<>();

    /** @param fresh makes one @param state what there is of it, alike for all that are alike */
    public AtOnce(Supplier<T> fresh, Function<T, Object> state) {
        this.fresh = fresh;
        this.state = state;
    }

    /** @param opened what is done to the thing, prepared by whoever opens a page of it */
    public AtOnce<T> can(String name, Function<T, Action> opened) {
        actions.add(new Named<>(name, opened));
        return this;
    }

    /** What both were told, and what there is then. */
    private record Came(String one, String other, Object state) {}

    public void check() throws Exception {
        try (ExecutorService threads = Executors.newFixedThreadPool(2)) {
            for (int i = 0; i < actions.size(); i++) {
                for (int j = i; j < actions.size(); j++) {
                    check(actions.get(i), actions.get(j), threads);
                }
            }
        }
    }

    private void check(Named<T> one, Named<T> other, ExecutorService threads) throws Exception {
        List<Came> orders = List.of(inTurn(one, other, true), inTurn(one, other, false));
        for (int round = 0; round < ROUNDS; round++) {
            T thing = fresh.get();
            Action first = one.opened.apply(thing);
            Action second = other.opened.apply(thing);
            CyclicBarrier begin = new CyclicBarrier(2);
            Future<String> told = threads.submit(() -> {
                begin.await();
                return told(first);
            });
            Future<String> toldToo = threads.submit(() -> {
                begin.await();
                return told(second);
            });
            assertThat(new Came(told.get(), toldToo.get(), state.apply(thing)))
                    .as("“%s” and “%s” at once", one.name, other.name)
                    .isIn(orders);
        }
    }

    private Came inTurn(Named<T> one, Named<T> other, boolean oneFirst) throws Exception {
        T thing = fresh.get();
        Action first = one.opened.apply(thing);
        Action second = other.opened.apply(thing);
        if (oneFirst) {
            String told = told(first);
            return new Came(told, told(second), state.apply(thing));
        }
        String told = told(second);
        return new Came(told(first), told, state.apply(thing));
    }

    private static String told(Action action) throws Exception {
        Object told = action.act();
        return told == null ? "" : told.toString();
    }
}
