package com.shuttle.core.flow.shape;

import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * How a value is typed in, shown again, and written in a file. See {@link Forms} for those there are.
 *
 * @param role    what the value is to the rest of the application
 * @param control how it is edited
 * @param longest characters a text may have; 0 where that has no meaning
 * @param typed   makes JSON of what was typed; null removes the property
 * @param shown   makes of the JSON what is to be typed for it; of a missing node what stands for it
 * @param schema  JSON Schema of the value
 * @param values  to select from; empty for none, or for those of {@code refers}
 * @param refers  what the value is the id of, such as {@code team}; empty for nothing
 */
public record Form(
        Role role,
        Control control,
        int longest,
        Typed typed,
        Function<JsonNode, String> shown,
        JsonNode schema,
        List<Value> values,
        String refers) {

    /** What a value is to the rest of the application. */
    public enum Role {
        /** Text that people read: found and replaced, with placeholders. */
        PROSE,
        /** The name of a variable. */
        VARIABLE,
        /** A condition or a computed value. */
        EXPRESSION,
        /** The id of something outside the flow. */
        REFERENCE,
        /** A setting of the step's own. */
        PLAIN
    }

    /** How a value is edited. */
    public enum Control {
        LINE,
        SHORT,
        TEXT,
        FLAG,
        SELECT,
        /** Any of those there are to select. */
        SOME,
        CONDITION,
        EXPRESSION,
        VARIABLE,
        MEDIA;

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    /** One of the values to select. */
    public record Value(String value, String label) {}

    /** Makes JSON of what was typed; throws {@link Refusal} where it does not fit. */
    @FunctionalInterface
    public interface Typed {
        @Nullable
        JsonNode json(String typed);
    }

    public Form {
        values = List.copyOf(values);
    }

    /** The same with another control. */
    public Form edited(Control other) {
        return new Form(role, other, longest, typed, shown, schema, values, refers);
    }

    /** The same text, which people do not read. */
    Form plain() {
        return new Form(Role.PLAIN, control, longest, typed, shown, schema, values, refers);
    }

    /** The same as the id of something. */
    Form refersTo(String what) {
        return new Form(
                Role.REFERENCE,
                control == Control.LINE ? Control.SELECT : control,
                longest,
                typed,
                shown,
                schema,
                values,
                what);
    }

    /** The same with another schema. */
    public Form withSchema(JsonNode other) {
        return new Form(role, control, longest, typed, shown, other, values, refers);
    }

    /** The same where these values are to be selected. */
    public Form selecting(List<Value> others) {
        return new Form(role, Control.SELECT, longest, typed, shown, schema, others, refers);
    }
}
