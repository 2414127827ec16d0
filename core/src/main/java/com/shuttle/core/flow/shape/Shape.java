package com.shuttle.core.flow.shape;

import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Property.Part;
import com.shuttle.core.flow.shape.Property.Wordings;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/**
 * All properties of a kind of step, with what its row says beside it. Immutable and thread-safe.
 *
 * @param properties in the order of their controls; every kind has a title and a note besides
 * @param blank      what a new step has besides its id, as JSON
 * @param aside      what stands beside the row, from the step's JSON form
 */
public record Shape(List<Property> properties, String blank, Function<JsonNode, Aside> aside) {

    /**
     * What stands beside a row.
     *
     * @param words    in plain letters; may be empty
     * @param variable in bold behind an arrow; may be empty
     * @param refers   the id behind the words, as of a team, to be named by who knows it; may be empty
     */
    public record Aside(String words, String variable, String refers) {
        public static final Aside NONE = new Aside("", "", "");

        public static Aside of(String words) {
            return new Aside(words, "", "");
        }

        public static Aside into(String words, String variable) {
            return new Aside(variable.isBlank() ? "" : words, variable, "");
        }
    }

    private static final Form TITLE = Forms.LINE.withSchema(Forms.schema("{'type':'string','maxLength':200}"));

    private static final List<Property> ALL = List.of(
            Field.of("title", TITLE, "Title, for colleagues", "none").called("the title"),
            Field.of("note", Forms.TEXT, "Aside, for colleagues; goes with the file", "none")
                    .called("the note"));

    public Shape {
        properties = List.copyOf(properties);
    }

    /** A kind with these properties. */
    public static Shape of(Property... properties) {
        List<Property> all = new ArrayList<>(List.of(properties));
        all.addAll(ALL);
        return new Shape(all, "{}", step -> Aside.NONE);
    }

    /** The same where a new step has this too. */
    public Shape beginning(String json) {
        return new Shape(properties, json, aside);
    }

    /** The same with something beside the row. */
    public Shape beside(Function<JsonNode, Aside> words) {
        return new Shape(properties, blank, words);
    }

    /** What the step says first; null for a kind that says nothing. */
    public @Nullable Wordings wordings() {
        for (Property property : properties) {
            if (property instanceof Wordings wordings) {
                return wordings;
            }
        }
        return null;
    }

    /** What a history calls a property of the step. */
    public String inWords(String name) {
        for (Property property : properties) {
            if (property.name().equals(name)) {
                return property.inWords();
            }
        }
        return name.equals("kind") ? "the kind" : "the settings";
    }

    /** Looks at a text, and may return another in its place. */
    @FunctionalInterface
    public interface Change {
        /** @param top the property of the step that the text stands in */
        String changed(Form form, String text, Property top);
    }

    /** Passes every text of a step, wherever it stands, to {@code change}; whether any became another. */
    public boolean map(ObjectNode step, Change change) {
        boolean changed = false;
        for (Property property : properties) {
            changed |= map(property, step, property, change);
        }
        return changed;
    }

    private static boolean map(Property property, ObjectNode owner, Property top, Change change) {
        JsonNode value = owner.get(property.name());
        return switch (property) {
            case Wordings wordings -> value instanceof ArrayNode texts && each(Forms.TEXT, texts, top, change);
            case Field field ->
                switch (value) {
                    case StringNode text -> {
                        String other = change.changed(field.form(), text.stringValue(), top);
                        owner.put(field.name(), other);
                        yield !other.equals(text.stringValue());
                    }
                    case ArrayNode texts -> each(field.form(), texts, top, change);
                    case null, default -> false;
                };
            case Part part -> {
                boolean changed = false;
                if (value instanceof ObjectNode object) {
                    for (Field field : part.of()) {
                        changed |= map(field, object, top, change);
                    }
                }
                yield changed;
            }
            case Items items -> {
                boolean changed = false;
                if (value instanceof ArrayNode array) {
                    for (JsonNode item : array) {
                        for (Property inner : items.of()) {
                            changed |= item instanceof ObjectNode object && map(inner, object, top, change);
                        }
                    }
                }
                yield changed;
            }
        };
    }

    private static boolean each(Form form, ArrayNode texts, Property top, Change change) {
        boolean changed = false;
        for (int i = 0; i < texts.size(); i++) {
            if (texts.get(i) instanceof StringNode text) {
                String other = change.changed(form, text.stringValue(), top);
                texts.set(i, StringNode.valueOf(other));
                changed |= !other.equals(text.stringValue());
            }
        }
        return changed;
    }
}
