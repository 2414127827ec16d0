package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Place;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Step;

/** What whoever plays a step may do to the course of the conversation. For one turn. */
public interface Course {

    TurnRun run();

    /** Leaves a step by one of its exits. */
    void leave(Step step, String exit);

    /** Leaves a step by one of its exits. */
    default void leave(Step step, ExitSlot exit) {
        leave(step, exit.id());
    }

    /** Leaves a step by one of its exits if that leads anywhere, otherwise by another. */
    default void leave(Step step, ExitSlot exit, ExitSlot otherwise) {
        leave(step, step.exit(exit.id()) != null ? exit : otherwise);
    }

    /** Nothing more can be asked at a step: by its <i>gave up</i> exit, or by the offer of a person. */
    void giveUp(Step step);

    /** Goes to a place and comes back here afterwards. */
    void visit(Place place);

    /** Goes back to the bot's beginning, with nothing known of what was told. */
    void startAgain();

    /** Says that nobody is there to take over. @param own words of a step; may be empty */
    void nobody(String own);

    /** Puts what is awaited again, in fewer words. Where nothing is, nothing is said. */
    void putAgain();

    /** Listens to words as if the visitor had just typed them. */
    void hear(String text);
}
