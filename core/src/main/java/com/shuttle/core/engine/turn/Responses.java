package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What the bot says of its own accord, as its profile has it. */
public final class Responses {

    private final TurnRun run;

    /** What has come of the turn so far. */
    private @Nullable Occasion outcome;

    private List<String> next = List.of();

    public Responses(TurnRun run) {
        this.run = run;
    }

    public Response of(Occasion occasion) {
        return run.playbook.release().profile().response(occasion);
    }

    /** What an answer offers next, where nothing else is asked; goes before what the bot offers. */
    public void offerNext(List<String> words) {
        next = words.isEmpty() ? next : words;
    }

    public List<String> next() {
        return next;
    }

    /** What has come of the turn that something of the bot's own may follow; null for nothing. */
    public @Nullable Response outcome() {
        return outcome == null ? null : of(outcome);
    }

    /** The place where the flow begins that follows an occasion; null for none, or where the conversation is in it already. */
    public @Nullable Place follows(Response response) {
        Place here = run.at();
        Place start = response.flow().isEmpty() ? null : run.playbook.startOf(response.flow());
        return start == null || here != null && here.flow().equals(start.flow()) ? null : start;
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
        outcome = occasion.leads() ? occasion : outcome;
        List<String> wordings =
                own.isBlank() ? of(occasion).wordings(run.around().inHours()) : List.of(own);
        if (!wordings.isEmpty()) {
            run.sayOneOf(wordings, offers);
        }
    }
}
