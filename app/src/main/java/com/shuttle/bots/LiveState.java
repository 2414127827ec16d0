package com.shuttle.bots;

/** What visitors meet of a bot, as far as its designers' pages tell. Releases know it, which stand above bots. */
public interface LiveState {

    /** Number of the live release; 0 before the first. */
    int liveNumber(String bot);

    /** The number that the next release gets. */
    int nextNumber(String bot);

    /** Whether the draft differs from the live release, or there is none yet. */
    boolean draftDiffers(Bot bot);
}
