package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import java.util.List;

/** What the bot says of its own accord, as its profile has it. */
public final class Responses {

    private final TurnRun run;

    public Responses(TurnRun run) {
        this.run = run;
    }

    public Response of(Occasion occasion) {
        return run.playbook.release().profile().response(occasion);
    }

    /** Says what the bot says on an occasion, if it says anything then. */
    public void say(Occasion occasion) {
        say(occasion, "", List.of());
    }

    /** @param own a step's own words, which go before the bot's; may be empty */
    public void say(Occasion occasion, String own) {
        say(occasion, own, List.of());
    }

    public void say(Occasion occasion, String own, List<Offer> offers) {
        List<String> wordings =
                own.isBlank() ? of(occasion).wordings(run.around().inHours()) : List.of(own);
        if (!wordings.isEmpty()) {
            run.sayOneOf(wordings, offers);
        }
    }
}
