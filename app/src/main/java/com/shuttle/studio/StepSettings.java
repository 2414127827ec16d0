package com.shuttle.studio;

import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Property;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Property.Part;
import com.shuttle.core.flow.shape.Property.Place;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Makes the controls of a step's row from the shape of its kind and its present values. */
final class StepSettings {

    /** The controls of a step. */
    record Editor(List<Setting> common, List<Setting> folded, List<ItemsView> lists) {

        /** The lists that stand at a place: {@code first}, {@code after} or {@code folded}. */
        public List<ItemsView> lists(String place) {
            return lists.stream().filter(list -> list.stands().equals(place)).toList();
        }
    }

    /**
     * A list of a step.
     *
     * @param path   see {@link com.shuttle.core.edit.Edit.AddItem}
     * @param title  above it; may be empty
     * @param add    on the button that adds an item
     * @param stands see {@link Editor#lists(String)}
     */
    record ItemsView(String path, String title, String add, String stands, List<ItemView> items) {}

    /**
     * One item of a list.
     *
     * @param exit id of the exit it has of its own; empty for none
     * @param inner lists within it
     */
    record ItemView(String key, String exit, List<Setting> common, List<Setting> folded, List<ItemsView> inner) {}

    private final ObjectNode step;
    private final Map<String, List<Form.Value>> outside;
    private final Shape shape;

    private StepSettings(Step step, Map<String, List<Form.Value>> outside) {
        this.step = StepJson.tree(step);
        this.shape = step.kind().shape();
        this.outside = outside;
    }

    /** The editor of a step. @param outside what references can be to, by what they refer to */
    static Editor of(Step step, Map<String, List<Form.Value>> outside) {
        StepSettings settings = new StepSettings(step, outside);
        Controls controls = settings.new Controls();
        settings.shape.properties().stream()
                .filter(property -> !(property instanceof Wordings))
                .forEach(property -> controls.add(property, settings.step, settings.step, ""));
        return new Editor(List.copyOf(controls.common), List.copyOf(controls.folded), List.copyOf(controls.lists));
    }

    /** What stands beside the row. */
    static Shape.Aside aside(Step step) {
        return step.kind().shape().aside().apply(StepJson.tree(step));
    }

    /** The controls of one owner: of the step, or of an item of a list. */
    private final class Controls {
        private final List<Setting> common = new ArrayList<>();
        private final List<Setting> folded = new ArrayList<>();
        private final List<ItemsView> lists = new ArrayList<>();

        private void add(Property property, JsonNode owner, JsonNode holder, String path) {
            switch (property) {
                case Field field -> field(field, owner, holder, path);
                case Wordings wordings ->
                    common.add(new Setting(
                            path + wordings.name() + ".0",
                            "",
                            Form.Control.TEXT,
                            holder.path(wordings.name()).path(0).asString(""),
                            wordings.hint(),
                            "",
                            List.of(),
                            false));
                case Part part -> part(part, owner, holder, path);
                case Items items -> {
                    if (items.when().holds(owner, step)) {
                        lists.add(list(items, holder, path));
                    }
                }
            }
        }

        private void field(Field field, JsonNode owner, JsonNode holder, String path) {
            if (field.when().holds(owner, step)) {
                String value = field.form().shown().apply(holder.path(field.name()));
                (field.place() == Place.SIGHT ? common : folded).add(setting(field, path + field.name(), value));
            }
        }

        private void part(Part part, JsonNode owner, JsonNode holder, String path) {
            JsonNode object = holder.path(part.name());
            Field chosen = part.chosen();
            if (chosen != null) {
                String value = chosen.form().shown().apply(object.path(chosen.name()));
                common.add(setting(chosen, path + part.name(), value));
            }
            if (chosen == null || object.isObject()) {
                part.of().forEach(field -> field(field, owner, object, path + part.name() + "."));
            }
        }
    }

    private Setting setting(Field field, String path, String value) {
        Form form = field.form();
        List<Form.Value> options = form.values();
        if (form.role() == Form.Role.REFERENCE) {
            options = new ArrayList<>();
            if (form.control() == Form.Control.SELECT) {
                options.add(new Form.Value("", field.hint()));
            }
            options.addAll(outside.getOrDefault(within(form.refers()), List.of()));
        }
        return new Setting(
                path,
                field.label(),
                form.control(),
                value,
                field.hint(),
                field.after(),
                List.copyOf(options),
                field.reshapes());
    }

    /** What is to choose from; "column@table" is a column of what the step has for its table. */
    private String within(String refers) {
        int at = refers.indexOf('@');
        return at < 0
                ? refers
                : refers.substring(0, at) + " of "
                        + step.path(refers.substring(at + 1)).asString("");
    }

    private ItemsView list(Items items, JsonNode holder, String path) {
        List<ItemView> views = new ArrayList<>();
        JsonNode array = holder.path(items.name());
        for (int i = 0; i < array.size(); i++) {
            JsonNode item = array.get(i);
            String key = items.key().isEmpty()
                    ? Integer.toString(i)
                    : item.path(items.key()).asString("");
            Controls controls = new Controls();
            String at = path + items.name() + "." + key + ".";
            items.of().stream()
                    .filter(property -> !(property instanceof Items inner) || shownWithin(inner, item))
                    .forEach(property -> controls.add(property, item, item, at));
            views.add(new ItemView(
                    key,
                    items.exit().isEmpty() ? "" : items.exit() + key,
                    List.copyOf(controls.common),
                    List.copyOf(controls.folded),
                    List.copyOf(controls.lists)));
        }
        return new ItemsView(
                path + items.name(),
                items.title(),
                items.add(),
                items.stands().name().toLowerCase(),
                views);
    }

    private boolean shownWithin(Items items, JsonNode item) {
        return items.when().holds(item, step);
    }
}
