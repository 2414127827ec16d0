package com.shuttle.standins;

import java.util.Locale;

/** How a stand-in behaves. */
public enum Mood {
    WELL("works"),
    SLOW("takes three seconds"),
    FAILING("answers with error 500"),
    HANGING("does as asked, and never answers"),
    NONSENSE("answers with a page instead of JSON"),
    HUGE("answers with 50 MB"),
    LOST("does as asked, and hangs up without a reply");

    private final String words;

    Mood(String words) {
        this.words = words;
    }

    /** What it does. */
    public String words() {
        return words;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
