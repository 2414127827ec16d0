package com.shuttle.core.flow;

import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Property.Part;
import com.shuttle.core.flow.shape.Property.Wordings;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The JSON Schema (draft 2020-12) of {@code shuttle-flow/1}: what every flow has, written here, and the properties of each
 * kind of step, made from its {@link com.shuttle.core.flow.shape.Shape}. Pure functions.
 */
public final class FlowSchema {

    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private static final String FRAME = """
            {
              '$schema': 'https://json-schema.org/draft/2020-12/schema',
              '$id': 'urn:shuttle:flow:1',
              'title': 'shuttle-flow/1',
              'description': 'A flow of a Shuttle bot: steps in sections, with exits that lead to other steps.',
              'type': 'object',
              'required': ['format', 'id', 'name', 'sections'],
              'additionalProperties': false,
              'properties': {
                'format': {'const': 'shuttle-flow/1'},
                'id': {'$ref': '#/$defs/id'},
                'name': {'type': 'string', 'maxLength': 200},
                'phrases': {'type': 'array', 'maxItems': 200, 'items': {'type': 'string', 'maxLength': 300}},
                'sections': {'type': 'array', 'minItems': 1, 'maxItems': 1000, 'items': {'$ref': '#/$defs/section'}},
                'pins': {
                  'description': 'Where steps were put on the map by hand.',
                  'type': 'object',
                  'maxProperties': 5000,
                  'additionalProperties': {
                    'type': 'object',
                    'required': ['x', 'y'],
                    'additionalProperties': false,
                    'properties': {
                      'x': {'type': 'integer', 'minimum': -1000000, 'maximum': 1000000},
                      'y': {'type': 'integer', 'minimum': -1000000, 'maximum': 1000000}
                    }
                  }
                }
              },
              '$defs': {
                'id': {'type': 'string', 'pattern': '^[a-z0-9][a-z0-9-]{0,63}$'},
                'text': {'type': 'string', 'maxLength': 8000},
                'line': {'type': 'string', 'maxLength': 300},
                'words': {'type': 'array', 'maxItems': 100, 'items': {'$ref': '#/$defs/line'}},
                'wordings': {'type': 'array', 'minItems': 1, 'maxItems': 20, 'items': {'$ref': '#/$defs/text'}},
                'variable': {'type': 'string', 'pattern': '^([a-z][a-z0-9_]{0,63})?$'},
                'expression': {'type': 'string', 'maxLength': 2000},
                'address': {'type': 'string', 'maxLength': 2000, 'pattern': '^($|https?://|/(?!/)|\\\\{\\\\{)'},
                'exits': {
                  'type': 'object',
                  'additionalProperties': {
                    'type': 'string',
                    'pattern': '^(step:[a-z0-9][a-z0-9-]*|flow:[a-z0-9][a-z0-9-]*|back|end)$'
                  }
                },
                'section': {
                  'type': 'object',
                  'required': ['id', 'steps'],
                  'additionalProperties': false,
                  'properties': {
                    'id': {'$ref': '#/$defs/id'},
                    'title': {'type': 'string', 'maxLength': 200},
                    'steps': {'type': 'array', 'maxItems': 5000, 'items': {'$ref': '#/$defs/step'}}
                  }
                }
              }
            }""";

    /** What every step has; what it must be stands with them. */
    private static final List<String> EVERY = List.of("kind", "id", "exits");

    private FlowSchema() {}

    /** The schema as text. */
    public static String text() {
        ObjectNode schema = (ObjectNode) Forms.schema(FRAME);
        ObjectNode defs = (ObjectNode) schema.get("$defs");
        ArrayNode types = JSON.arrayNode();
        for (ValueType type : ValueType.values()) {
            types.add(type.key());
        }
        defs.set("type", JSON.objectNode().set("enum", types));
        defs.set("step", step());
        return schema.toString();
    }

    private static ObjectNode step() {
        ArrayNode kinds = JSON.arrayNode();
        ArrayNode cases = JSON.arrayNode();
        for (StepKind kind : StepKind.values()) {
            kinds.add(kind.key());
            ObjectNode one = cases.addObject();
            one.putObject("if").putObject("properties").putObject("kind").put("const", kind.key());
            ObjectNode then = object(kind.shape().properties());
            ObjectNode known = (ObjectNode) then.get("properties");
            EVERY.forEach(name -> known.set(name, JSON.booleanNode(true)));
            one.set("then", then.put("additionalProperties", false));
        }
        ObjectNode step = (ObjectNode)
                Forms.schema("{'type':'object','required':['kind','id'],'properties':{'id':{'$ref':'#/$defs/id'},"
                        + "'exits':{'$ref':'#/$defs/exits'}}}");
        ((ObjectNode) step.get("properties")).putObject("kind").set("enum", kinds);
        step.set("allOf", cases);
        return step;
    }

    private static ObjectNode object(List<? extends Property> of) {
        ObjectNode object = JSON.objectNode();
        ArrayNode required = JSON.arrayNode();
        ObjectNode properties = object.putObject("properties");
        for (Property property : of) {
            properties.set(property.name(), value(property));
            if (needed(property)) {
                required.add(property.name());
            }
        }
        if (!required.isEmpty()) {
            object.set("required", required);
        }
        return object;
    }

    private static boolean needed(Property property) {
        return switch (property) {
            case Wordings wordings -> wordings.required();
            case Field field -> field.required();
            case Part part -> false;
            case Items items -> items.required();
        };
    }

    private static JsonNode value(Property property) {
        return switch (property) {
            case Wordings wordings -> Forms.schema("{'$ref':'#/$defs/wordings'}");
            case Field field -> field.form().schema();
            case Part part -> part(part);
            case Items items -> {
                ObjectNode item = closed(object(items.of()));
                if (!items.key().isEmpty()) {
                    ObjectNode properties = (ObjectNode) item.get("properties");
                    if (!properties.has(items.key())) {
                        properties.set(items.key(), Forms.schema("{'$ref':'#/$defs/id'}"));
                        ArrayNode required = item.withArray("required");
                        required.add(items.key());
                    }
                }
                ObjectNode array = JSON.objectNode().put("type", "array").put("maxItems", items.most());
                array.set("items", item);
                yield array;
            }
        };
    }

    private static JsonNode part(Part part) {
        Field chosen = part.chosen();
        ObjectNode object = closed(object(part.of()));
        if (chosen != null) {
            ((ObjectNode) object.get("properties"))
                    .set(chosen.name(), chosen.form().schema());
            object.withArray("required").add(chosen.name());
        }
        if (!part.nullable()) {
            return object;
        }
        ObjectNode either = JSON.objectNode();
        either.putArray("oneOf").add(Forms.schema("{'type':'null'}")).add(object);
        return either;
    }

    private static ObjectNode closed(ObjectNode object) {
        return object.put("type", "object").put("additionalProperties", false);
    }
}
