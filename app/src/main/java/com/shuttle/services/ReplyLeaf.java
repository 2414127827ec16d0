package com.shuttle.services;

import com.shuttle.core.service.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A value of a reply that may be taken.
 *
 * @param pointer into the reply, as in RFC 6901
 * @param name    that is proposed for it
 */
record ReplyLeaf(String pointer, String name, Kind kind, String value) {

    private static final int MOST = 60;
    private static final int LONGEST = 80;

    /** What may be taken of a reply, in its order; of a list its first item, and plain lists as they are. */
    static List<ReplyLeaf> of(String reply) {
        List<ReplyLeaf> leaves = new ArrayList<>();
        try {
            add("", "", JsonMapper.shared().readTree(reply), leaves);
        } catch (JacksonException e) {
            return List.of();
        }
        return leaves;
    }

    private static void add(String pointer, String name, JsonNode node, List<ReplyLeaf> leaves) {
        if (leaves.size() >= MOST) {
            return;
        }
        if (node.isObject()) {
            for (Map.Entry<String, JsonNode> part : node.properties()) {
                String step = part.getKey().replace("~", "~0").replace("/", "~1");
                add(pointer + "/" + step, part.getKey(), part.getValue(), leaves);
            }
        } else if (node.isArray()) {
            if (!node.isEmpty() && node.get(0).isValueNode()) {
                List<String> items = new ArrayList<>();
                node.forEach(item -> items.add(item.asString("")));
                leaf(pointer, name, Kind.LIST, String.join(", ", items), leaves);
            } else if (!node.isEmpty()) {
                add(pointer + "/0", name, node.get(0), leaves);
            }
        } else if (!node.isNull() && !pointer.isEmpty()) {
            Kind kind = node.isNumber()
                    ? Kind.NUMBER
                    : node.isBoolean() ? Kind.YES_NO : Kind.DATE.read(node).isPresent() ? Kind.DATE : Kind.TEXT;
            leaf(pointer, name, kind, node.asString(), leaves);
        }
    }

    private static void leaf(String pointer, String name, Kind kind, String value, List<ReplyLeaf> leaves) {
        String shown = value.length() <= LONGEST ? value : value.substring(0, LONGEST - 1) + "…";
        leaves.add(new ReplyLeaf(pointer, ServiceForms.key(name), kind, shown));
    }
}
