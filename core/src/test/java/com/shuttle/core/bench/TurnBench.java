package com.shuttle.core.bench;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.World;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;

/** Turns of an interview of twelve facts, readings of several things, and expressions a second, on one thread. */
@org.openjdk.jmh.annotations.State(Scope.Thread)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
public class TurnBench {

    private static final World NOTHING = EngineBench.NOTHING;
    private static final String RULE = "guests >= 6 && guests <= 80 && page.contains(\"/hire\")";

    private Playbook playbook;
    private State asked;
    private Expressions expressions;
    private Map<String, Value> values;

    @Setup
    public void setUp() {
        StringBuilder facts = new StringBuilder();
        String[] types = {
            "person_name",
            "email",
            "phone",
            "number",
            "date",
            "time",
            "money",
            "company",
            "url",
            "yes_no",
            "number",
            "date"
        };
        for (int i = 0; i < types.length; i++) {
            facts.append(i == 0 ? "" : ",")
                    .append("{'variable':'fact_")
                    .append((char) ('a' + i))
                    .append("','label':'fact ")
                    .append((char) ('a' + i))
                    .append("','type':'")
                    .append(types[i])
                    .append("'}");
        }
        playbook = new Playbook(new Release(
                1,
                new Release.Profile("Bench", "GB", "UTC"),
                "main",
                List.of(FlowBuilder.flow("main")
                        .json("{'kind':'interview','id':'i','ask':['Tell me.'],'facts':[" + facts
                                + "],'exits':{'complete':'end'}}")
                        .build()),
                List.of(),
                List.of()));
        Turn begun = Engine.take(playbook, State.NEW, new Event.Started(stamp(), "web", ""), NOTHING);
        asked = ((Turn.Taken) begun).state();
        expressions = new Expressions(Map.of("guests", ValueType.NUMBER));
        values = Map.of("guests", Value.Numeric.of(24), "page", new Value.Text("https://tarnfell.example/hire"));
    }

    private static Stamp stamp() {
        return new Stamp(Instant.EPOCH, 1);
    }

    @Benchmark
    public Turn interviewOfTwelveFacts() {
        return Engine.take(
                playbook,
                asked,
                new Event.Said(stamp(), "I'm Dana Whitlow, dana@example.org, on 3 May at 3pm"),
                NOTHING);
    }

    @Benchmark
    public Map<String, Reading> severalReadings() {
        return ReadingBench.several();
    }

    @Benchmark
    public Expressions.Result expression() {
        return expressions.evaluate(RULE, values, Expressions.Around.NOTHING);
    }

    /** The same condition written out in Java. */
    @Benchmark
    public boolean expressionInJava() {
        double guests = ((Value.Numeric) values.get("guests")).number().doubleValue();
        return guests >= 6 && guests <= 80 && values.get("page").shown().contains("/hire");
    }
}
