package com.shuttle.core.edit;

import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepKind;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** One change a designer makes to a flow. Steps, options and sections are named by their ids. */
public sealed interface Edit {

    /**
     * Adds a blank step below {@code after} (null: at the very top).
     *
     * @param exit the exit of {@code after} to lead to the new step; what it led to so far, the new step's first exit
     *     leads to. Null: the first exit of {@code after} if that is the natural way on, otherwise none.
     */
    record Add(@Nullable String after, @Nullable String exit, StepKind kind) implements Edit {}

    /** Removes a step; what led to it leads on to where its first exit led. */
    record Delete(String step) implements Edit {}

    /** Moves a row up (negative) or down by so many rows, across sections too; exits are left as they are. */
    record Move(String step, int by) implements Edit {}

    /** Makes a step one of another kind, keeping title, note, text and the way on. */
    record Become(String step, StepKind kind) implements Edit {}

    /**
     * Sets one field of a step. A field is a path in the step's JSON form with points: {@code title}, {@code limits.min},
     * {@code options.o1.label}; lists of words are separated by commas. {@code text.N} is wording N from 0.
     *
     * @param was the text that the writer began from; where the field has another one by now, the edit clashes. Null: not
     *     known, whatever stands there is replaced
     */
    record Set(
            String step,
            String field,
            String value,
            @Nullable String was) implements Edit {
        public Set(String step, String field, String value) {
            this(step, field, value, null);
        }
    }

    /** Leads an exit to a target in its JSON form; null leads it nowhere. */
    record Lead(String step, String exit, @Nullable String target) implements Edit {}

    /** Adds a blank item to a list of a step ({@code options}, {@code facts} …) after another one (null: at the end). */
    record AddItem(String step, String list, @Nullable String after) implements Edit {}

    /** Removes an item by its id, a fact by its variable, others by their number. */
    record DeleteItem(String step, String list, String item) implements Edit {}

    record MoveItem(String step, String list, String item, int by) implements Edit {}

    /** Gives a variable another name wherever the flow uses it: in fields, expressions and placeholders. */
    record RenameVariable(String from, String to) implements Edit {}

    /** Adds a blank wording at the end. */
    record AddWording(String step) implements Edit {}

    record DeleteWording(String step, int index) implements Edit {}

    /** Opens a new section that begins with this step. */
    record AddSection(String step) implements Edit {}

    record NameSection(String section, String title) implements Edit {}

    /** Removes a heading; its steps join the section before. */
    record DeleteSection(String section) implements Edit {}

    /**
     * Puts copies of steps, of this flow or another, below {@code after} (null: at the very top), spliced into the thread
     * as {@link Add} does. Ids that are taken are made anew; exits among the copies lead to the copies, others where they
     * led if that step is here, or nowhere.
     */
    record Paste(@Nullable String after, List<Step> steps) implements Edit {
        public Paste {
            steps = List.copyOf(steps);
        }
    }

    /** Puts a copy of these steps below the last of them. */
    record Duplicate(List<String> steps) implements Edit {
        public Duplicate {
            steps = List.copyOf(steps);
        }
    }

    /** Replaces a text wherever it stands in what visitors or designers read; not in names, expressions or addresses. */
    record Replace(String find, String with, boolean matchCase) implements Edit {}

    /** Keeps a step at a place on the map. */
    record Pin(String step, int x, int y) implements Edit {}

    /** Lets the map place all steps. */
    record Unpin() implements Edit {}

    /** Several edits as one: all are made, or none. */
    record Several(List<Edit> edits) implements Edit {
        public Several {
            edits = List.copyOf(edits);
        }
    }
}
