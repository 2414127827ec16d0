package com.shuttle.core.channel;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.shuttle.core.flow.Keyed;
import java.time.Duration;
import org.jspecify.annotations.Nullable;

/** A kind of channel to phones, with what fits there. Letters are counted as code points. */
public enum PhoneKind implements Keyed {
    /** Up to three buttons, otherwise a list; nothing unasked after a day of silence. */
    MESSENGER("phone messenger", 4000, Duration.ofHours(24)),
    /** Words only. */
    TEXT("text message", 1500, null);

    /** The most buttons below a message, and the letters on each. */
    public static final int BUTTONS = 3;

    public static final int BUTTON_LETTERS = 20;

    /** The most rows of a list, and the letters of a row, of the line beneath it and of a group's title. */
    public static final int ROWS = 10;

    public static final int ROW_LETTERS = 24;
    public static final int LINE_LETTERS = 72;
    public static final int GROUP_LETTERS = 24;

    private final String label;
    private final int longest;
    private final @Nullable Duration window;

    PhoneKind(String label, int longest, @Nullable Duration window) {
        this.label = label;
        this.longest = longest;
        this.window = window;
    }

    public String label() {
        return label;
    }

    /** The letters of one message. */
    public int longest() {
        return longest;
    }

    /** For how long after a person's last message they may be written to freely; null for always. */
    public @Nullable Duration window() {
        return window;
    }

    /** @throws IllegalArgumentException if there is no such kind */
    @JsonCreator
    public static PhoneKind of(String key) {
        return Keyed.of(PhoneKind.class, key, "kind of channel");
    }
}
