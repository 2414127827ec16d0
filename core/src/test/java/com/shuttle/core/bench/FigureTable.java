package com.shuttle.core.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The figures of a whole run as one table, and as JSON beside it. */
public final class FigureTable {

    static final JsonMapper MAPPER = JsonMapper.shared();

    private static final String FORM = "%-62s %12s %-3s %12s %8s   %-16s %s";

    private FigureTable() {}

    /** @param args the file of figures, and where the JSON goes */
    public static void main(String[] args) throws IOException {
        List<Figure> figures = Files.readAllLines(Path.of(args[0])).stream()
                .map(line -> MAPPER.readValue(line, Figure.class))
                .toList();
        String part = "";
        for (Figure figure : figures) {
            if (!figure.part().equals(part)) {
                part = figure.part();
                System.out.println();
                System.out.println(FORM.formatted(part, "measured", "", "beside", "ratio", "aim", "")
                        .stripTrailing());
            }
            System.out.println(line(figure));
        }
        ArrayNode all = MAPPER.createArrayNode();
        figures.forEach(figure -> all.addObject()
                .setAll(MAPPER.<ObjectNode>valueToTree(figure))
                .putPOJO("ratio", figure.ratio())
                .putPOJO("reached", figure.reached()));
        Files.writeString(
                Path.of(args[1]), MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(all));
    }

    static String line(Figure figure) {
        Figure.Aim aim = figure.aim();
        Double beside = figure.beside();
        Double ratio = figure.ratio();
        Boolean reached = figure.reached();
        return FORM.formatted(
                        "  " + figure.what(),
                        number(figure.value()),
                        figure.unit(),
                        beside == null ? "" : number(beside),
                        ratio == null ? "" : String.format(Locale.ROOT, ratio < 0.1 ? "%.4f" : "%.2f", ratio),
                        aim == null
                                ? ""
                                : (aim.ofRatio() ? "ratio " : "") + (aim.least() ? "≥ " : "≤ ") + number(aim.bound()),
                        reached == null ? "" : reached ? "reached" : "MISSED")
                .stripTrailing();
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, value != 0 && value < 100 ? "%.2f" : "%,.0f", value);
    }
}
