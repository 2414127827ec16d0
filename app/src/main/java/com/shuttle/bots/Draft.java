package com.shuttle.bots;

import com.shuttle.core.flow.Flow;

/**
 * The present draft of a flow.
 *
 * @param edit    number of the edit it is the outcome of
 * @param canUndo whether there is an earlier state to go back to
 * @param canRedo whether there is an undone state to go forward to
 * @param words   what the edit did
 */
public record Draft(Flow flow, int edit, boolean canUndo, boolean canRedo, String words) {}
