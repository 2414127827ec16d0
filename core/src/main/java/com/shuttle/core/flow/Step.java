package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * One thing a bot does. A closed family: the engine, the script view and the checks each switch over it, so that a new
 * kind cannot be forgotten in one of them.
 *
 * <p>{@code say} and {@code ask} are wordings of the same text that rotate; there is always at least one, which may be
 * empty while a designer is still writing. All records are immutable.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Step.Message.class, name = "message"),
    @JsonSubTypes.Type(value = Step.Question.class, name = "question"),
    @JsonSubTypes.Type(value = Step.Choice.class, name = "choice"),
    @JsonSubTypes.Type(value = Step.Answer.class, name = "answer"),
    @JsonSubTypes.Type(value = Step.HandOff.class, name = "hand_off"),
    @JsonSubTypes.Type(value = Step.GoTo.class, name = "go_to"),
    @JsonSubTypes.Type(value = Step.End.class, name = "end")
})
@JsonPropertyOrder({"kind", "id", "title", "note"})
public sealed interface Step {

    /** Unique within its flow. */
    String id();

    /** For designers only; may be empty. */
    String title();

    /** For designers only; may be empty. */
    String note();

    /** Slot id to target, in no particular order; a slot without an entry leads nowhere yet. */
    Map<String, Target> exits();

    @JsonIgnore
    StepKind kind();

    /** Every way out this step has, in the order the designer sees them. */
    @JsonIgnore
    List<ExitSlot> slots();

    /** The wordings the visitor sees first; empty for a step that says nothing. */
    @JsonIgnore
    List<String> wordings();

