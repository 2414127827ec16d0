package com.shuttle.studio;

import com.shuttle.bots.Bot;

/**
 * A bot with its state and today's figures. Today is the UTC day so far.
 *
 * @param release       number of the live release; 0 for none
 * @param draftDiffers  whether the draft has changes that visitors do not see yet
 * @param conversations begun today
 * @param handedOff     of those, how many asked for or had a person
 * @param leads         people who left name and email today, each once
 * @param gaps          open gaps, of all time
 */
public record BotRow(
        Bot bot, int release, boolean draftDiffers, int steps, int conversations, int handedOff, int leads, int gaps) {}
