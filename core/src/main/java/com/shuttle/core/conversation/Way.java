package com.shuttle.core.conversation;

import com.shuttle.core.flow.Keyed;

/**
 * One stretch of the way that a turn took through the flows. Kept with the turn: analytics rest on it.
 *
 * @param what happened
 * @param flow and {@code step} where it happened; empty where the conversation stood nowhere
 * @param mark the exit, the arm or the speaker; empty for a step that was entered
 */
public record Way(What what, String flow, String step, String mark) {

    /** What happened on the way. */
    public enum What implements Keyed {
        /** A step began. */
        ENTERED,
        /** A step was left by an exit. */
        LEFT,
        /** An Experiment shared the visitor out to an arm. */
        ARM,
        /** The conversation passed to another speaker. */
        PASSED
    }
}
