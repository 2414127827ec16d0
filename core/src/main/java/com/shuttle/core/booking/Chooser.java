package com.shuttle.core.booking;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** Chooses who of several that are free takes an appointment. Pure functions. */
public final class Chooser {

    private Chooser() {}

    /** By what somebody is chosen. */
    public enum By {
        /** Who has waited longest for one. */
        IN_TURN("in turn"),
        /** Who has the fewest on that day, then in turn. */
        LEAST_BUSY("who has the fewest that day");

        private final String label;

        By(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /**
     * What somebody has.
     *
     * @param last  when their last appointment was made; {@link Instant#MIN} for never
     * @param today appointments on the day in question
     */
    public record Load(Instant last, int today) {
        public static final Load NONE = new Load(Instant.MIN, 0);
    }

    /** @param free at least one @param loads by id; who has none is left out */
    public static String choose(By by, List<String> free, Map<String, Load> loads) {
        Comparator<String> turn = Comparator.comparing(id -> load(loads, id).last());
        Comparator<String> order = by == By.IN_TURN
                ? turn
                : Comparator.<String>comparingInt(id -> load(loads, id).today()).thenComparing(turn);
        return free.stream().min(order.thenComparing(free::indexOf)).orElseThrow();
    }

    private static Load load(Map<String, Load> loads, String id) {
        return loads.getOrDefault(id, Load.NONE);
    }
}
