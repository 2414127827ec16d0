package com.shuttle.studio;

import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.LookUp;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.studio.ScriptView.Around;
import com.shuttle.studio.ScriptView.ExitView;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One row of the script.
 *
 * @param index of the row in the flow, from 0
 * @param says  the wordings of its text
 * @param exits every way out
 * @param own   what a few kinds have in the middle of their rows; null for the others
 * @param aside what stands beside it; may be empty
 * @param phones whether it can be shown as it looks on phones
 */
public record RowView(
        int index,
        Step step,
        List<SayView> says,
        List<ExitView> exits,
        StepSettings.Editor editor,
        @Nullable Own own,
        Shape.Aside aside,
        boolean phones) {

    /**
     * One wording.
     *
     * @param label  for screen readers
     * @param hint   shown while it is empty
     * @param others whether there are other wordings, so that it may be removed
     */
    public record SayView(int index, String label, String hint, String text, boolean others) {}

    /** What a kind has in the middle of its row, drawn by the fragment of its name. */
    public sealed interface Own {

        /** The file of the fragment. */
        String fragment();

        /** Where a Go to leads. @param back null where it does not come back */
        record Going(@Nullable ExitView to, @Nullable ExitView back) implements Own {
            @Override
            public String fragment() {
                return "going";
            }
        }

        /** A picture or film beside words. */
        record Shown(String address, String alt, String label, boolean picture) implements Own {
            @Override
            public String fragment() {
                return "shown";
            }
        }

        /** The options of a choice. @param shared the exit that all share; null where each has its own */
        record Options(
                List<OptionView> options,
                boolean typedIn,
                String shared,
                @Nullable ExitView all,
                ExitView otherwise) implements Own {
            @Override
            public String fragment() {
                return "options";
            }
        }
    }

    /**
     * An option of a choice.
     *
     * @param exit where it leads; null where it has no exit of its own
     * @param more settings that are folded away
     */
    public record OptionView(
            String id, String label, String also, @Nullable ExitView exit, boolean opens, List<Setting> more) {}

    /** Whether it reads a table, so that it can be shown what it finds. */
    public boolean finds() {
        return step instanceof LookUp look && !look.table().isEmpty()
                || step instanceof Choice choice && !choice.table().isEmpty();
    }

    static RowView of(int index, Step step, List<ExitView> exits, Around around) {
        StepSettings.Editor editor = StepSettings.of(step, around.references());
        Shape.Aside aside = StepSettings.aside(step);
        String named = aside.refers().isEmpty() ? "" : around.named(aside.refers());
        Shape.Aside beside = aside.refers().isEmpty() && !aside.words().equals("to")
                ? aside
                : named.isEmpty() ? Shape.Aside.NONE : Shape.Aside.of(aside.words() + " " + named);
        boolean onPhones = around.phones() && step instanceof Choice choice && !choice.drawn();
        return new RowView(
                index, step, says(step), List.copyOf(exits), editor, own(step, exits, editor), beside, onPhones);
    }

    private static List<SayView> says(Step step) {
        Wordings wordings = step.kind().shape().wordings();
        List<SayView> says = new ArrayList<>();
        for (String text : wordings == null ? List.<String>of() : step.wordings()) {
            int at = says.size();
            says.add(new SayView(
                    at,
                    step.kind().label() + ": what the bot says" + (at > 0 ? ", wording " + (at + 1) : ""),
                    at > 0 || wordings == null ? "Another wording; they take turns" : wordings.hint(),
                    text,
                    step.wordings().size() > 1));
        }
        return List.copyOf(says);
    }

    private static @Nullable Own own(Step step, List<ExitView> exits, StepSettings.Editor editor) {
        return switch (step) {
            case Step.GoTo goTo -> new Own.Going(find(exits, Step.GoTo.TO), find(exits, Step.GoTo.BACK));
            case Step.Message message
            when message.media() instanceof Media media && !media.address().isEmpty() ->
                new Own.Shown(
                        media.address(),
                        media.alt(),
                        media.type().label(),
                        media.type().still());
            case Choice choice -> options(choice, exits, editor);
            default -> null;
        };
    }

    private static Own.Options options(Choice choice, List<ExitView> exits, StepSettings.Editor editor) {
        List<OptionView> options = new ArrayList<>();
        boolean typedIn = !choice.drawn();
        for (StepSettings.ItemsView list : editor.lists("own")) {
            for (StepSettings.ItemView item : list.items()) {
                Option option = choice.options().stream()
                        .filter(o -> o.id().equals(item.key()))
                        .findFirst()
                        .orElseThrow();
                boolean opens = !option.link().isBlank();
                options.add(new OptionView(
                        option.id(),
                        option.label(),
                        String.join(", ", option.also()),
                        choice.oneWay() || opens ? null : find(exits, option.exit()),
                        opens,
                        item.folded()));
            }
        }
        String shared = !choice.table().isEmpty()
                ? "whichever row is picked"
                : !typedIn
                        ? "one for each in " + choice.from()
                        : choice.many() ? "whatever is picked" : "whichever is picked";
        ExitView otherwise = find(exits, Choice.OTHERWISE);
        if (otherwise == null) {
            throw new IllegalStateException("a choice has no exit " + Choice.OTHERWISE.id());
        }
        return new Own.Options(
                typedIn ? List.copyOf(options) : List.of(), typedIn, shared, find(exits, Choice.PICKED), otherwise);
    }

    /** The kind as pages know it. */
    public String kind() {
        return step.kind().key();
    }

    /** The exit by which it naturally goes on; empty where each exit is its own way, or there is none. */
    public String way() {
        ExitSlot on = step.wayOn();
        return on == null ? "" : on.id();
    }

    /** The exits that have no place of their own in the row. */
    public List<ExitView> others() {
        boolean placed = own instanceof Own.Going || own instanceof Own.Options;
        return placed
                ? List.of()
                : exits.stream()
                        .filter(exit -> !exit.id().contains(":") && !exit.id().equals(Question.GAVE_UP.id()))
                        .toList();
    }

    /** Where it goes when it gives up; null where it never does. */
    public @Nullable ExitView gaveUp() {
        return find(exits, Question.GAVE_UP);
    }

    /** Whether options can be added in the row. */
    public boolean addsOptions() {
        return own instanceof Own.Options options && options.typedIn();
    }

    /** The exit of this id; for the items of lists, which have their exits beside them. */
    public @Nullable ExitView exit(String id) {
        return find(exits, id);
    }

    private static @Nullable ExitView find(List<ExitView> exits, ExitSlot slot) {
        return find(exits, slot.id());
    }

    private static @Nullable ExitView find(List<ExitView> exits, String id) {
        return exits.stream().filter(exit -> exit.id().equals(id)).findFirst().orElse(null);
    }
}
