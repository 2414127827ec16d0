package com.shuttle.core.engine;

import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The replies that {@link Ports} gave in a turn, in the order of the calls, so that the turn can be replayed when the
 * knowledge has long changed. Not thread-safe: one turn, one thread.
 */
public final class Reads {

    /** @param call the name of the port's method */
    public record Read(String call, @Nullable JsonNode reply) {}

    private static final JsonMapper MAPPER = JsonMapper.shared();

    private Reads() {}

    /** Passes calls on and keeps the replies. */
    public static final class Recorder implements Ports {
        private final Ports ports;
        private final List<Read> reads = new ArrayList<>();

        public Recorder(Ports ports) {
            this.ports = ports;
        }

        /** What was replied so far. */
        public List<Read> reads() {
            return List.copyOf(reads);
        }

        @Override
        public Finding ask(List<String> turns, List<String> collections) {
            return kept("ask", ports.ask(turns, collections));
        }

        @Override
        public Optional<Match> entry(String ref) {
            Optional<Match> reply = ports.entry(ref);
            JsonNode kept = reply.isPresent() ? MAPPER.valueToTree(reply.get()) : null;
            reads.add(new Read("entry", kept));
            return reply;
        }

        @Override
        public List<Double> closeness(String text, List<String> others) {
            return kept("closeness", ports.closeness(text, others));
        }

        @Override
        public boolean staffed(String team) {
            return kept("staffed", ports.staffed(team));
        }

        @Override
        public List<String> open(List<String> teamNames) {
            return kept("open", ports.open(teamNames));
        }

        @Override
        public String signalAddress(String key) {
            return kept("signal", ports.signalAddress(key));
        }

        private <T> T kept(String call, T reply) {
            reads.add(new Read(call, MAPPER.valueToTree(reply)));
            return reply;
        }
    }

    /** Gives the kept replies again, in order. A call that does not match them is a bug and throws. */
    public static final class Replayer implements Ports {
        private final List<Read> reads;
        private int next;

        public Replayer(List<Read> reads) {
            this.reads = List.copyOf(reads);
        }

        @Override
        public Finding ask(List<String> turns, List<String> collections) {
            return MAPPER.treeToValue(take("ask"), Finding.class);
        }

        @Override
        public Optional<Match> entry(String ref) {
            JsonNode reply = take("entry");
            return reply == null || reply.isNull()
                    ? Optional.empty()
                    : Optional.of(MAPPER.treeToValue(reply, Match.class));
        }

        @Override
        public List<Double> closeness(String text, List<String> others) {
            return List.of(MAPPER.treeToValue(take("closeness"), Double[].class));
        }

        @Override
        public boolean staffed(String team) {
            return take("staffed").booleanValue();
        }

        @Override
        public List<String> open(List<String> teamNames) {
            return List.of(MAPPER.treeToValue(take("open"), String[].class));
        }

        @Override
        public String signalAddress(String key) {
            return take("signal").stringValue();
        }

        private JsonNode take(String call) {
            if (next >= reads.size() || !reads.get(next).call().equals(call)) {
                throw new IllegalStateException("replay expected "
                        + (next < reads.size() ? reads.get(next).call() : "no call") + " as read " + next
                        + ", but the turn called " + call);
            }
            return reads.get(next++).reply();
        }
    }
}
