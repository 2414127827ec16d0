package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import com.shuttle.core.flow.shape.When;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * One thing a bot does. A closed family: what a kind is stands in its record, what its settings are in the
 * record's {@code SHAPE}, and what it does in the engine's player for it; see {@code docs/new-step.md}.
 *
 * <p>{@code say} and {@code ask} are wordings of the same text that rotate; there is always at least one, which may be
 * empty while a designer is still writing. All records are immutable.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Step.Message.class, name = "message"),
    @JsonSubTypes.Type(value = Question.class, name = "question"),
    @JsonSubTypes.Type(value = Choice.class, name = "choice"),
    @JsonSubTypes.Type(value = Interview.class, name = "interview"),
    @JsonSubTypes.Type(value = Answer.class, name = "answer"),
    @JsonSubTypes.Type(value = Branch.class, name = "branch"),
    @JsonSubTypes.Type(value = Experiment.class, name = "experiment"),
    @JsonSubTypes.Type(value = Compute.class, name = "compute"),
    @JsonSubTypes.Type(value = Score.class, name = "score"),
    @JsonSubTypes.Type(value = LookUp.class, name = "look_up"),
    @JsonSubTypes.Type(value = SaveRow.class, name = "save_row"),
    @JsonSubTypes.Type(value = SaveLead.class, name = "save_lead"),
    @JsonSubTypes.Type(value = CallService.class, name = "call_service"),
    @JsonSubTypes.Type(value = Notify.class, name = "notify"),
    @JsonSubTypes.Type(value = Appointment.class, name = "appointment"),
    @JsonSubTypes.Type(value = Wait.class, name = "wait"),
    @JsonSubTypes.Type(value = HandOff.class, name = "hand_off"),
    @JsonSubTypes.Type(value = Step.Milestone.class, name = "milestone"),
    @JsonSubTypes.Type(value = Step.TeamNote.class, name = "team_note"),
    @JsonSubTypes.Type(value = Step.Typing.class, name = "typing"),
    @JsonSubTypes.Type(value = Step.GoTo.class, name = "go_to"),
    @JsonSubTypes.Type(value = Step.End.class, name = "end")
})
@JsonPropertyOrder({"kind", "id", "title", "note"})
public sealed interface Step
        permits Question,
                Choice,
                Interview,
                Step.Message,
                Answer,
                Branch,
                Experiment,
                Compute,
                Score,
                LookUp,
                SaveRow,
                SaveLead,
                CallService,
                Notify,
                Appointment,
                Wait,
                HandOff,
                Step.Milestone,
                Step.TeamNote,
                Step.Typing,
                Step.GoTo,
                Step.End {

    /** Unique within its flow. */
    String id();

    /** For designers only; may be empty. */
    String title();

    /** For designers only; may be empty. */
    String note();

    /** Slot id to target, in no particular order; a slot without an entry leads nowhere yet. */
    Map<String, Target> exits();

    @JsonIgnore
    default StepKind kind() {
        return StepKind.of(getClass());
    }

    /** Every way out this step has, in the order the designer sees them. */
    @JsonIgnore
    default List<ExitSlot> slots() {
        return List.of(ExitSlot.NEXT);
    }

    /** The wordings the visitor sees first; empty for a step that says nothing. */
    @JsonIgnore
    default List<String> wordings() {
        return List.of();
    }

    /** What it asks for that a message may also give aside. */
    @JsonIgnore
    default List<? extends Wanted> wants() {
        return List.of();
    }

    /** The variables it fills from what visitors do, with their types; blank names are of no meaning. */
    @JsonIgnore
    default Map<String, ValueType> fills() {
        return Map.of();
    }

    /** The exit by which a conversation naturally goes on; null where each is a way of its own, or there is none. */
    @JsonIgnore
    default @Nullable ExitSlot wayOn() {
        return slots().stream()
                .filter(slot -> slot.role() == ExitSlot.Role.ON)
                .findFirst()
                .orElse(null);
    }

    /** This step with other exits. */
    default Step withExits(Map<String, Target> exits) {
        return StepJson.with(this, "exits", exits);
    }

    /** Where exit {@code slot} leads, or null. */
    default @Nullable Target exit(String slot) {
        return exits().get(slot);
    }

    /** This step with one exit led elsewhere; {@code null} clears it. */
    default Step withExit(String slot, @Nullable Target target) {
        Map<String, Target> changed = new LinkedHashMap<>(exits());
        if (target == null) {
            changed.remove(slot);
        } else {
            changed.put(slot, target);
        }
        return withExits(changed);
    }

    /** The title, or the beginning of the text, or the kind: what to call this step in a list. */
    @JsonIgnore
    default String name() {
        if (!title().isBlank()) {
            return title();
        }
        String text = wordings().isEmpty() ? "" : Parts.beginning(wordings().getFirst());
        return text.isEmpty() ? kind().label() : text;
    }

    /** Says something and goes on.
     *
     * @param media   shown with the first bubble; may be null
     * @param bubbles further ones
     * @param typing  how long the bot seems to type before each bubble, milliseconds; 0 for no delay
     */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    record Message(
            String id,
            @JsonInclude String title,
            @JsonInclude String note,
            @JsonInclude List<String> say,
            @Nullable Media media,
            List<Bubble> bubbles,
            int typing,
            @JsonInclude Map<String, Target> exits)
            implements Step {

        /** Its properties. */
        public static final Shape SHAPE = Shape.of(
                Wordings.of("say", "What the bot says. / chooses another kind"),
                MediaShape.shown().orNull(),
                Field.of("typing", MediaShape.TYPING, "seems to type for", "0")
                        .before("milliseconds before each bubble"),
                MediaShape.BUBBLES);

        public Message {
            title = Parts.text(title);
            note = Parts.text(note);
            say = Parts.atLeastOne(say);
            bubbles = bubbles == null ? List.of() : List.copyOf(bubbles);
            exits = Parts.frozen(exits);
        }

        @Override
        public List<String> wordings() {
            return say;
        }
    }

    /** Counts an event.
     *
     * @param milestone its name
     * @param value     an expression for what it is worth; empty for nothing
     * @param lead      whether who reaches it becomes a lead, with what is known of name, email, phone and firm
     */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    record Milestone(
            String id,
            @JsonInclude String title,
            @JsonInclude String note,
            String milestone,
            String value,
            boolean lead,
            @JsonInclude Map<String, Target> exits)
            implements Step {

        /** Its properties. */
        public static final Shape SHAPE = Shape.of(
                Field.of("milestone", Forms.NAME, "Name", "what is counted").inSight(),
                Field.of("value", Forms.EXPRESSION, "worth", "nothing").inSight(),
                Field.of("lead", Forms.FLAG, "makes a lead of the visitor").inSight());

        public Milestone {
            title = Parts.text(title);
            note = Parts.text(note);
            milestone = Parts.text(milestone);
            value = Parts.text(value);
            exits = Parts.frozen(exits);
        }
    }

    /**
     * Keeps a line with the conversation for whoever takes it over. Visitors never see it.
     *
     * @param text with placeholders; nothing is kept where it comes to nothing
     */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    record TeamNote(
            String id,
            @JsonInclude String title,
            @JsonInclude String note,
            @JsonInclude String text,
            @JsonInclude Map<String, Target> exits)
            implements Step {

        /** Its properties. */
        public static final Shape SHAPE = Shape.of(
                        Field.of("text", Forms.TEXT, "", "What the team should know, such as: wants the {{extras}}")
                                .inSight()
                                .called("the note for the team"))
                .beside(step -> Aside.of(Parts.beginning(step.path("text").asString(""))));

        public TeamNote {
            title = Parts.text(title);
            note = Parts.text(note);
            text = Parts.text(text);
            exits = Parts.frozen(exits);
        }
    }

    /** Opens or closes the visitor's text box; it is open at first. */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    record Typing(
            String id,
            @JsonInclude String title,
            @JsonInclude String note,
            boolean closed,
            @JsonInclude Map<String, Target> exits)
            implements Step {

        /** Its properties. */
        public static final Shape SHAPE = Shape.of(Field.of("closed", Forms.either("open", "closed"), "the text box is")
                .inSight());

        public Typing {
            title = Parts.text(title);
            note = Parts.text(note);

            exits = Parts.frozen(exits);
        }
    }

    /** Goes elsewhere; with {@code comeBack}, a flow it goes to returns to this step's {@code back} exit; with {@code startAgain},
     * the conversation begins anew and forgets what it knew.
     */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    record GoTo(
            String id,
            @JsonInclude String title,
            @JsonInclude String note,
            boolean comeBack,
            boolean startAgain,
            @JsonInclude Map<String, Target> exits)
            implements Step {

        public static final ExitSlot TO = ExitSlot.on("to", "goes to");
        public static final ExitSlot BACK =
                new ExitSlot("back", "when it comes back", ExitSlot.Role.OWN, "rests, open to any question");

        /** Its properties. */
        public static final Shape SHAPE = Shape.of(
                Field.of("comeBack", Forms.FLAG, "come back afterwards")
                        .inSight()
                        .reshaping(),
                Field.of("startAgain", Forms.FLAG, "start the conversation again")
                        .inSight()
                        .reshaping());

        public GoTo {
            title = Parts.text(title);
            note = Parts.text(note);

            exits = Parts.frozen(exits);
        }

        @Override
        public List<ExitSlot> slots() {
            if (startAgain) {
                return List.of();
            }
            return comeBack ? List.of(TO, BACK) : List.of(TO);
        }
    }

    /** Closes the conversation.
     *
     * @param rating whether the visitor is asked to rate it, with a comment
     * @param rate   the words that ask for the rating; empty for the usual ones
     */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    record End(
            String id,
            @JsonInclude String title,
            @JsonInclude String note,
            @JsonInclude List<String> say,
            boolean rating,
            String rate,
            @JsonInclude Map<String, Target> exits)
            implements Step {

        /** Its properties. */
        public static final Shape SHAPE = Shape.of(
                Wordings.of("say", "What the bot says"),
                Field.of("rating", Forms.FLAG, "asks for a rating").inSight().reshaping(),
                Field.of(
                                "rate",
                                Forms.TEXT.edited(Form.Control.LINE),
                                "with the words",
                                "How was this conversation for you?")
                        .inSight()
                        .when(When.says("rating")));

        public End {
            title = Parts.text(title);
            note = Parts.text(note);
            say = Parts.atLeastOne(say);
            rate = Parts.text(rate);
            exits = Parts.frozen(exits);
        }

        @Override
        public List<String> wordings() {
            return say;
        }

        @Override
        public List<ExitSlot> slots() {
            return List.of();
        }
    }
}
