package com.shuttle.appointments;

import com.shuttle.core.booking.Slot;
import java.util.List;

/** What comes of wanting a time. */
public sealed interface Outcome {

    record Taken(Booking booking) implements Outcome {}

    /** It is not free, or no longer. @param nearest free ones, the nearest first */
    record Gone(List<Slot> nearest) implements Outcome {
        public Gone {
            nearest = List.copyOf(nearest);
        }
    }

    /** What was asked cannot be. @param why in a sentence for whoever asked */
    record Unfit(String why) implements Outcome {}
}
