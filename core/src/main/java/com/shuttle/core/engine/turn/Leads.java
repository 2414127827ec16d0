package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** When a visitor has left enough to be a lead. Pure functions. */
public final class Leads {

    private Leads() {}

    /** Whether a lead changes with a value of this type. */
    public static boolean concerns(@Nullable ValueType type) {
        return type == ValueType.EMAIL || type == ValueType.PERSON_NAME || type == ValueType.PHONE;
    }

    /** The lead that is known: a name and an email at least. */
    public static Optional<Effect> of(Map<String, Value> known, Map<String, ValueType> types) {
        String name = first(ValueType.PERSON_NAME, known, types);
        String email = first(ValueType.EMAIL, known, types);
        return name.isEmpty() || email.isEmpty()
                ? Optional.empty()
                : Optional.of(new Deed.KeepLead(name, email, first(ValueType.PHONE, known, types)));
    }

    private static String first(ValueType type, Map<String, Value> known, Map<String, ValueType> types) {
        return known.entrySet().stream()
                .filter(entry -> types.get(entry.getKey()) == type)
                .map(entry -> entry.getValue().shown())
                .findFirst()
                .orElse("");
    }
}
