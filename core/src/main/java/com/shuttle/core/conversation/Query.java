package com.shuttle.core.conversation;

import com.shuttle.core.acts.Odds;
import com.shuttle.core.acts.Situation;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Inquiry;
import com.shuttle.core.reading.Context;
import com.shuttle.core.table.RowsFound;
import java.util.List;

/**
 * A question to the world during a turn.
 *
 * @param <R> the reply
 */
public sealed interface Query<R> {

    /** The name under which replies are stored. */
    String name();

    /** What its replies are. */
    Class<R> type();

    /**
     * Asks the bot's knowledge.
     *
     * @param collections ids; empty for all of the bot's
     */
    record Ask(Inquiry inquiry, List<String> collections) implements Query<Finding> {
        public Ask {
            collections = List.copyOf(collections);
        }

        @Override
        public String name() {
            return "ask";
        }

        @Override
        public Class<Finding> type() {
            return Finding.class;
        }
    }

    /** The entry, article or table with this ref, as the only match of confidence 1; nothing if it is gone. */
    record Entry(String ref) implements Query<Finding> {
        @Override
        public String name() {
            return "entry";
        }

        @Override
        public Class<Finding> type() {
            return Finding.class;
        }
    }

    /** Cosine similarity in meaning of {@code text} to each of {@code others}, in their order. */
    record Closeness(String text, List<String> others) implements Query<double[]> {
        public Closeness {
            others = List.copyOf(others);
        }

        @Override
        public String name() {
            return "closeness";
        }

        @Override
        public Class<double[]> type() {
            return double[].class;
        }
    }

    /**
     * What the clauses of a message do, each in its turn; none where nothing was learnt of that.
     *
     * @param clauses   as they stand in the message
     * @param situation that it was sent in
     * @param context   of whoever sent it
     */
    record Acts(List<String> clauses, Situation situation, Context context) implements Query<Odds[]> {
        public Acts {
            clauses = List.copyOf(clauses);
        }

        @Override
        public String name() {
            return "acts";
        }

        @Override
        public Class<Odds[]> type() {
            return Odds[].class;
        }
    }

    /**
     * When a kind of appointment is free for a party of so many.
     *
     * @param kind its id
     * @param with name of a person or room, or something that they can or speak; empty for any
     */
    record Times(String kind, int party, String with) implements Query<FreeTimes> {
        @Override
        public String name() {
            return "times";
        }

        @Override
        public Class<FreeTimes> type() {
            return FreeTimes.class;
        }
    }

    /** When the kind of appointment of this name is free first, in any case of letters; no times where it never is. */
    record FirstFree(String kind) implements Query<FreeTimes> {
        @Override
        public String name() {
            return "first_free";
        }

        @Override
        public Class<FreeTimes> type() {
            return FreeTimes.class;
        }
    }

    /** What is booked under a reference for this address. */
    record Booked(String reference, String email) implements Query<BookingFound> {
        @Override
        public String name() {
            return "booked";
        }

        @Override
        public Class<BookingFound> type() {
            return BookingFound.class;
        }
    }

    /** What a visitor has booked to come, in this conversation or an earlier one, soonest first. @param visitor as in the state */
    record OwnBookings(String visitor) implements Query<BookingFound[]> {
        @Override
        public String name() {
            return "own_bookings";
        }

        @Override
        public Class<BookingFound[]> type() {
            return BookingFound[].class;
        }
    }

    /** Whether the time under a reference is still held. */
    record Held(String reference) implements Query<Boolean> {
        @Override
        public String name() {
            return "held";
        }

        @Override
        public Class<Boolean> type() {
            return Boolean.class;
        }
    }

    /** Why somebody cannot be told; empty where it will be tried. */
    record MayTell(Deed.Tell deed) implements Query<String> {
        @Override
        public String name() {
            return "may tell";
        }

        @Override
        public Class<String> type() {
            return String.class;
        }
    }

    /** Whether anybody could take a conversation for this team now; empty for any team. */
    record Staffed(String team) implements Query<Boolean> {
        @Override
        public String name() {
            return "staffed";
        }

        @Override
        public Class<Boolean> type() {
            return Boolean.class;
        }
    }

    /** Of these names of teams, in any case, those that are open now, in lower case. */
    record Open(List<String> teams) implements Query<String[]> {
        public Open {
            teams = List.copyOf(teams);
        }

        @Override
        public String name() {
            return "open";
        }

        @Override
        public Class<String[]> type() {
            return String[].class;
        }
    }

    /**
     * Rows of a table as it is now.
     *
     * @param table   its id
     * @param filters all of which a row must pass
     * @param order   key of the column they are ordered by; empty for the table's own order
     * @param falling whether the greatest comes first
     * @param most    so many at most, from 1 on
     */
    record Rows(String table, List<Filter> filters, String order, boolean falling, int most)
            implements Query<RowsFound> {

        /**
         * What a row must have in a column.
         *
         * @param column its key
         * @param value  as people write it; empty where nothing is compared with
         */
        public record Filter(String column, Comparison comparison, String value) {}

        public Rows {
            filters = List.copyOf(filters);
        }

        @Override
        public String name() {
            return "rows";
        }

        @Override
        public Class<RowsFound> type() {
            return RowsFound.class;
        }
    }

    /** Why rows cannot be saved one after the other as things stand, as a sentence; empty where they can. Saves nothing. */
    record MaySave(List<Deed.SaveRow> rows) implements Query<String> {
        public MaySave {
            rows = List.copyOf(rows);
        }

        @Override
        public String name() {
            return "may_save";
        }

        @Override
        public Class<String> type() {
            return String.class;
        }
    }

    /** The signed address that brings a signal with this key to the conversation. */
    record SignalAddress(String key) implements Query<String> {
        @Override
        public String name() {
            return "signal";
        }

        @Override
        public Class<String> type() {
            return String.class;
        }
    }

    /** Whether a language model should be consulted about what was found. */
    record Consults(Finding finding) implements Query<Boolean> {
        @Override
        public String name() {
            return "consults";
        }

        @Override
        public Class<Boolean> type() {
            return Boolean.class;
        }
    }
}
