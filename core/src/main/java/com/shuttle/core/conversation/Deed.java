package com.shuttle.core.conversation;

import com.shuttle.core.flow.Writing;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Something that is written to the database in the turn's transaction, by the one handler of its type. */
public sealed interface Deed extends Effect {

    /**
     * Adds a row to a table, or changes the one found by a key.
     *
     * @param table  its id
     * @param key    key of the column by whose value a row is found; empty to add one always
     * @param writes the cells; what is not written stays as it is
     */
    record SaveRow(String table, String key, List<Write> writes) implements Deed {

        /**
         * What is written to a cell.
         *
         * @param column its key
         * @param value  as people write it, of the column's kind
         */
        public record Write(String column, Writing how, String value) {}

        public SaveRow {
            writes = List.copyOf(writes);
        }
    }

    /** Has somebody told once the turn is committed, as often as it takes. */
    sealed interface Tell extends Deed {

        /**
         * A mail.
         *
         * @param to   addresses as they were given
         * @param team id of a team all of whose people get it besides; empty for none
         * @param text in small Markdown
         * @param attached whether the conversation so far goes with it
         */
        record Mail(List<String> to, String team, String subject, String text, boolean attached) implements Tell {
            public Mail {
                to = List.copyOf(to);
            }
        }

        /** A web callback. @param event what it is about @param data by their names */
        record Callback(String address, String event, Map<String, Value> data) implements Tell {
            public Callback {
                data = Map.copyOf(data);
            }
        }
    }

    /**
     * Books an appointment, or makes what is held under its reference a booking. Where somebody was faster, the turn is worked
     * out anew.
     *
     * @param kind      its id
     * @param party     how many come, from 1 on
     * @param with      as in {@link Query.Times}
     * @param reference by which the visitor names it
     * @param name      of who comes, as {@code email}, {@code phone} and {@code about} may be empty
     * @param zone      the visitor's; empty where it is unknown
     */
    record Book(
            String kind,
            Instant start,
            int party,
            String with,
            String reference,
            String name,
            String email,
            String phone,
            String about,
            String zone)
            implements Deed {}

    /**
     * Keeps a time from others for a while. Where somebody was faster, the turn is worked out anew.
     *
     * @param reference by which it is booked later, or let go
     */
    record Hold(String kind, Instant start, int party, String with, String reference, String zone, int seconds)
            implements Deed {}

    /** Gives a time back that is held; nothing where it is held no longer. */
    record LetGo(String reference) implements Deed {}

    /** Has somebody told by mail when a time of a kind falls free. @param party how many come @param zone may be empty */
    record WaitFor(String kind, int party, String name, String email, String zone) implements Deed {}

    /** Moves a booking. Where somebody was faster, the turn is worked out anew. @param booking its id */
    record Rebook(String booking, Instant start) implements Deed {}

    /** Calls a booking off. @param booking its id */
    record CallOff(String booking) implements Deed {}

    /** A line for whoever takes the conversation; visitors never see it. */
    record Note(String text) implements Deed {}

    /**
     * Makes the visitor a lead, or adds to the lead that they are.
     *
     * @param fields   key of a field to its value; an email or a phone number is among them
     * @param consent  null where none was asked for
     * @param team     id of the team whose people take new leads in turn; empty for nobody
     * @param campaign that led the visitor here; empty where none is known
     */
    record SaveLead(Map<String, String> fields, @Nullable Consent consent, String team, String campaign)
            implements Deed {

        /** What the visitor was asked to agree to. @param given whether they did */
        public record Consent(String wording, boolean given) {}

        public SaveLead {
            fields = Collections.unmodifiableMap(new LinkedHashMap<>(fields));
        }
    }

    /**
     * What a scorecard came to.
     *
     * @param card    its id, as {@code name} is its name
     * @param band    id of the band, as {@code bandName} is its name; empty where the visitor is ruled out
     * @param reasons in plain words, in the card's order
     * @param known   by what it was scored: variables and facts of the visit, without secrets
     */
    record KeepScore(
            String card,
            String name,
            int points,
            String band,
            String bandName,
            List<String> reasons,
            Map<String, Value> known)
            implements Deed {
        public KeepScore {
            reasons = List.copyOf(reasons);
            known = Collections.unmodifiableMap(new LinkedHashMap<>(known));
        }
    }

    /** A question that no knowledge answered. */
    record NoteGap(String question) implements Deed {}

    /** A question was answered by the entry or article of this ref. */
    record Answered(String ref, String question) implements Deed {}

    /** Sends {@link Event.TimeCame} with this key after so many seconds, once, after a restart too. */
    record SetTimer(String key, long seconds) implements Deed {}

    /** Keeps a visitor variable for conversations to come; null forgets it. */
    record Remember(String variable, @Nullable Value value) implements Deed {}

    /** A milestone was reached; {@code value} is 0 where it has none. */
    record Reach(String milestone, BigDecimal value) implements Deed {}

    /** The visitor rated the conversation, 1 to 5; {@code comment} may be empty. Sent again with the comment. */
    record Rate(int stars, String comment) implements Deed {}
}
