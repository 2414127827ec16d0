package com.shuttle.web;

import com.shuttle.core.flow.Keyed;
import java.util.Arrays;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.core.convert.TypeDescriptor;
import org.springframework.core.convert.converter.ConditionalGenericConverter;
import org.springframework.stereotype.Component;

/** Reads parameters that are one of a list by the key they are written with, or by the constant's name; others are bad requests. */
@Component
class KeyedConverter implements ConditionalGenericConverter {

    @Override
    public boolean matches(TypeDescriptor from, TypeDescriptor to) {
        return to.getType().isEnum() && Keyed.class.isAssignableFrom(to.getType());
    }

    @Override
    public Set<ConvertiblePair> getConvertibleTypes() {
        return Set.of(new ConvertiblePair(String.class, Enum.class));
    }

    @Override
    public @Nullable Object convert(@Nullable Object from, TypeDescriptor fromType, TypeDescriptor to) {
        return Arrays.stream(to.getType().getEnumConstants())
                .filter(constant -> ((Keyed) constant).key().equals(from)
                        || ((Enum<?>) constant).name().equals(from))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no such constant"));
    }
}
