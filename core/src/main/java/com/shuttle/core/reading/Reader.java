package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;

/**
 * Reads a message for a value of one type. Messages are expected cleaned by {@link Words#clean}. Thread-safe; holds no
 * state.
 */
public final class Reader {

    private Reader() {}

    /**
     * Reads {@code text} as the reply to a question for a value of {@code type}.
     *
     * @param region ISO 3166 country code in whose habits the visitor writes, e.g. {@code GB}
     */
    public static Reading reply(ValueType type, String text, String region) {
        if (text.isBlank()) {
            return Reading.NOTHING;
        }
        Reading found = within(type, text, region);
        if (type == ValueType.TEXT) {
            return found;
        }
        if (found instanceof Reading.Given || found instanceof Reading.Unclear) {
            return found;
        }
        Reading attitude = Attitude.of(text);
        if (!(attitude instanceof Reading.Nothing)) {
            return attitude;
        }
        return type == ValueType.PERSON_NAME ? NameReader.bare(text) : Reading.NOTHING;
    }

    /**
     * Looks for a value of {@code type} anywhere in a message that need not be a reply to a question for it. More
     * careful than {@link #reply}: a name must be introduced ("my name is …") and a lone number is not taken.
     */
    public static Reading within(ValueType type, String text, String region) {
        return switch (type) {
            case TEXT -> {
                Reading attitude = Attitude.of(text);
                yield attitude instanceof Reading.Nothing
                        ? new Reading.Given(new Value.Text(text), 0, text.length())
                        : attitude;
            }
            case PERSON_NAME -> NameReader.introduced(text);
            case EMAIL -> EmailReader.read(text);
            case PHONE -> PhoneReader.read(text, region);
            case NUMBER -> NumberReader.read(text);
            case YES_NO -> YesNoReader.read(text);
        };
    }
}
