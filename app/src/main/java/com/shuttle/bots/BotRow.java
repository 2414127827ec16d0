package com.shuttle.bots;

import java.util.List;

/**
 * A bot in the list, with its state.
 *
 * @param release     number of the live release; 0 for none
 * @param draftDiffers whether the draft has changes that visitors do not see yet
 * @param sites       whether it shows on websites
 * @param figures     one for each {@link BotFigure}, in their order
 */
public record BotRow(
        Bot bot, int release, boolean draftDiffers, int steps, List<Counted> figures, OnSites.State sites) {

    /** A figure of this bot. @param path below the bot's own address; empty if nowhere */
    public record Counted(String path, int count) {}
}
