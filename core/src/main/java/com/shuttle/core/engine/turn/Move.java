package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Awaiting;

/**
 * What is done for a claim that wins, as data: it can be compared, shown and kept, and nothing happens before it is performed. What
 * belongs to a step is performed by its player, all else by the conversation.
 */
public sealed interface Move {

    /** Of the step that the conversation stands at, or of what was begun aside of it. */
    sealed interface OfStep extends Move permits StepMove, TimesMove {}

    /** Of the conversation, whatever step it stands at. */
    non-sealed interface OfTalk extends Move {}

    /** Goes back to what was awaited before, and does something there. */
    record Resume(Awaiting before, OfStep then) implements Move {}
}