    Step withExits(Map<String, Target> exits);

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
        String text = wordings().isEmpty() ? "" : wordings().getFirst().strip();
        if (text.isEmpty()) {
            return kind().label();
        }
        return text.length() <= 48 ? text : text.substring(0, 47).strip() + "…";
    }

    /** Says something and goes on. */
    record Message(String id, String title, String note, List<String> say, Map<String, Target> exits) implements Step {
        public Message {
            title = Parts.text(title);
            note = Parts.text(note);
            say = Parts.atLeastOne(say);
            exits = Parts.frozen(exits);
        }

        @Override
        public StepKind kind() {
            return StepKind.MESSAGE;
        }

        @Override
        public List<String> wordings() {
            return say;
        }

        @Override
        public List<ExitSlot> slots() {
            return List.of(new ExitSlot("next", "next", true));
        }

        @Override
        public Step withExits(Map<String, Target> exits) {
            return new Message(id, title, note, say, exits);
        }
    }

    /**
     * Asks for one thing.
     *
     * @param type          what is asked for
     * @param variable      where the answer goes; empty keeps it nowhere
     * @param retry         error words with an example of what is wanted; empty for the words of the type
     * @param skipWhenKnown not asked when the variable already has a value
     * @param tries         failed answers before <i>gave up</i>, 1 to 9
     */
    record Question(
            String id,
            String title,
            String note,
            List<String> ask,
            ValueType type,
            String variable,
            String retry,
            boolean skipWhenKnown,
            int tries,
            Map<String, Target> exits)
            implements Step {
        /** Tries where the designer has not said. */
        public static final int TRIES = 3;

        public Question {
            title = Parts.text(title);
            note = Parts.text(note);
            ask = Parts.atLeastOne(ask);
            variable = Parts.text(variable);
            retry = Parts.text(retry);
            tries = tries == 0 ? TRIES : tries;
            exits = Parts.frozen(exits);
        }

        @Override
        public StepKind kind() {
            return StepKind.QUESTION;
        }

        @Override
        public List<String> wordings() {
            return ask;
        }

        @Override
        public List<ExitSlot> slots() {
            return List.of(new ExitSlot("answered", "answered", true), new ExitSlot("gave_up", "gave up", false));
        }

        @Override
        public Step withExits(Map<String, Target> exits) {
            return new Question(id, title, note, ask, type, variable, retry, skipWhenKnown, tries, exits);
        }
    }

    /** Offers options, each an exit of its own. Where {@code otherwise} leads nowhere, other text asks the knowledge. */
    record Choice(
            String id,
            String title,
            String note,
            List<String> ask,
            List<Option> options,
            int tries,
            Map<String, Target> exits)
            implements Step {
        public Choice {
            title = Parts.text(title);
            note = Parts.text(note);
            ask = Parts.atLeastOne(ask);
            options = List.copyOf(options);
            tries = tries == 0 ? Question.TRIES : tries;
            exits = Parts.frozen(exits);
        }

        @Override
        public StepKind kind() {
            return StepKind.CHOICE;
        }

        @Override
        public List<String> wordings() {
            return ask;
        }

        @Override
        public List<ExitSlot> slots() {
            List<ExitSlot> slots = new ArrayList<>();
            for (Option option : options) {
                slots.add(new ExitSlot(option.exit(), option.label(), true));
            }
            slots.add(new ExitSlot("otherwise", "types something else", false));
            slots.add(new ExitSlot("gave_up", "gave up", false));
            return List.copyOf(slots);
        }

        @Override
        public Step withExits(Map<String, Target> exits) {
            return new Choice(id, title, note, ask, options, tries, exits);
        }
    }

    /**
     * Answers the visitor's words from the knowledge: those that led here, or else what is typed after {@code ask}.
     *
     * @param collections ids of the collections to answer from; empty for all of the bot's
     * @param unknown     what to say when nothing is found; empty for the usual words
     */
    record Answer(
            String id,
            String title,
            String note,
            List<String> ask,
            List<String> collections,
            String unknown,
            Map<String, Target> exits)
            implements Step {
        public Answer {
            title = Parts.text(title);
            note = Parts.text(note);
            ask = Parts.atLeastOne(ask);
            collections = collections == null ? List.of() : List.copyOf(collections);
            unknown = Parts.text(unknown);
            exits = Parts.frozen(exits);
        }

        @Override
        public StepKind kind() {
            return StepKind.ANSWER;
        }

        @Override
        public List<String> wordings() {
            return ask;
        }

        @Override
        public List<ExitSlot> slots() {
            return List.of(
                    new ExitSlot("answered", "answered", true),
                    new ExitSlot("suggested", "picked a suggestion", false),
                    new ExitSlot("not_found", "not found", true));
        }

        @Override
        public Step withExits(Map<String, Target> exits) {
            return new Answer(id, title, note, ask, collections, unknown, exits);
        }
    }

    /**
     * Passes the visitor to a person of a team.
     *
     * @param say    to the visitor while they wait
     * @param team   id of the team; empty for any
     * @param nobody to the visitor when the team has nobody; empty for the usual words
     */
    record HandOff(
            String id,
            String title,
            String note,
            List<String> say,
            String team,
            String nobody,
            Map<String, Target> exits)
            implements Step {
        public HandOff {
            title = Parts.text(title);
            note = Parts.text(note);
            say = Parts.atLeastOne(say);
            team = Parts.text(team);
            nobody = Parts.text(nobody);
            exits = Parts.frozen(exits);
        }

        @Override
        public StepKind kind() {
            return StepKind.HAND_OFF;
        }

        @Override
        public List<String> wordings() {
            return say;
        }

        @Override
        public List<ExitSlot> slots() {
            return List.of(
                    new ExitSlot("closed", "taken and closed", false), new ExitSlot("nobody", "nobody there", true));
        }

        @Override
        public Step withExits(Map<String, Target> exits) {
            return new HandOff(id, title, note, say, team, nobody, exits);
        }
    }

    /** Goes elsewhere; with {@code comeBack}, a flow it goes to returns to this step's {@code back} exit. */
    record GoTo(String id, String title, String note, boolean comeBack, Map<String, Target> exits) implements Step {
        public GoTo {
            title = Parts.text(title);
            note = Parts.text(note);
            exits = Parts.frozen(exits);
        }

        @Override
        public StepKind kind() {
            return StepKind.GO_TO;
        }

        @Override
        public List<String> wordings() {
            return List.of();
        }

        @Override
        public List<ExitSlot> slots() {
            ExitSlot to = new ExitSlot("to", "goes to", true);
            return comeBack ? List.of(to, new ExitSlot("back", "when it comes back", true)) : List.of(to);
        }

        @Override
        public Step withExits(Map<String, Target> exits) {
            return new GoTo(id, title, note, comeBack, exits);
        }
    }

    /** Closes the conversation. */
    record End(String id, String title, String note, List<String> say, Map<String, Target> exits) implements Step {
        public End {
            title = Parts.text(title);
            note = Parts.text(note);
            say = Parts.atLeastOne(say);
            exits = Parts.frozen(exits);
        }

        @Override
        public StepKind kind() {
            return StepKind.END;
        }

        @Override
        public List<String> wordings() {
            return say;
        }

        @Override
        public List<ExitSlot> slots() {
            return List.of();
        }

        @Override
        public Step withExits(Map<String, Target> exits) {
            return new End(id, title, note, say, exits);
        }
    }
}
