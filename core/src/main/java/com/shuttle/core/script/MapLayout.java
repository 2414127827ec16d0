package com.shuttle.core.script;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.eclipse.elk.graph.ElkEdge;
import org.eclipse.elk.graph.ElkEdgeSection;
import org.jspecify.annotations.Nullable;

/**
 * Where the steps of a flow stand on its map. The steps of a section stand together in a region, from above to below in
 * layers (Sugiyama, Tagawa and Toda, 1981, in the implementation of the Eclipse Layout Kernel), in the designer's order
 * where there is a choice. The regions stand one below the other in columns, so that the whole is about as wide and high
 * as a screen is. Exits of a step that lead to the same step share one line; lines from one region to another are curves.
 * Steps moved by hand stand where they were put, lines to and from them are curves too, and their regions hold them.
 *
 * <p>Units are pixels at zoom 1, y downwards, from 0; a pinned step may stand at negative coordinates. Time grows a little
 * more than linearly with the steps of the largest section; sections that would take many seconds stand plainly in columns.
 * Thread-safe.
 *
 * @param nodes   one a step, in order
 * @param lines   each from one step to one other, or to itself
 * @param regions one a section that has steps
 * @param bounds  hold all of it with a margin
 */
public record MapLayout(List<Node> nodes, List<Line> lines, List<Region> regions, Box bounds) {

    public record Box(int x, int y, int width, int height) {
        Box grown(int by) {
            return new Box(x - by, y - by, width + 2 * by, height + 2 * by);
        }

        Box with(Box other) {
            int left = Math.min(x, other.x);
            int top = Math.min(y, other.y);
            return new Box(
                    left,
                    top,
                    Math.max(x + width, other.x + other.width) - left,
                    Math.max(y + height, other.y + other.height) - top);
        }
    }

    public record Point(int x, int y) {}

    /** @param text its lines, cut to what the shape holds */
    public record Node(String step, Box box, List<String> text, boolean pinned) {}

    /**
     * Exits of {@code from} that lead to {@code to}.
     *
     * @param label what they are called, empty for a natural way on
     * @param points at least two, from the one step to the other; of a curved line the four of a cubic Bézier curve
     * @param labelAt the middle of the label
     * @param up      whether it leads to the same step or one before
     */
    public record Line(
            String from,
            String to,
            List<String> exits,
            String label,
            List<Point> points,
            boolean curved,
            Point labelAt,
            boolean up) {}

    public record Region(String section, String title, Box box) {}

    static final int WIDTH = 190;
    static final int LINE = 17;
    private static final int LETTERS = 27;
    private static final int MOST_LINES = 4;
    static final int HEAD = 24;
    static final int PADDING = 18;
    private static final int LABEL_LETTERS = 22;
    static final int LABEL = 18;
    private static final int GAP = 30;
    private static final int GUTTER = 90;
    private static final int NEAR = 160;
    private static final int REACH = 60;

    /** Of all sections, see {@link SectionLayers#effort}: some seconds. */
    private static final double MOST_EFFORT = 3000;

    /** Width by height that the whole is brought near to. */
    private static final double SCREEN = 1.6;

    /** Lays out a flow. An empty one has no nodes and bounds of no size. */
    public static MapLayout of(Flow flow) {
        return new Layouter(flow).layout();
    }

