package com.shuttle.studio;

import com.shuttle.chat.BotWorld;
import com.shuttle.chat.Errands;
import com.shuttle.chat.Times;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Odds;
import com.shuttle.core.acts.Situation;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.World;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.RowsFound;
import com.shuttle.services.Calls;
import com.shuttle.services.Catalogue;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The world outside as a rehearsal meets it: as the designer's switch has it, and watched. Thread-safe. */
@Component
class Outside {

    private static final int MOST_ROWS = 5;

    /** How the world outside behaves. */
    enum Mode {
        /** Tables as they are; services are not called, and come to their first result with their examples. */
        REHEARSED,
        /** Services are really called. */
        REAL,
        /** Services fail. */
        FAIL,
        /** Replies of services take long enough for what is said meanwhile. */
        SLOW,
        /** Nothing is found in tables. */
        EMPTY,
        /** No time of any appointment is free. */
        FULL;

        static Mode of(@Nullable String key) {
            for (Mode mode : values()) {
                if (mode.name().toLowerCase(Locale.ROOT).equals(key)) {
                    return mode;
                }
            }
            return REHEARSED;
        }
    }

    /**
     * Something that was asked outside.
     *
     * @param what  in a few words
     * @param asked may be empty
     */
    public record Seen(String what, String asked, String came) {}

    /** A clause that the visitor said, in its situation. @param kind that it was taken for */
    record Clause(String words, Situation situation, Kind kind) {}

    private final BotWorld world;
    private final Errands errands;
    private final Calls calls;
    private final Catalogue services;
    private final Times times;

    Outside(BotWorld world, Errands errands, Calls calls, Catalogue services, Times times) {
        this.times = times;
        this.world = world;
        this.errands = errands;
        this.calls = calls;
        this.services = services;
    }

    /**
     * How a turn is rehearsed.
     *
     * @param day that it is taken for; null for today
     */
    record Scene(Mode mode, @Nullable LocalDate day) {
        static Scene of(@Nullable String mode, @Nullable String day) {
            try {
                return new Scene(Mode.of(mode), day == null || day.isBlank() ? null : LocalDate.parse(day));
            } catch (DateTimeException unreadable) {
                return new Scene(Mode.of(mode), null);
            }
        }
    }

    /** The world of one turn. @param now when it is taken for */
    Watch watch(String bot, Mode mode, RehearsedCalendar calendar, Instant now) {
        return new Watch(world.of(bot, "rehearsal"), mode, calendar, now);
    }

    /** One turn's world; for one thread. */
    final class Watch implements World {
        private final World there;
        private final Mode mode;
        private final RehearsedCalendar calendar;
        private final Instant now;
        private final List<Seen> seen = new ArrayList<>();
        private final List<Clause> clauses = new ArrayList<>();

        private Watch(World there, Mode mode, RehearsedCalendar calendar, Instant now) {
            this.there = there;
            this.mode = mode;
            this.calendar = calendar;
            this.now = now;
        }

        List<Seen> seen() {
            return List.copyOf(seen);
        }

        /** The clauses of what the visitor said, with what they were taken to do. */
        List<Clause> clauses() {
            return List.copyOf(clauses);
        }

        @Override
        public <R> R reply(Query<R> query) {
            Object ofCalendar = ofCalendar(query);
            if (ofCalendar != null) {
                return query.type().cast(ofCalendar);
            }
            R reply = there.reply(query);
            if (query instanceof Query.Acts asked && reply instanceof Odds[] odds) {
                for (int i = 0; i < odds.length; i++) {
                    clauses.add(new Clause(asked.clauses().get(i), asked.situation(), odds[i].kind()));
                }
            }
            if (query instanceof Query.Rows rows && reply instanceof RowsFound found) {
                RowsFound shown =
                        mode == Mode.EMPTY ? new RowsFound(found.columns(), List.of(), found.missing()) : found;
                seen.add(new Seen("looks up", asked(rows, found), told(shown)));
                return query.type().cast(shown);
            }
            return reply;
        }

        /** What is asked of appointments; null for anything else. */
        private @Nullable Object ofCalendar(Query<?> query) {
            return switch (query) {
                case Query.Times wanted -> free(wanted.kind(), wanted.party(), wanted.with());
                case Query.FirstFree first -> mode == Mode.FULL ? FreeTimes.GONE : null;
                case Query.Held held -> calendar.holds(held.reference());
                case Query.OwnBookings ignored ->
                    calendar.own(kind -> free(kind, 1, "")).toArray(BookingFound[]::new);
                case Query.Booked one ->
                    calendar.found(one.reference(), one.email(), kind -> free(kind, 1, ""))
                            .orElse(null);
                default -> null;
            };
        }

        private FreeTimes free(String kind, int party, String with) {
            FreeTimes there = times.free(kind, party, with, now);
            return mode == Mode.FULL
                    ? new FreeTimes(there.name(), there.zone(), List.of(), there.people())
                    : calendar.without(there, kind);
        }

        /** Does an errand. @param awaiting what the conversation waits for meanwhile */
        @Nullable
        JsonNode perform(Errand errand, Awaiting awaiting) {
            if (!(errand instanceof Errand.Call call)) {
                return errands.perform("rehearsal", errand);
            }
            if (mode == Mode.SLOW && awaiting instanceof Awaiting.Called called) {
                seen.add(new Seen("meanwhile it says", "", called.words()));
            }
            Calls.Made made = mode == Mode.REAL ? calls.made(call) : calls.rehearsed(call, mode == Mode.FAIL);
            String name = services.nameOf(call.service());
            String does = mode == Mode.REAL ? "called “" : "would call “";
            seen.add(new Seen(
                    does + name + "”",
                    made.request(),
                    made.result().hasFailed() ? made.result().why() : made.reply()));
            return JsonMapper.shared().valueToTree(made.result());
        }
    }

    private static String asked(Query.Rows rows, RowsFound found) {
        return rows.filters().stream()
                .map(filter ->
                        name(found, filter.column()) + " " + filter.comparison().label() + " " + filter.value())
                .collect(Collectors.joining(", "));
    }

    private static String name(RowsFound found, String key) {
        return found.columns().stream()
                .filter(column -> column.key().equals(key))
                .map(Column::name)
                .findFirst()
                .orElse(key);
    }

    private static String told(RowsFound found) {
        if (found.rows().isEmpty()) {
            return "no row";
        }
        String rows = found.rows().stream()
                .limit(MOST_ROWS)
                .map(row -> found.columns().stream()
                        .map(column -> Cell.shown(column, row.at(column)))
                        .filter(cell -> !cell.isBlank())
                        .collect(Collectors.joining(" · ")))
                .collect(Collectors.joining("\n"));
        int more = found.rows().size() - MOST_ROWS;
        return more > 0 ? rows + "\nand " + more + " more" : rows;
    }
}
