package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.steps.Player;
import com.shuttle.core.engine.steps.Players;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What keeps a conversation on its feet: standing requests, corrections, not being understood. */
final class Repairs {

    private static final Pattern CORRECTS = Pattern.compile(
            "\\b(?:sorry|actually|correction|wrong|i meant|i mean|change|should be|not right|mistake|typo|no wait)\\b",
            Pattern.CASE_INSENSITIVE);

    private final TurnRun run;
    private final Walker walker;

    Repairs(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    @Nullable
    Heard standingRequest(String text) {
        Standing request = Standing.of(text, run.playbook.release().standing());
        return request == null ? null : new Heard("standing request", request.label(), () -> grant(request));
    }

    private void grant(Standing request) {
        switch (request) {
            case PERSON -> {
                if (!walker.requestPerson()) {
                    walker.putAgain();
                }
            }
            case START_AGAIN -> walker.startAgain();
            case MENU -> {
                run.forgetPlaces();
                Place menu =
                        run.playbook.first(Choice.class, run.playbook.release().mainFlow());
                run.stand(menu != null ? menu : run.playbook.start());
            }
            case STOP -> {
                run.say(Phrasebook.ENDED);
                run.pass(Speaker.ENDED);
            }
            case BACK -> {
                Place before = run.takeAnswered();
                if (before == null) {
                    run.say(Phrasebook.NOTHING_BEFORE);
                    walker.putAgain();
                } else {
                    Players.of(run.playbook.step(before), walker).forget();
                    run.stand(before);
                }
            }
        }
    }

    /** While the visitor waits for a person only some requests are heard; the rest is for the person. */
    void leavesQueue(String text) {
        Standing request = Standing.of(text, run.playbook.release().standing());
        switch (request) {
            case MENU, START_AGAIN, STOP -> {
                run.pass(Speaker.BOT);
                run.trace("standing request", request.label());
                grant(request);
            }
            case BACK -> {
                run.pass(Speaker.BOT);
                run.trace("standing request", "back to the bot");
                run.stand(null);
                run.say(Phrasebook.STILL_HERE);
            }
            case PERSON -> {}
            case null -> {}
        }
    }

    /** "Sorry, my email is …" changes that variable and nothing else. */
    @Nullable
    Heard change(String text) {
        if (!CORRECTS.matcher(text).find()) {
            return null;
        }
        Awaiting awaiting = run.awaiting();
        Wanted asked = awaiting == null ? null : walker.player().wanted(awaiting);
        for (Slot slot : run.playbook.slots()) {
            Value before = run.facts.value(slot.name());
            if (before == null || asked != null && slot.name().equals(asked.variable())) {
                continue;
            }
            Value after = changed(slot, text);
            if (after != null && !after.equals(before)) {
                return new Heard("changed", slot.name() + " to " + after.shown(), () -> {
                    run.facts.set(slot.name(), after);
                    run.say("Thanks, I've changed that to " + Texts.escaped(after.shown()) + ".");
                    walker.putAgain();
                });
            }
        }
        return null;
    }

    private @Nullable Value changed(Slot slot, String text) {
        boolean telling =
                slot.type() == ValueType.EMAIL || slot.type() == ValueType.PHONE || SeveralReader.names(text, slot);
        if (!telling) {
            return null;
        }
        Map<String, Reading> read = SeveralReader.read(
                text, List.of(slot), run.around().context(), run.around().meaning());
        return read.get(slot.name()) instanceof Reading.Given(Value value, int start, int end) ? value : null;
    }

    void notUnderstood(String text) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting == null || step == null) {
            run.trace("not understood", "nothing was asked");
            run.gap(text);
            run.responses.say(Occasion.NOT_FOUND);
            return;
        }
        if (awaiting instanceof Awaiting.Time || awaiting instanceof Awaiting.Signal) {
            run.trace("not understood", "while waiting");
            run.say(Phrasebook.STILL_WAITING);
            return;
        }
        Awaiting tried = awaiting.onceMore();
        Player player = walker.player();
        run.await(tried);
        run.trace("not understood", "try " + tried.tries());
        if (tried.tries() >= player.tries()) {
            walker.giveUp(step);
            return;
        }
        Wanted wanted = player.wanted(tried);
        if (wanted != null) {
            help(wanted, tried);
        } else {
            run.say("Sorry, I didn't get that.");
            walker.putAgain();
        }
    }

    /** Error words; from the second try on with an example. */
    private void help(Wanted wanted, Awaiting tried) {
        String own = run.filled(wanted.retry());
        String words = own.isBlank() ? Phrasebook.retry(wanted.type(), tried.tries()) : own;
        boolean example = tried.tries() > 1 && !wanted.example().isBlank();
        run.sayOneOf(List.of(example ? words + " For example: " + wanted.example() : words), tried.offers());
    }
}
