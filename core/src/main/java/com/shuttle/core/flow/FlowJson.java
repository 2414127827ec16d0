package com.shuttle.core.flow;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * The JSON form of a flow, {@code shuttle-flow/1}, described by a JSON Schema ({@link FlowSchema}). Reading
 * reports every fault at once with its place, first those of the schema, then (in a file of the right shape) those that a schema
 * cannot say: ids used twice and targets that do not exist. Thread-safe.
 */
public final class FlowJson {

    private static final JsonMapper MAPPER = StepJson.MAPPER;

    private static final String FAMILY = "shuttle-flow/";

    private final Schema schema;

    public FlowJson() {
        this.schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(FlowSchema.text(), InputFormat.JSON);
    }

    /** What came of reading a file: a flow, or what is wrong with it. */
    public sealed interface Result {
        record Good(Flow flow) implements Result {}

        /** @param faults at least one */
        record Bad(List<Fault> faults) implements Result {
            public Bad {
                faults = List.copyOf(faults);
            }
        }
    }

    /** Writes a flow; {@link #read} of the result gives an equal flow. */
    public static String write(Flow flow) {
        return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(flow);
    }

    /**
     * Reads a flow that this class wrote, without checking it again.
     *
     * @throws IllegalStateException if it is not one
     */
    public static Flow readTrusted(String json) {
        try {
            return MAPPER.readValue(json, Flow.class);
        } catch (JacksonException e) {
            throw new IllegalStateException("stored flow is unreadable: " + e.getOriginalMessage(), e);
        }
    }

    /** Reads a flow of unknown make. */
    public Result read(String json) {
        return read(json, true);
    }

    /** Reads a piece of a flow, written as a flow of its own: its exits may lead to steps that are not in it. */
    public Result readPiece(String json) {
        return read(json, false);
    }

    private Result read(String json, boolean whole) {
        List<Fault> faults = new ArrayList<>();
        try {
            String format = MAPPER.readTree(json).path("format").asString("");
            if (format.startsWith(FAMILY) && !format.equals(Flow.FORMAT)) {
                return new Result.Bad(
                        List.of(new Fault("/format", "this file was made by another version of Shuttle: " + format)));
            }
            schema.validate(json, InputFormat.JSON).forEach(error -> faults.add(fault(error)));
            if (!faults.isEmpty()) {
                return new Result.Bad(faults);
            }
            Flow flow = MAPPER.readValue(json, Flow.class);
            references(flow, whole, faults);
            return faults.isEmpty() ? new Result.Good(flow) : new Result.Bad(faults);
        } catch (JacksonException e) {
            String where = e.getLocation() == null
                    ? ""
                    : " at line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr();
            return new Result.Bad(List.of(new Fault("", "this is not JSON" + where)));
        }
    }

    /** A setting that nobody knows is told where it stands: it would be lost without a word. */
    private static Fault fault(Error error) {
        String place = error.getInstanceLocation().toString();
        return "additionalProperties".equals(error.getKeyword())
                ? new Fault(place + "/" + error.getProperty(), "there is no setting “" + error.getProperty() + "” here")
                : new Fault(place, error.getMessage());
    }

    private static void references(Flow flow, boolean whole, List<Fault> faults) {
        Set<String> ids = new HashSet<>();
        flow.allSteps().forEach(step -> ids.add(step.id()));
        Set<String> seen = new HashSet<>();
        for (int s = 0; s < flow.sections().size(); s++) {
            List<Step> steps = flow.sections().get(s).steps();
            for (int i = 0; i < steps.size(); i++) {
                Step step = steps.get(i);
                String place = "/sections/" + s + "/steps/" + i;
                if (!seen.add(step.id())) {
                    faults.add(new Fault(place + "/id", "the id \"" + step.id() + "\" is used twice"));
                }
                Set<String> slots = new HashSet<>();
                step.slots().forEach(slot -> slots.add(slot.id()));
                step.exits().forEach((slot, target) -> {
                    String at = place + "/exits/" + slot.replace("~", "~0").replace("/", "~1");
                    if (!slots.contains(slot)) {
                        faults.add(new Fault(at, "a " + step.kind().label() + " step has no exit \"" + slot + "\""));
                    }
                    if (whole && target instanceof Target.ToStep(String to) && !ids.contains(to)) {
                        faults.add(new Fault(at, "there is no step \"" + to + "\" in this flow"));
                    }
                });
            }
        }
    }
}
