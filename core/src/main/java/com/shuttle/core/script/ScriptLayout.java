package com.shuttle.core.script;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * Which lane each row and each thread of the script view runs in.
 *
 * <p>Rows keep the designer's order. A <i>thread</i> is named by the row it leads to: all exits that lead down to the
 * same row share one thread, which begins at the first of them and which the others join; likewise one dashed thread for all
 * exits that lead up to it. So the number of lanes at a row is the number of different places ahead, not of exits, and
 * two threads never share a lane in the same row.
 *
 * <p>Going down the rows: a row ends the thread that reaches it and stands in its lane, or further left in that of a
 * row that leads to it where that is free, so that what parted comes back to the main line. The first of its exits
 * that opens a new thread goes straight on in the row's own lane; each further one takes the nearest free lane to the
 * right. Threads that lead up are placed last, outside of all the others they pass. Time grows with rows plus the lanes
 * open at each row.
 *
 * @param rows    one a step, in order
 * @param threads those leading down in the order they begin, then those leading up
 * @param lanes   number of lanes in use, at least 1
 */
public record ScriptLayout(List<Row> rows, List<Thread> threads, int lanes) {

    /** @param lane of the step's mark */
    public record Row(String step, int lane) {}

    /** An exit that enters a thread. {@code row} is the row of the exit's step. */
    public record Feeder(int row, String exit) {}

    /**
     * One thread.
     *
     * @param target  index of the row it leads to
     * @param lane    where it runs between its ends
     * @param up      whether it leads up, to the same row or one before
     * @param feeders at least one, in the order of rows and exits
     */
    public record Thread(int target, int lane, boolean up, List<Feeder> feeders) {
        public Thread {
            feeders = List.copyOf(feeders);
        }
    }

    public ScriptLayout {
        rows = List.copyOf(rows);
        threads = List.copyOf(threads);
    }

    /** Lays out a flow. An empty one has no rows and one lane. */
    public static ScriptLayout of(Flow flow) {
        return new Layouter(flow.allSteps()).layout();
    }

    private static final class Layouter {
        private final List<Step> steps;
        private final Map<String, Integer> indexOf = new HashMap<>();
        private final Map<Integer, List<Feeder>> down = new LinkedHashMap<>();
        private final Map<Integer, List<Feeder>> up = new LinkedHashMap<>();
        private final Map<Integer, Integer> laneOfTarget = new HashMap<>();
        private final TreeSet<Integer> taken = new TreeSet<>();
        private int[] widest = new int[0];

        Layouter(List<Step> steps) {
            this.steps = steps;
            for (int i = 0; i < steps.size(); i++) {
                indexOf.putIfAbsent(steps.get(i).id(), i);
            }
        }

        ScriptLayout layout() {
            widest = new int[steps.size()];
            List<Row> rows = new ArrayList<>();
            List<Integer> opened = new ArrayList<>();
            for (int i = 0; i < steps.size(); i++) {
                Integer arriving = laneOfTarget.get(i);
                int lane = arriving == null ? free(0) : arriving;
                taken.remove(lane);
                lane = leftmost(i, lane, rows);
                widest[i] = Math.max(lane, taken.isEmpty() ? 0 : taken.last());
                rows.add(new Row(steps.get(i).id(), lane));
                open(i, lane, opened);
                widest[i] = Math.max(widest[i], taken.isEmpty() ? 0 : taken.last());
            }
            List<Thread> threads = new ArrayList<>();
            opened.forEach(target -> threads.add(new Thread(
                    target, requireNonNull(laneOfTarget.get(target)), false, requireNonNull(down.get(target)))));
            placeReturns(threads);
            int lanes = threads.stream().mapToInt(Thread::lane).max().orElse(0);
            lanes = Math.max(lanes, rows.stream().mapToInt(Row::lane).max().orElse(0));
            return new ScriptLayout(rows, threads, lanes + 1);
        }

        /** The leftmost free one of the lane that a row is reached in and those of the rows that lead to it. */
        private int leftmost(int row, int arriving, List<Row> above) {
            int lane = arriving;
            for (Feeder feeder : down.getOrDefault(row, List.of())) {
                int own = above.get(feeder.row()).lane();
                if (own < lane && !taken.contains(own)) {
                    lane = own;
                }
            }
            return lane;
        }

        private void open(int row, int ownLane, List<Integer> opened) {
            boolean straight = false;
            for (ExitSlot slot : steps.get(row).slots()) {
                if (!(steps.get(row).exit(slot.id()) instanceof Target.ToStep(String id)) || !indexOf.containsKey(id)) {
                    continue;
                }
                int target = indexOf.get(id);
                Feeder feeder = new Feeder(row, slot.id());
                if (target <= row) {
                    up.computeIfAbsent(target, t -> new ArrayList<>()).add(feeder);
                } else if (down.containsKey(target)) {
                    down.get(target).add(feeder);
                } else {
                    int lane = straight ? free(ownLane + 1) : ownLane;
                    straight = true;
                    taken.add(lane);
                    laneOfTarget.put(target, lane);
                    down.put(target, new ArrayList<>(List.of(feeder)));
                    opened.add(target);
                }
            }
        }

        /** The nearest lane from {@code from} on that no open thread runs in. */
        private int free(int from) {
            int lane = from;
            while (taken.contains(lane)) {
                lane++;
            }
            return lane;
        }

        /** Shorter returns lie inside longer ones. */
        private void placeReturns(List<Thread> threads) {
            List<Map.Entry<Integer, List<Feeder>>> returns = new ArrayList<>(up.entrySet());
            returns.sort((a, b) -> {
                int byLength = Integer.compare(length(a), length(b));
                return byLength != 0 ? byLength : Integer.compare(a.getKey(), b.getKey());
            });
            for (Map.Entry<Integer, List<Feeder>> entry : returns) {
                int last = entry.getValue().getLast().row();
                int lane = 0;
                for (int i = entry.getKey(); i <= last; i++) {
                    lane = Math.max(lane, widest[i] + 1);
                }
                for (int i = entry.getKey(); i <= last; i++) {
                    widest[i] = lane;
                }
                threads.add(new Thread(entry.getKey(), lane, true, entry.getValue()));
            }
        }

        private static int length(Map.Entry<Integer, List<Feeder>> entry) {
            return entry.getValue().getLast().row() - entry.getKey();
        }
    }
}
