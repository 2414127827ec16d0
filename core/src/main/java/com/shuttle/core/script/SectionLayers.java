package com.shuttle.core.script;

import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

/** The steps of one section in layers. */
final class SectionLayers {
    final Section section;
    private final ElkNode graph = ElkGraphUtil.createGraph();
    final Map<String, ElkNode> nodes = new LinkedHashMap<>();
    final Map<String, List<String>> texts = new LinkedHashMap<>();
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

    /** Given head first, a line that leads up does not make the order of the layers a circle. */
    ElkEdge link(String from, String to, String label, boolean up) {
        ElkEdge edge = ElkGraphUtil.createSimpleEdge(nodes.get(up ? to : from), nodes.get(up ? from : to));
        if (!label.isEmpty()) {
            ElkGraphUtil.createLabel(label, edge).setDimensions(label.length() * 6.6 + 10, MapLayout.LABEL);
        }
        return edge;
    }

    void layout() {
        new RecursiveGraphLayoutEngine().layout(graph, new BasicProgressMonitor());
        double titled = section.title().length() * 8 + 2.0 * MapLayout.PADDING;
        width = Math.max(graph.getWidth(), Math.min(titled, 3.0 * MapLayout.WIDTH));
        height = graph.getHeight();
    }
}
