package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Locale;

/**
 * Something shown beside words.
 *
 * @param address of the application ({@code /media/…}) or https; placeholders are filled; empty while unfinished
 * @param alt     what a picture shows, for those who cannot see it; a file's or video's name
 */
public record Media(Type type, String address, String alt) {

    /** What it is and so how it is shown. */
    public enum Type {
        PICTURE("picture"),
        ANIMATION("animation"),
        VIDEO("video link"),
        FILE("file");

        private final String label;

        Type(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        @JsonValue
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** @throws IllegalArgumentException if there is no such type */
        @JsonCreator
        public static Type of(String key) {
            return Arrays.stream(values())
                    .filter(type -> type.key().equals(key))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no media type \"" + key + "\""));
        }
    }

    public Media {
        address = Parts.text(address);
        alt = Parts.text(alt);
    }
}
