package com.shuttle.core.script;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.eclipse.elk.alg.layered.options.LayeredOptions;
import org.eclipse.elk.alg.layered.options.NodePlacementStrategy;
import org.eclipse.elk.alg.layered.options.OrderingStrategy;
import org.eclipse.elk.core.RecursiveGraphLayoutEngine;
import org.eclipse.elk.core.math.ElkPadding;
import org.eclipse.elk.core.options.CoreOptions;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.options.EdgeRouting;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.graph.ElkEdge;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.util.ElkGraphUtil;

/**
 * The steps of one section in layers; or, where layers would take too long, in the section's order in columns, with nothing
 * but curves for lines.
 *
 * <p>Most of the time goes into ordering the steps and passing lines within each layer, which grows with about the third
 * power of how many there are in one. {@link #effort} estimates it beforehand from layers by the longest way (each step one
 * below the lowest that leads down to it), so that the same flow is always drawn the same, whatever the machine is busy with.
 */
final class SectionLayers {

    /** Of {@link #effort}: fitted to sections of 50 to 5,000 steps on one machine, where one unit took about a millisecond. */
    private static final double WIDE = 1200;

    private static final int BETWEEN = 26;
    private static final int COLUMNS = 60;

    final Section section;
    private final ElkNode graph = ElkGraphUtil.createGraph();
    final Map<String, ElkNode> nodes = new LinkedHashMap<>();
    final Map<String, List<String>> texts = new LinkedHashMap<>();
    private final Map<String, Integer> order = new HashMap<>();
    private final Set<Way> ways = new TreeSet<>();
    double width;
    double height;

    SectionLayers(Section section) {
        this.section = section;
        options();
        for (Step step : section.steps()) {
            List<String> text = text(step);
            ElkNode node = ElkGraphUtil.createNode(graph);
            node.setDimensions(MapLayout.WIDTH, MapLayout.HEAD + MapLayout.LINE * Math.max(1, text.size()) + 6);
            texts.put(step.id(), text);
            nodes.put(step.id(), node);
            order.put(step.id(), order.size());
        }
    }

    private static List<String> text(Step step) {
        String said = step.wordings().isEmpty() ? "" : step.wordings().getFirst();
        boolean both = !step.title().isBlank() && !said.isBlank();
        return List.copyOf(MapLayout.wrapped(both ? step.title() + ": " + said : step.name()));
    }

    int head() {
        return section.title().isBlank() ? 0 : MapLayout.HEAD;
    }

    private void options() {
        graph.setProperty(CoreOptions.ALGORITHM, LayeredOptions.ALGORITHM_ID);
        graph.setProperty(CoreOptions.DIRECTION, Direction.DOWN);
        graph.setProperty(CoreOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        graph.setProperty(
                CoreOptions.PADDING,
                new ElkPadding(MapLayout.PADDING + head(), MapLayout.PADDING, MapLayout.PADDING, MapLayout.PADDING));
        graph.setProperty(LayeredOptions.CONSIDER_MODEL_ORDER_STRATEGY, OrderingStrategy.NODES_AND_EDGES);
        graph.setProperty(LayeredOptions.NODE_PLACEMENT_STRATEGY, NodePlacementStrategy.BRANDES_KOEPF);
        graph.setProperty(CoreOptions.SPACING_NODE_NODE, 26.0);
        graph.setProperty(LayeredOptions.SPACING_NODE_NODE_BETWEEN_LAYERS, 26.0);
        graph.setProperty(LayeredOptions.SPACING_EDGE_NODE_BETWEEN_LAYERS, 12.0);
        graph.setProperty(LayeredOptions.SPACING_EDGE_EDGE_BETWEEN_LAYERS, 9.0);
        graph.setProperty(CoreOptions.SPACING_EDGE_EDGE, 9.0);
        graph.setProperty(CoreOptions.SPACING_EDGE_NODE, 12.0);
    }

    /** A line between two steps, by their places in the section's order. */
    private record Way(int upper, int lower) implements Comparable<Way> {
        @Override
        public int compareTo(Way other) {
            return upper != other.upper ? Integer.compare(upper, other.upper) : Integer.compare(lower, other.lower);
        }
    }

    /** Given head first, a line that leads up does not make the order of the layers a circle. */
    ElkEdge link(String from, String to, String label, boolean up) {
        ElkEdge edge = ElkGraphUtil.createSimpleEdge(nodes.get(up ? to : from), nodes.get(up ? from : to));
        int first = requireNonNull(order.get(from));
        int second = requireNonNull(order.get(to));
        if (first != second) {
            ways.add(new Way(Math.min(first, second), Math.max(first, second)));
        }
        if (!label.isEmpty()) {
            ElkGraphUtil.createLabel(label, edge).setDimensions(label.length() * 6.6 + 10, MapLayout.LABEL);
        }
        return edge;
    }

    /** About how long layers would take, in units of {@link #WIDE}: at least the number of steps. */
    double effort() {
        int[] layer = new int[nodes.size()];
        int layers = 1;
        long inLayers = nodes.size();
        for (Way way : ways) {
            layer[way.lower()] = Math.max(layer[way.lower()], layer[way.upper()] + 1);
            layers = Math.max(layers, layer[way.lower()] + 1);
        }
        for (Way way : ways) {
            inLayers += layer[way.lower()] - layer[way.upper()] - 1;
        }
        return nodes.size() + Math.pow((double) inLayers / layers, 3) / WIDE;
    }

    void layout() {
        new RecursiveGraphLayoutEngine().layout(graph, new BasicProgressMonitor());
        double titled = section.title().length() * 8 + 2.0 * MapLayout.PADDING;
        width = Math.max(graph.getWidth(), Math.min(titled, 3.0 * MapLayout.WIDTH));
        height = graph.getHeight();
    }

    /** Puts the steps into columns about as high as all of them are wide; lines are left to be curves. */
    void layoutPlainly() {
        double all = nodes.values().stream()
                .mapToDouble(node -> node.getHeight() + BETWEEN)
                .sum();
        double highest = Math.sqrt(all * (MapLayout.WIDTH + COLUMNS));
        double top = (double) MapLayout.PADDING + head();
        double x = MapLayout.PADDING;
        double y = top;
        for (ElkNode node : nodes.values()) {
            if (y > highest) {
                x += MapLayout.WIDTH + COLUMNS;
                y = top;
            }
            node.setLocation(x, y);
            y += node.getHeight() + BETWEEN;
            height = Math.max(height, y - BETWEEN + MapLayout.PADDING);
        }
        width = x + MapLayout.WIDTH + MapLayout.PADDING;
    }
}
