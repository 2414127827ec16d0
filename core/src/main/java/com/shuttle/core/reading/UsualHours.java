package com.shuttle.core.reading;

import java.time.LocalTime;
import java.util.List;

/**
 * Which half of the day an hour without one means where people arrange something: from nine in the morning to seven in the
 * evening, so that "half ten" is in the morning and "at three" in the afternoon. Seven and eight can be either and stay
 * unclear. What is taken so is said back. Pure function.
 */
public final class UsualHours {

    private static final LocalTime FROM = LocalTime.of(9, 0);
    private static final LocalTime TO = LocalTime.of(19, 0);

    private static final Finder BEGINS = Finder.of("\\bfrom\\b");

    private UsualHours() {}

    /** As {@link #of(Reading)}; of a range ("from ten to twelve") the beginning. */
    public static Reading of(Reading reading, String text) {
        return reading instanceof Reading.Unclear(List<Value> ends, int start, int end)
                        && ends.size() == 2
                        && !apart(ends)
                        && BEGINS.in(text)
                ? new Reading.Given(ends.getFirst(), start, end)
                : of(reading);
    }

    /** The one time of an unclear reading that lies in these hours, in its place; otherwise the reading as it is. */
    public static Reading of(Reading reading) {
        if (!(reading instanceof Reading.Unclear(List<Value> candidates, int start, int end))
                || candidates.size() != 2) {
            return reading;
        }
        Value usual = null;
        for (Value candidate : candidates) {
            if (!(candidate instanceof Value.Clock(LocalTime time))) {
                return reading;
            }
            if (!time.isBefore(FROM) && time.isBefore(TO)) {
                if (usual != null) {
                    return reading;
                }
                usual = candidate;
            }
        }
        return apart(candidates) && usual != null ? new Reading.Given(usual, start, end) : reading;
    }

    /** Whether two times are the same hour of the two halves of a day, and not two that were both said. */
    private static boolean apart(List<Value> candidates) {
        return candidates.getFirst() instanceof Value.Clock(LocalTime first)
                && candidates.getLast() instanceof Value.Clock(LocalTime second)
                && first.plusHours(12).equals(second);
    }
}