    /** A text in lines of at most {@value #LETTERS} letters, at most {@value #MOST_LINES} of them. */
    static List<String> wrapped(String text) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.strip().split("\\s+")) {
            String rest = word;
            while (line.length() + rest.length() + (line.isEmpty() ? 0 : 1) > LETTERS) {
                if (line.isEmpty()) {
                    lines.add(rest.substring(0, LETTERS));
                    rest = rest.substring(LETTERS);
                } else {
                    lines.add(line.toString());
                    line.setLength(0);
                }
            }
            line.append(line.isEmpty() ? "" : " ").append(rest);
        }
        if (!line.isEmpty()) {
            lines.add(line.toString());
        }
        if (lines.size() > MOST_LINES) {
            String last = lines.get(MOST_LINES - 1);
            lines = new ArrayList<>(lines.subList(0, MOST_LINES));
            lines.set(MOST_LINES - 1, last.substring(0, Math.min(last.length(), LETTERS - 1)) + "…");
        }
        return lines;
    }

    private static final class Layouter {
        private final Flow flow;
        private final Map<String, Integer> order = new HashMap<>();
        private final Map<String, Integer> sectionOf = new HashMap<>();
        private final List<SectionLayers> sections = new ArrayList<>();
        private final Map<String, Box> boxes = new LinkedHashMap<>();

        Layouter(Flow flow) {
            this.flow = flow;
        }

        MapLayout layout() {
            for (Section section : flow.sections()) {
                if (!section.steps().isEmpty()) {
                    section.steps().forEach(step -> {
                        order.put(step.id(), order.size());
                        sectionOf.put(step.id(), sections.size());
                    });
                    sections.add(new SectionLayers(section));
                }
            }
            if (sections.isEmpty()) {
                return new MapLayout(List.of(), List.of(), List.of(), new Box(0, 0, 0, 0));
            }
            List<Pending> links = links();
            layoutSections();
            List<Point> corners = corners();
            List<Node> nodes = new ArrayList<>();
            for (int i = 0; i < sections.size(); i++) {
                Point corner = corners.get(i);
                sections.get(i).nodes.forEach((id, node) -> {
                    Flow.Pin pin = flow.pins().get(id);
                    Box box = new Box(
                            pin == null ? corner.x() + (int) Math.round(node.getX()) : pin.x(),
                            pin == null ? corner.y() + (int) Math.round(node.getY()) : pin.y(),
                            (int) node.getWidth(),
                            (int) node.getHeight());
                    boxes.put(id, box);
                });
                sections.get(i)
                        .texts
                        .forEach((id, text) -> nodes.add(new Node(
                                id,
                                requireNonNull(boxes.get(id)),
                                text,
                                flow.pins().containsKey(id))));
            }
            List<Line> lines = links.stream().map(link -> drawn(link, corners)).toList();
            List<Region> regions = new ArrayList<>();
            for (int i = 0; i < sections.size(); i++) {
                regions.add(region(sections.get(i), corners.get(i)));
            }
            return new MapLayout(nodes, lines, regions, bounds(regions, lines));
        }

        /** In layers as far as the effort goes; the sections after that plainly. */
        private void layoutSections() {
            double left = MOST_EFFORT;
            for (SectionLayers section : sections) {
                double effort = section.effort();
                if (effort <= left) {
                    left -= effort;
                    section.layout();
                } else {
                    section.layoutPlainly();
                }
            }
        }

        /** A line before it has its points; {@code edge} only where both ends are in one section. */
        private record Pending(
                Step from,
                String to,
                List<ExitSlot> exits,
                String label,
                @Nullable ElkEdge edge) {}

        private List<Pending> links() {
            List<Pending> links = new ArrayList<>();
            for (Step step : flow.allSteps()) {
                Map<String, List<ExitSlot>> ways = new LinkedHashMap<>();
                for (ExitSlot slot : step.slots()) {
                    if (step.exit(slot.id()) instanceof Target.ToStep(String to) && order.containsKey(to)) {
                        ways.computeIfAbsent(to, t -> new ArrayList<>()).add(slot);
                    }
                }
                ways.forEach((to, exits) -> {
                    String label = label(step, exits);
                    boolean together = requireNonNull(sectionOf.get(to)).equals(sectionOf.get(step.id()));
                    ElkEdge edge = together
                            ? sections.get(sectionOf.get(to)).link(step.id(), to, label, up(step.id(), to))
                            : null;
                    links.add(new Pending(step, to, exits, label, edge));
                });
            }
            return links;
        }

        private boolean up(String from, String to) {
            return requireNonNull(order.get(to)) <= requireNonNull(order.get(from));
        }

        private static String label(Step step, List<ExitSlot> exits) {
            ExitSlot first = exits.getFirst();
            boolean plain = exits.size() == 1
                    && first.id().equals(step.slots().getFirst().id())
                    && !first.id().contains(":");
            if (plain) {
                return "";
            }
            String label = first.label().strip();
            String cut = label.length() > LABEL_LETTERS ? label.substring(0, LABEL_LETTERS - 1) + "…" : label;
            return exits.size() == 1 ? cut : cut + " +" + (exits.size() - 1);
        }

        /**
         * Where each section's region begins: one below the other in columns, with as many columns as bring the whole
         * nearest to the shape of a screen.
         */
        private List<Point> corners() {
            List<Point> best = List.of();
            double off = Double.POSITIVE_INFINITY;
            double tallest = sections.stream().mapToDouble(s -> s.height).max().orElse(0);
            double all = sections.stream().mapToDouble(s -> s.height + GAP).sum();
            for (int columns = 1; columns <= sections.size(); columns++) {
                double limit = Math.max(tallest, all / columns);
                List<Point> corners = new ArrayList<>();
                double x = 0;
                double y = 0;
                double widest = 0;
                double lowest = 0;
                for (SectionLayers section : sections) {
                    if (y > 0 && y + section.height > limit + GAP) {
                        x += widest + GUTTER;
                        y = 0;
                        widest = 0;
                    }
                    corners.add(new Point((int) Math.round(x), (int) Math.round(y)));
                    y += section.height + GAP;
                    widest = Math.max(widest, section.width);
                    lowest = Math.max(lowest, y);
                }
                double miss = Math.abs(Math.log((x + widest) / lowest / SCREEN));
                if (miss < off) {
                    off = miss;
                    best = corners;
                }
            }
            return best;
        }

        private Line drawn(Pending link, List<Point> corners) {
            String from = link.from().id();
            boolean up = up(from, link.to());
            List<String> exits = link.exits().stream().map(ExitSlot::id).toList();
            boolean moved = flow.pins().containsKey(from) || flow.pins().containsKey(link.to());
            if (moved || link.edge() == null || link.edge().getSections().isEmpty()) {
                List<Point> points = across(requireNonNull(boxes.get(from)), requireNonNull(boxes.get(link.to())));
                Point label = new Point(
                        (points.get(0).x()
                                        + 3 * points.get(1).x()
                                        + 3 * points.get(2).x()
                                        + points.get(3).x())
                                / 8,
                        (points.get(0).y()
                                        + 3 * points.get(1).y()
                                        + 3 * points.get(2).y()
                                        + points.get(3).y())
                                / 8);
                return new Line(from, link.to(), exits, link.label(), points, true, label, up);
            }
            Point corner = corners.get(requireNonNull(sectionOf.get(from)));
            ElkEdgeSection way = link.edge().getSections().getFirst();
            List<Point> points = new ArrayList<>();
            points.add(point(corner, way.getStartX(), way.getStartY()));
            way.getBendPoints().forEach(bend -> points.add(point(corner, bend.getX(), bend.getY())));
            points.add(point(corner, way.getEndX(), way.getEndY()));
            if (up) {
                Collections.reverse(points);
            }
            Point label = link.edge().getLabels().isEmpty()
                    ? points.getFirst()
                    : point(
                            corner,
                            link.edge().getLabels().getFirst().getX()
                                    + link.edge().getLabels().getFirst().getWidth() / 2,
                            link.edge().getLabels().getFirst().getY() + LABEL / 2.0);
            return new Line(from, link.to(), exits, link.label(), points, false, label, up);
        }

        /** A cubic curve from one shape to another: straight down to one below, otherwise out and in at the sides. */
        private static List<Point> across(Box from, Box to) {
            boolean below = to.y() >= from.y() + from.height() && Math.abs(to.x() - from.x()) < from.width();
            boolean right = to.x() >= from.x() + from.width();
            boolean left = to.x() + to.width() <= from.x();
            if (below && to.y() - from.y() - from.height() < NEAR) {
                Point start = new Point(from.x() + from.width() / 2, from.y() + from.height());
                Point end = new Point(to.x() + to.width() / 2, to.y());
                int middle = (start.y() + end.y()) / 2;
                return List.of(start, new Point(start.x(), middle), new Point(end.x(), middle), end);
            }
            int fromX = left ? from.x() : from.x() + from.width();
            int toX = right ? to.x() : to.x() + to.width();
            Point start = new Point(fromX, from.y() + from.height() / 2);
            Point end = new Point(toX, to.y() + to.height() / 2);
            int reach = Math.max(REACH, Math.abs(toX - fromX) / 2);
            return List.of(
                    start,
                    new Point(start.x() + (left ? -reach : reach), start.y()),
                    new Point(end.x() + (right ? -reach : reach), end.y()),
                    end);
        }

        private static Point point(Point corner, double x, double y) {
            return new Point(corner.x() + (int) Math.round(x), corner.y() + (int) Math.round(y));
        }

        private Region region(SectionLayers section, Point corner) {
            Box box = new Box(corner.x(), corner.y(), (int) Math.ceil(section.width), (int) Math.ceil(section.height));
            if (section.nodes.keySet().stream().anyMatch(flow.pins()::containsKey)) {
                List<Box> inside =
                        section.nodes.keySet().stream().map(boxes::get).toList();
                Box all = inside.getFirst();
                for (Box one : inside) {
                    all = all.with(one);
                }
                Box grown = all.grown(PADDING);
                box = new Box(grown.x(), grown.y() - section.head(), grown.width(), grown.height() + section.head());
            }
            return new Region(section.section.id(), section.section.title(), box);
        }

        private Box bounds(List<Region> regions, List<Line> lines) {
            Box bounds = regions.getFirst().box();
            for (Region region : regions) {
                bounds = bounds.with(region.box());
            }
            for (Line line : lines) {
                for (Point point : line.points()) {
                    bounds = bounds.with(new Box(point.x(), point.y(), 0, 0));
                }
            }
            return bounds.grown(PADDING);
        }
    }
}
