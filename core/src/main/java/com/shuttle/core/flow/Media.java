package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import java.util.regex.Pattern;

/**
 * Something shown beside words.
 *
 * @param address of the application ({@code /media/…}) or https; placeholders are filled; empty while unfinished
 * @param alt     what a picture shows, for those who cannot see it; a file's or video's name
 */
public record Media(Type type, String address, String alt) {

    /** What it is and so how it is shown. */
    public enum Type implements Keyed {
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

        /** Whether it is shown as a picture. */
        public boolean still() {
            return this == PICTURE || this == ANIMATION;
        }

        /** @throws IllegalArgumentException if there is no such type */
        @JsonCreator
        public static Type of(String key) {
            return Keyed.of(Type.class, key, "media type");
        }
    }

    /** Where something to show may lie: on the web, or at an address of the application without a host. */
    private static final Pattern ADDRESS = Pattern.compile("(https?://|/(?!/))[^\\s\"<>\\\\^`{|}\\p{Cntrl}]*+");

    /** Whether a whole address, without placeholders, may be shown to visitors. */
    public static boolean isAddress(String address) {
        return ADDRESS.matcher(address).matches();
    }

    public Media {
        address = Parts.text(address);
        alt = Parts.text(alt);
    }
}
