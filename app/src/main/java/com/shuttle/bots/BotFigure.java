package com.shuttle.bots;

import java.time.Instant;

/**
 * A figure in the list of bots. Every bean of this type is a column, in the order of the places.
 *
 * @param title over the column
 * @param path  below the bot's own address, where the figure leads; empty if nowhere
 * @param place among the others
 */
public record BotFigure(String title, String path, int place, Counted counted) {

    /** Counts; thread-safe, and quick enough to be asked for every bot of a page. */
    @FunctionalInterface
    public interface Counted {

        /** @param today beginning of the UTC day */
        int of(String bot, Instant today);
    }
}
