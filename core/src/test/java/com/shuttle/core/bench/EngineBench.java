package com.shuttle.core.bench;

import com.shuttle.core.acts.ActReader;
import com.shuttle.core.acts.Odds;
import com.shuttle.core.acts.Situation;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.World;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Embedding;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.reading.Context;
import com.shuttle.core.table.RowsFound;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;

/** Turns a second on one thread, without knowledge, in a flow of 200 steps. */
@org.openjdk.jmh.annotations.State(Scope.Thread)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
public class EngineBench {

    static final World NOTHING = new World() {
        @Override
        public <R> R reply(Query<R> query) {
            return query.type()
                    .cast(
                            switch (query) {
                                case Query.Ask ignored -> Finding.NOTHING;
                                case Query.Entry ignored -> Finding.NOTHING;
                                case Query.Closeness closeness ->
                                    new double[closeness.others().size()];
                                case Query.Acts ignored -> new Odds[0];
                                case Query.Staffed ignored -> false;
                                case Query.Open ignored -> new String[0];
                                case Query.Rows ignored -> RowsFound.NO_TABLE;
                                case Query.MaySave ignored -> "";
                                case Query.MayTell ignored -> "";
                                case Query.Times ignored -> FreeTimes.GONE;
                                case Query.FirstFree ignored -> FreeTimes.GONE;
                                case Query.Held ignored -> false;
                                case Query.OwnBookings ignored -> new BookingFound[0];
                                case Query.Booked ignored -> BookingFound.NONE;
                                case Query.SignalAddress ignored -> "";
                                case Query.Consults ignored -> false;
                            });
        }
    };

    private static final Meaning SHIPPED = Meaning.of(Meaning.shipped());
    private static final Map<String, float[]> TEXTS = new ConcurrentHashMap<>();
    private static final Map<String, Embedding> QUESTIONS = new ConcurrentHashMap<>();

    /** As on a server: labels are read once, and a message once a turn. */
    private static final Meaning MEANING = new Meaning() {
        @Override
        public Embedding readText(Model model, String text) {
            return SHIPPED.readText(model, text);
        }

        @Override
        public Embedding readQuestion(Model model, String question) {
            return QUESTIONS.computeIfAbsent(model + question, key -> SHIPPED.readQuestion(model, question));
        }

        @Override
        public float[] ofText(Model model, String text) {
            return TEXTS.computeIfAbsent(
                    model + text, key -> SHIPPED.readText(model, text).whole());
        }
    };

    private static final ActReader ACTS = new ActReader(MEANING);

    /** As {@link #NOTHING}, with what was learnt of messages. */
    private static final World LISTENING = new World() {
        @Override
        public <R> R reply(Query<R> query) {
            return switch (query) {
                case Query.Acts(List<String> clauses, Situation situation, Context context) ->
                    query.type()
                            .cast(ACTS.read(clauses, situation, context, List.of())
                                    .toArray(Odds[]::new));
                case Query.Closeness(String text, List<String> others) ->
                    query.type().cast(MEANING.closeness(text, others));
                default -> NOTHING.reply(query);
            };
        }
    };

    private Playbook playbook;
    private State atChoice;
    private State atQuestion;
    private final Playbook forty = fortyOptions();
    private State atForty;

    @Setup
    public void setUp() {
        FlowBuilder flow = FlowBuilder.flow("main");
        for (int i = 0; i < 200; i += 4) {
            String next = i + 4 < 200 ? "c" + (i + 4) : "c0";
            flow.choice("c" + i, "Which way?", "The first way", "q" + i, "The second way", next, "Another", next)
                    .question("q" + i, "How many?", ValueType.NUMBER, "n" + i, "m" + i)
                    .message("m" + i, "So {{n" + i + "}}.", "x" + i)
                    .message("x" + i, "Let us go on.", next);
        }
        playbook = new Playbook(new Release(
                1,
                new Release.Profile("Bench", "GB", "Europe/London"),
                "main",
                List.of(flow.build()),
                List.of(),
                List.of()));
        atChoice = after(State.NEW, new Event.Started(stamp(), "web", ""));
        atQuestion = after(atChoice, new Event.Picked(stamp(), List.of("o1")));
        atForty = ((Turn.Taken) Engine.take(forty, State.NEW, new Event.Started(stamp(), "web", ""), NOTHING)).state();
    }

    /** A choice of forty options, with ten things asked for after it. */
    private static Playbook fortyOptions() {
        StringBuilder options = new StringBuilder();
        for (int i = 0; i < 40; i++) {
            options.append(i == 0 ? "" : ",")
                    .append("{\"id\":\"o%d\",\"label\":\"%s %s\"}".formatted(i, COLOURS[i % 8], THINGS[i / 8]));
        }
        FlowBuilder flow = FlowBuilder.flow("main").json("""
                        {"kind":"choice","id":"which","ask":["Which one?"],"variable":"which","options":[%s],
                         "exits":{"picked":"step:q0"}}""".formatted(options));
        for (int i = 0; i < AHEAD.length; i++) {
            flow.question("q" + i, "And the " + NAMED[i] + "?", AHEAD[i], NAMED[i], "q" + (i + 1));
        }
        return new Playbook(new Release(
                1,
                new Release.Profile("Bench", "GB", "Europe/London"),
                "main",
                List.of(flow.message("q10", "Done.", null).build()),
                List.of(),
                List.of()));
    }

    private static final String[] COLOURS = {"Red", "Blue", "Green", "Teal", "Plum", "Amber", "Slate", "Ivory"};
    private static final String[] THINGS = {"canoe", "dinghy", "raft", "kayak", "skiff"};
    private static final String[] NAMED = {
        "guests", "day", "start", "budget", "name", "email", "phone", "company", "nights", "lunch"
    };
    private static final ValueType[] AHEAD = {
        ValueType.NUMBER,
        ValueType.DATE,
        ValueType.TIME,
        ValueType.MONEY,
        ValueType.PERSON_NAME,
        ValueType.EMAIL,
        ValueType.PHONE,
        ValueType.COMPANY,
        ValueType.NUMBER,
        ValueType.YES_NO
    };

    private static Stamp stamp() {
        return new Stamp(Instant.EPOCH, 1);
    }

    private static final String RICH = "the teal kayak please, for 6 people on 14 April at 3pm";

    @Benchmark
    public Turn richMessage() {
        return Engine.take(forty, atForty, new Event.Said(stamp(), RICH), NOTHING);
    }

    /** The same with the odds of what its clauses do. */
    @Benchmark
    public Turn listenedMessage() {
        QUESTIONS.clear();
        return Engine.take(forty, atForty, new Event.Said(stamp(), RICH), LISTENING);
    }

    /** A label that is typed costs no odds. */
    @Benchmark
    public Turn typedLabel() {
        return Engine.take(forty, atForty, new Event.Said(stamp(), "Teal kayak"), LISTENING);
    }

    private State after(State state, Event event) {
        return ((Turn.Taken) Engine.take(playbook, state, event, NOTHING)).state();
    }

    @Benchmark
    public Turn picked() {
        return Engine.take(playbook, atChoice, new Event.Picked(stamp(), List.of("o1")), NOTHING);
    }

    @Benchmark
    public Turn typedOption() {
        return Engine.take(playbook, atChoice, new Event.Said(stamp(), "the second way"), NOTHING);
    }

    @Benchmark
    public Turn typedAnswer() {
        return Engine.take(playbook, atQuestion, new Event.Said(stamp(), "about 12 of us"), NOTHING);
    }
}
