package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.steps.GivenAway;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.reading.Reading;
import java.util.Map;

/** Does what the claims that won come to. For one turn. */
final class Performer {

    private final TurnRun run;
    private final Walker walker;
    private final Requests requests;
    private final Asides asides;
    private final Questions questions;
    private final GivenAway givenAway;

    Performer(Walker walker, Requests requests, Asides asides, Questions questions, GivenAway givenAway) {
        this.run = walker.run();
        this.walker = walker;
        this.requests = requests;
        this.asides = asides;
        this.questions = questions;
        this.givenAway = givenAway;
    }

    /** What belongs to a step is done by its player, all else by whoever proposed it. */
    void perform(Move move) {
        switch (move) {
            case Move.OfStep step -> walker.player().perform(step);
            case Move.Resume(Awaiting before, Move.OfStep then) -> {
                run.await(before);
                walker.player().perform(then);
            }
            case Move.OfTalk talk -> perform((TalkMove) talk);
        }
    }

    private void perform(TalkMove talk) {
        switch (talk) {
            case TalkMove.OfRequest request -> requests.perform(request);
            case TalkMove.OfVisitor visitor -> asides.perform(visitor);
            case TalkMove.OfKnowledge knowledge -> questions.perform(knowledge);
            case TalkMove.OfPast past -> new Redoing(walker, ClauseActs.UNKNOWN).perform(past);
            case TalkMove.OfOffer offer -> new Picks(walker).perform(offer);
            case TalkMove.Mend mend -> new Mending(walker).perform(mend);
            case TalkMove.Keep(String variable, Reading.Given given) -> givenAway.keep(Map.of(variable, given));
        }
    }
}
