package com.shuttle.studio;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.StepKind;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * An edit as a page sends it: {@code edit} names it, and only what belongs to it is given. There is none that brings in whole
 * steps; those go through the schema, as pasted text. See {@link Edit} for the parts.
 */
record EditForm(
        @Nullable String edit,
        @Nullable String step,
        @Nullable List<String> steps,
        @Nullable String after,
        @Nullable String exit,
        @Nullable String kind,
        @Nullable String field,
        @Nullable String value,
        @Nullable String was,
        @Nullable String target,
        @Nullable String list,
        @Nullable String item,
        @Nullable Integer by,
        @Nullable Integer index,
        @Nullable String section,
        @Nullable String title,
        @Nullable String find,
        @Nullable String with,
        @Nullable Boolean matchCase,
        @Nullable Integer x,
        @Nullable Integer y,
        @Nullable List<EditForm> edits) {

    /** An edit that is not whole; the message is for who wrote the page. */
    static final class Incomplete extends RuntimeException {
        private static final long serialVersionUID = 1;

        Incomplete(String message) {
            super(message, null, false, false);
        }
    }

    /** @throws Incomplete if there is no such edit, or it lacks a part */
    Edit toEdit() {
        return switch (Objects.requireNonNullElse(edit, "")) {
            case "add" -> new Edit.Add(after, exit, kindOf());
            case "delete" -> new Edit.Delete(need(step, "step"));
            case "move" -> new Edit.Move(need(step, "step"), need(by, "by"));
            case "become" -> new Edit.Become(need(step, "step"), kindOf());
            case "set" -> new Edit.Set(need(step, "step"), need(field, "field"), need(value, "value"), was);
            case "lead" -> new Edit.Lead(need(step, "step"), need(exit, "exit"), target);
            case "add_item" -> new Edit.AddItem(need(step, "step"), need(list, "list"), after);
            case "delete_item" -> new Edit.DeleteItem(need(step, "step"), need(list, "list"), need(item, "item"));
            case "move_item" ->
                new Edit.MoveItem(need(step, "step"), need(list, "list"), need(item, "item"), need(by, "by"));
            case "add_wording" -> new Edit.AddWording(need(step, "step"));
            case "delete_wording" -> new Edit.DeleteWording(need(step, "step"), need(index, "index"));
            case "add_section" -> new Edit.AddSection(need(step, "step"));
            case "name_section" -> new Edit.NameSection(need(section, "section"), need(title, "title"));
            case "delete_section" -> new Edit.DeleteSection(need(section, "section"));
            case "duplicate" -> new Edit.Duplicate(need(steps, "steps"));
            case "replace" -> new Edit.Replace(need(find, "find"), need(with, "with"), Boolean.TRUE.equals(matchCase));
            case "pin" -> new Edit.Pin(need(step, "step"), need(x, "x"), need(y, "y"));
            case "unpin" -> new Edit.Unpin();
            case "several" ->
                new Edit.Several(
                        need(edits, "edits").stream().map(EditForm::toEdit).toList());
            default -> throw new Incomplete("there is no edit “" + edit + "”");
        };
    }

    private StepKind kindOf() {
        try {
            return StepKind.of(need(kind, "kind"));
        } catch (IllegalArgumentException e) {
            throw new Incomplete("there is no kind of step “" + kind + "”");
        }
    }

    private <T> T need(@Nullable T part, String name) {
        if (part == null) {
            throw new Incomplete("the edit “" + edit + "” lacks “" + name + "”");
        }
        return part;
    }
}
