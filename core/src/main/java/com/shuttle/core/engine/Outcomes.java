package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What follows when a turn leaves nothing to be done: what the designer has set for what came of it, a flow or things to pick
 * from, or else what the bot offers at rest. While something is being asked nothing follows, so that no question is lost.
 */
final class Outcomes {

    private final TurnRun run;
    private final Walker walker;

    Outcomes(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    void follow(Event event) {
        boolean said = event instanceof Event.Said;
        if (!rests() || !said && !(event instanceof Event.Picked)) {
            return;
        }
        Response outcome = run.responses.outcome();
        Place flow = outcome == null ? null : run.responses.follows(outcome);
        if (!run.responses.next().isEmpty()) {
            offer(null, Offers.words(run.responses.next()));
        } else if (flow != null) {
            run.trace("what follows", run.playbook.nameOf(flow.flow()));
            walker.visit(flow);
            walker.walk();
        } else if (outcome != null && !outcome.offers().isEmpty()) {
            offer(null, Offers.words(outcome.offers()));
        } else {
            rest(said);
        }
    }

    private boolean rests() {
        return run.speaker() == Speaker.BOT && run.at() == null && run.awaiting() == null;
    }

    private void rest(boolean said) {
        Response next = run.responses.of(Occasion.NEXT);
        if (next.on()) {
            offer(Occasion.NEXT, Offers.words(next.offers()));
        } else if (said && run.silentSoFar()) {
            run.say(Phrasebook.RESTING);
        }
    }

    /** @param occasion whose words stand above; null for the usual ones */
    private void offer(@Nullable Occasion occasion, List<Offer> offers) {
        if (occasion == null) {
            run.sayOneOf(List.of(Phrasebook.RESTING), offers);
        } else {
            run.responses.say(occasion, "", offers);
        }
        run.await(offers.isEmpty() ? null : new Awaiting.Next(offers));
    }
}
