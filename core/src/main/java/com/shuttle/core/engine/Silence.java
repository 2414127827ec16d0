package com.shuttle.core.engine;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;

/**
 * The visitor's silence: after a time they are asked once whether they are still there, and after another the conversation
 * is closed, where the bot is set so. The time runs from the visitor's last word while the bot waits for them, not while it
 * waits for a time, a signal or a person.
 */
final class Silence {

    private static final int SECONDS = 60;

    private final TurnRun run;
    private final Walker walker;

    Silence(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    /** The time has come. */
    void broken() {
        if (!run.nudged() && run.responses.of(Occasion.SILENCE).on()) {
            run.trace("silence", "asks whether the visitor is still there");
            run.responses.say(Occasion.SILENCE);
            listen(Occasion.CLOSING, true);
            Place flow = run.responses.follows(run.responses.of(Occasion.SILENCE));
            if (flow != null) {
                walker.visit(flow);
            }
        } else {
            run.trace("silence", "closes the conversation");
            run.responses.say(Occasion.CLOSING);
            run.pass(Speaker.ENDED);
        }
    }

    /** Begins to listen after a turn, anew with every word of the visitor. */
    void after(Event event) {
        boolean waitsOtherwise = run.awaiting() != null && run.awaiting().endsByItself();
        if (run.speaker() != Speaker.BOT || waitsOtherwise) {
            run.listen("", false);
        } else if (event.ofVisitor()) {
            listen(run.responses.of(Occasion.SILENCE).on() ? Occasion.SILENCE : Occasion.CLOSING, false);
        }
    }

    private void listen(Occasion until, boolean asked) {
        Response response = run.responses.of(until);
        run.listen(response.on() ? run.timer((long) response.minutes() * SECONDS) : "", asked);
    }
}
