package com.shuttle.panel;

import com.shuttle.core.cue.Cue;
import java.util.List;

/**
 * How a bot shows on websites.
 *
 * @param on     whether it shows at all
 * @param words  on the launcher; empty for its picture only
 * @param colour of the launcher, as {@code #1f2a44}
 * @param side   {@code right} or {@code left}
 * @param cues   when it speaks up, in their order
 */
public record Presence(boolean on, String words, String colour, String side, List<Cue> cues) {

    public static final String COLOUR = "#1f2a44";

    /** Of a bot of which nothing was set. */
    public static final Presence USUAL = new Presence(true, "Ask us", COLOUR, "right", List.of());

    public Presence {
        words = words == null ? "" : words;
        colour = colour == null || !colour.matches("#[0-9a-fA-F]{6}") ? COLOUR : colour;
        side = "left".equals(side) ? "left" : "right";
        cues = cues == null ? List.of() : List.copyOf(cues);
    }

    /** The same with other cues. */
    public Presence with(List<Cue> others) {
        return new Presence(on, words, colour, side, others);
    }

    Presence switched(boolean other) {
        return new Presence(other, words, colour, side, cues);
    }
}
