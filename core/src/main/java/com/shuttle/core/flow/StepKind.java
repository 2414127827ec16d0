package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.shuttle.core.flow.shape.Property;
import com.shuttle.core.flow.shape.Shape;
import java.util.Arrays;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.databind.node.ObjectNode;

/** The kinds of step: what designers read about each when choosing one, its record and its properties. */
public enum StepKind implements Keyed {
    MESSAGE("Message", "says something", Step.Message.class, Step.Message.SHAPE),
    QUESTION("Question", "asks for one thing and keeps it", Question.class, Question.SHAPE),
    CHOICE("Choice", "offers options", Choice.class, Choice.SHAPE),
    INTERVIEW("Interview", "finds out several facts in any order", Interview.class, Interview.SHAPE),
    ANSWER("Answer", "answers from the knowledge", Answer.class, Answer.SHAPE),
    BRANCH("Branch", "goes by rules", Branch.class, Branch.SHAPE),
    EXPERIMENT("Experiment", "shares visitors out to compare wordings", Experiment.class, Experiment.SHAPE),
    COMPUTE("Compute", "sets variables", Compute.class, Compute.SHAPE),
    SCORE("Score", "counts points and goes by the band", Score.class, Score.SHAPE),
    LOOK_UP("Look up", "finds rows of a table", LookUp.class, LookUp.SHAPE),
    SAVE_ROW("Save row", "adds or changes a row of a table", SaveRow.class, SaveRow.SHAPE),
    SAVE_LEAD("Save lead", "makes the visitor a lead", SaveLead.class, SaveLead.SHAPE),
    CALL_SERVICE("Call service", "asks a service outside", CallService.class, CallService.SHAPE),
    NOTIFY("Notify", "tells somebody by mail, or a program", Notify.class, Notify.SHAPE),
    APPOINTMENT("Appointment", "offers free times and books one", Appointment.class, Appointment.SHAPE),
    WAIT("Wait", "for a time or a signal", Wait.class, Wait.SHAPE),
    HAND_OFF("Hand off", "passes the visitor to a person", HandOff.class, HandOff.SHAPE),
    MILESTONE("Milestone", "counts an event", Step.Milestone.class, Step.Milestone.SHAPE),
    TEAM_NOTE("Note for the team", "keeps a line for whoever takes over", Step.TeamNote.class, Step.TeamNote.SHAPE),
    TYPING("Typing", "opens or closes the text box", Step.Typing.class, Step.Typing.SHAPE),
    GO_TO("Go to", "goes to another step or flow", Step.GoTo.class, Step.GoTo.SHAPE),
    END("End", "closes the conversation", Step.End.class, Step.End.SHAPE);

    private static final Map<Class<? extends Step>, StepKind> BY_RECORD =
            Arrays.stream(values()).collect(Collectors.toUnmodifiableMap(StepKind::record, kind -> kind));

    private final String label;
    private final String purpose;
    private final Class<? extends Step> record;
    private final Shape shape;

    StepKind(String label, String purpose, Class<? extends Step> record, Shape shape) {
        this.label = label;
        this.purpose = purpose;
        this.record = record;
        this.shape = shape;
    }

    public String label() {
        return label;
    }

    public String purpose() {
        return purpose;
    }

    /** The record of its steps. */
    public Class<? extends Step> record() {
        return record;
    }

    /** Its properties. */
    public Shape shape() {
        return shape;
    }

    /** The property that holds what it says first; empty for a kind that says nothing. */
    public String wordings() {
        Property.Wordings wordings = shape.wordings();
        return wordings == null ? "" : wordings.name();
    }

    static StepKind of(Class<? extends Step> record) {
        StepKind kind = BY_RECORD.get(record);
        if (kind == null) {
            throw new IllegalStateException("no kind has the record " + record.getName());
        }
        return kind;
    }

    /** @throws IllegalArgumentException if there is no such kind */
    @JsonCreator
    public static StepKind of(String key) {
        return Keyed.of(StepKind.class, key, "step kind");
    }

    /** A new step of this kind with empty texts and no exits led anywhere. */
    public Step blank(String id) {
        ObjectNode tree = (ObjectNode) StepJson.MAPPER.readTree(shape.blank());
        return StepJson.step(tree.put("kind", key()).put("id", id));
    }
}
