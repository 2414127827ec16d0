package com.shuttle.core.conversation;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The replies that the {@link World} gave in a turn, in the order of the queries, so that the turn can be replayed when the
 * world has long changed. Not thread-safe: one turn, one thread.
 */
public final class Reads {

    /** @param call the name of the query */
    public record Read(String call, @Nullable JsonNode reply) {}

    private static final JsonMapper MAPPER = JsonMapper.shared();

    private Reads() {}

    /** Passes queries on and keeps the replies. */
    public static final class Recorder implements World {
        private final World world;
        private final List<Read> reads = new ArrayList<>();

        public Recorder(World world) {
            this.world = world;
        }

        /** What was replied so far. */
        public List<Read> reads() {
            return List.copyOf(reads);
        }

        @Override
        public <R> R reply(Query<R> query) {
            R reply = world.reply(query);
            reads.add(new Read(query.name(), MAPPER.valueToTree(reply)));
            return reply;
        }
    }

    /** Gives the kept replies again, in order. A query that does not match them is a bug and throws. */
    public static final class Replayer implements World {
        private final List<Read> reads;
        private int next;

        public Replayer(List<Read> reads) {
            this.reads = List.copyOf(reads);
        }

        @Override
        public <R> R reply(Query<R> query) {
            if (next >= reads.size() || !reads.get(next).call().equals(query.name())) {
                throw new IllegalStateException("replay expected "
                        + (next < reads.size() ? reads.get(next).call() : "no query") + " as read " + next
                        + ", but the turn asked " + query.name());
            }
            return MAPPER.treeToValue(reads.get(next++).reply(), query.type());
        }
    }
}
