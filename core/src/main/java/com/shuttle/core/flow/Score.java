package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Scores the visitor with a scorecard by what is known at that moment, and goes by the band.
 *
 * @param card   id of the scorecard
 * @param bands  each is a way on
 * @param points variable that the sum goes into; empty for none
 * @param band   variable that the band's name goes into; empty for none
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Score(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude String card,
        List<Way> bands,
        String points,
        String band,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot OUT =
            new ExitSlot("out", "ruled out", ExitSlot.Role.SIDE, "goes as the lowest band does");
    public static final ExitSlot UNSCORED =
            new ExitSlot("unscored", "cannot be scored", ExitSlot.Role.SIDE, "goes as the lowest band does");

    /** A band that leads somewhere. @param band its id @param name as designers read it */
    public record Way(String id, String band, String name) {

        static final Items BANDS = new Items(
                "bands",
                "a band",
                "By band",
                "a band",
                "id",
                "b",
                "band:",
                12,
                Forms.schema("{}"),
                List.of(
                        Field.of("band", Forms.reference("band@card"), "", "a band")
                                .inSight()
                                .reshaping(),
                        Field.of("name", Forms.NAME, "called", "best").inSight()),
                Items.Stands.AFTER);

        public Way {
            band = Parts.text(band);
            name = Parts.text(name);
        }

        /** The id of the exit that it takes. */
        public String exit() {
            return "band:" + id;
        }

        private String label() {
            return name.isBlank() ? "a band" : name;
        }
    }

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Field.of("card", Forms.reference("scorecard"), "with", "choose a scorecard")
                            .inSight()
                            .reshaping()
                            .needed()
                            .called("the scorecard"),
                    Way.BANDS,
                    Field.of("points", Forms.VARIABLE, "points go into", "no variable"),
                    Field.of("band", Forms.VARIABLE, "the band goes into", "no variable"))
            .beside(step -> new Aside("with", "", step.path("card").asString("")))
            .beginning("{\"card\":\"\"}");

    public Score {
        title = Parts.text(title);
        note = Parts.text(note);
        card = Parts.text(card);
        bands = bands == null ? List.of() : List.copyOf(bands);
        points = Parts.text(points);
        band = Parts.text(band);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        List<ExitSlot> slots = new ArrayList<>();
        for (Way way : bands) {
            slots.add(slots.isEmpty() ? ExitSlot.on(way.exit(), way.label()) : ExitSlot.own(way.exit(), way.label()));
        }
        slots.add(OUT);
        slots.add(UNSCORED);
        return List.copyOf(slots);
    }

    @Override
    public Map<String, ValueType> fills() {
        Map<String, ValueType> fills = new LinkedHashMap<>();
        fills.put(points, ValueType.NUMBER);
        fills.put(band, ValueType.TEXT);
        fills.remove("");
        return fills;
    }
}
