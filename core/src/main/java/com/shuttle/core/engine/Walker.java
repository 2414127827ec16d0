package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Way;
import com.shuttle.core.engine.steps.OwnBookingPlayer;
import com.shuttle.core.engine.steps.Player;
import com.shuttle.core.engine.steps.Players;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import java.util.function.Consumer;

/** Plays steps one after the other until the conversation waits, is passed on or ends. */
final class Walker implements Course {

    /** A turn that takes more steps than this without waiting is going round in circles. */
    static final int MOST_STEPS = 200;

    private final TurnRun run;
    private final Consumer<String> listener;

    Walker(TurnRun run) {
        this.run = run;
        this.listener = text -> new Listener(run, this).take(text);
    }

    @Override
    public TurnRun run() {
        return run;
    }

    /** Whoever plays the step that the conversation stands at, or what was begun aside of it. */
    Player player() {
        return run.awaiting() instanceof Awaiting.Own own
                ? new OwnBookingPlayer(own, this)
                : Players.of(run.playbook.step(run.at()), this);
    }

    void walk() {
        int steps = 0;
        while (run.walking()) {
            if (++steps > MOST_STEPS) {
                run.trace("stopped", "more than " + MOST_STEPS + " steps without waiting");
                run.say(Phrasebook.APOLOGY);
                run.stand(null);
                requestPerson();
                return;
            }
            run.mark(Way.What.ENTERED, "");
            player().enter();
        }
    }

    @Override
    public void leave(Step step, String slot) {
        run.mark(Way.What.LEFT, slot);
        Target target = step.exit(slot);
        Place here = run.at();
        Place there = here == null ? null : run.playbook.place(target, here.flow());
        if (there != null) {
            run.stand(there);
            return;
        }
        if (target instanceof Target.End) {
            run.stand(null);
            run.pass(Speaker.ENDED);
            return;
        }
        Place back = run.takeReturn();
        if (back == null) {
            run.trace(
                    "rests", target instanceof Target.Back ? "nothing to come back to" : "the exit leads nowhere yet");
            run.stand(null);
            return;
        }
        run.trace("comes back", run.playbook.nameOf(back.flow()));
        run.stand(back);
        player().cameBack();
    }

    @Override
    public void visit(Place place) {
        Place here = run.at();
        if (here != null) {
            run.comeBackTo(here);
        }
        run.stand(place);
    }

    @Override
    public void startAgain() {
        run.forgetPlaces();
        run.facts.forgetAll();
        run.stand(run.playbook.start());
    }

    @Override
    public void giveUp(Step step) {
        run.trace("gave up", step.name());
        run.await(null);
        if (step.exit(Question.GAVE_UP.id()) != null) {
            leave(step, Question.GAVE_UP);
            return;
        }
        run.say(Phrasebook.OFFER_PERSON);
        if (!requestPerson()) {
            run.stand(null);
            run.say(Phrasebook.RESTING);
        }
    }

    @Override
    public void nobody(String own) {
        run.responses.say(run.around().inHours() ? Occasion.BUSY : Occasion.CLOSED, own);
    }

    @Override
    public void putAgain() {
        Awaiting awaiting = run.awaiting();
        if (awaiting != null) {
            player().putAgain(awaiting);
        }
    }

    @Override
    public void hear(String text) {
        listener.accept(text);
    }

    /**
     * The visitor wants a person, or the bot can do no more: by the flow that the designer has chosen for that, from its
     * beginning, or by the bot's own words.
     *
     * @return whether the place was left; otherwise nobody was there and the pending question should be put again
     */
    boolean requestPerson() {
        Place flow = run.playbook.personFlow();
        Place here = run.at();
        if (flow != null && (here == null || !here.flow().equals(flow.flow()))) {
            run.trace("wants a person", run.playbook.nameOf(flow.flow()));
            visit(flow);
            return true;
        }
        String team = run.playbook.release().profile().team();
        if (run.ask(new Query.Staffed(team))) {
            run.responses.say(Occasion.HANDED_OVER);
            run.queue(team);
            return true;
        }
        nobody("");
        Response outcome = run.responses.outcome();
        Place then = outcome == null ? null : run.responses.follows(outcome);
        if (then != null) {
            visit(then);
        }
        return then != null;
    }
}
