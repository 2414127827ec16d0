package com.shuttle.panel;

/**
 * What a cue brought.
 *
 * @param shown    how often it was shown
 * @param opened   how often the chat was opened by it
 * @param answered conversations that it began and in which the visitor said something
 * @param reached  of its conversations those in which a milestone was reached
 */
public record Brought(int shown, int opened, int answered, int reached) {
    static final Brought NOTHING = new Brought(0, 0, 0, 0);
}
