package com.shuttle.studio;

import com.shuttle.core.flow.Media;
import com.shuttle.studio.Setting.Choice;
import com.shuttle.studio.Setting.Control;
import java.util.ArrayList;
import java.util.List;
import java.util.StringJoiner;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Makes controls from the JSON form of one step: each with its field and its present value. */
class SettingForm {

    private final ObjectNode tree;

    SettingForm(ObjectNode tree) {
        this.tree = tree;
    }

    /** Whether a yes-or-no field of the step says yes. */
    boolean says(String field) {
        return tree.path(field).asBoolean(false);
    }

    long number(String field) {
        return tree.path(field).asLong(0);
    }

    Setting media(String field, String label) {
        List<Choice> types = new ArrayList<>();
        types.add(new Choice("", "words only"));
        for (Media.Type type : Media.Type.values()) {
            types.add(new Choice(type.key(), type.label()));
        }
        String type = at(field) instanceof ObjectNode media ? media.path("type").asString("") : "";
        return new Setting(field, label, Control.SELECT, type, "", List.copyOf(types), true);
    }

    List<Setting> mediaParts(String path) {
        return List.of(
                line(path + "address", "address", "/media/… or https://…", Control.MEDIA),
                line(path + "alt", "it shows", "described for those who cannot see it"));
    }

    Setting select(String field, String label, List<Choice> options, boolean reshape) {
        return new Setting(field, label, Control.SELECT, text(field), "", options, reshape);
    }

    Setting flag(String field, String label, boolean reshape) {
        return new Setting(field, label, Control.FLAG, text(field), "", List.of(), reshape);
    }

    Setting variable(String field, String label, String hint) {
        return variable(field, label, hint, false);
    }

    Setting variable(String field, String label, String hint, boolean reshape) {
        return new Setting(field, label, Control.VARIABLE, text(field), hint, List.of(), reshape);
    }

    Setting line(String field, String label, String hint) {
        return line(field, label, hint, Control.LINE);
    }

    Setting line(String field, String label, String hint, Control control) {
        return new Setting(field, label, control, text(field), hint, List.of(), false);
    }

    Setting small(String field, String label, String hint, String after) {
        return new Setting(
                field,
                label,
                Control.SHORT,
                text(field),
                hint,
                after.isEmpty() ? List.of() : List.of(new Choice("", after)),
                false);
    }

    Setting area(String field, String label, String hint) {
        return new Setting(field, label, Control.TEXT, text(field), hint, List.of(), false);
    }

    /** A field's value as it is typed: lists with commas, nothing for what is not set. */
    String text(String path) {
        JsonNode node = at(path);
        if (node instanceof ArrayNode array) {
            StringJoiner words = new StringJoiner(", ");
            array.forEach(word -> words.add(word.asString("")));
            return words.toString();
        }
        boolean nothing = node.isMissingNode()
                || node.isNull()
                || node.isNumber() && node.asLong(0) == 0 && !path.contains("limits.") && !path.endsWith("weight");
        return nothing ? "" : node.asString("");
    }

    JsonNode at(String path) {
        JsonNode at = tree;
        for (String key : path.split("\\.")) {
            if (at instanceof ArrayNode array) {
                JsonNode found = array.path(key.matches("\\d+") ? Integer.parseInt(key) : -1);
                for (JsonNode item : array) {
                    boolean named = key.equals(item.path("id").asString(""))
                            || !item.has("id")
                                    && key.equals(item.path("variable").asString(""));
                    found = named ? item : found;
                }
                at = found;
            } else {
                at = at.path(key);
            }
        }
        return at;
    }
}
