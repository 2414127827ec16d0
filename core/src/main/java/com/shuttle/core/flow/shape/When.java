package com.shuttle.core.flow.shape;

import java.util.List;
import tools.jackson.databind.JsonNode;

/** When a property is shown. */
@FunctionalInterface
public interface When {

    When ALWAYS = (owner, step) -> true;

    /** Set by other means than a control, for example where options are written in the row itself. */
    When NEVER = (owner, step) -> false;

    /**
     * Whether it is shown.
     *
     * @param owner the step, or the item of a list that the property belongs to, in its JSON form
     * @param step  the whole step
     */
    boolean holds(JsonNode owner, JsonNode step);

    /** Where a yes-or-no property of the owner says yes. */
    static When says(String property) {
        return (owner, step) -> owner.path(property).asBoolean(false);
    }

    /** Where a property of the owner has one of these values. */
    static When is(String property, String... values) {
        List<String> known = List.of(values);
        return (owner, step) -> known.contains(owner.path(property).asString(""));
    }

    /** Where a property of the step has one of these values. */
    static When stepIs(String property, String... values) {
        When when = is(property, values);
        return (owner, step) -> when.holds(step, step);
    }

    /** Where this does not hold. */
    default When not() {
        return (owner, step) -> !holds(owner, step);
    }
}
