package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.From;
import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.engine.Turn.Reason;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.HandOff;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wait;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * One turn of a conversation. A pure function of its arguments: equal playbooks, states, events and port replies give
 * equal turns. Thread-safe; holds no state.
 */
public final class Engine {

    private Engine() {}

    /**
     * Takes an event.
     *
     * @return the new state with what is to be done, or a refusal that leaves everything as it was
     */
    public static Turn take(Playbook playbook, State state, Event event, Ports ports) {
        Reason refusal = refusal(playbook, state, event);
        if (refusal != null) {
            return new Turn.Refused(refusal);
        }
        TurnRun run = new TurnRun(playbook, state, event.stamp(), ports);
        Walker walker = new Walker(run);
        switch (event) {
            case Event.Started started -> {
                run.arrived(started);
                run.stand(playbook.start());
                if (playbook.start() == null) {
                    run.say(Phrasebook.RESTING);
                }
            }
            case Event.Said said -> {
                run.say(From.VISITOR, "", said.text(), List.of());
                if (run.speaker() == Speaker.BOT) {
                    new Listener(run, walker).take(said.text());
                } else if (run.speaker() == Speaker.QUEUED) {
                    new Repairs(run, walker).leavesQueue(said.text());
                }
            }
            case Event.Confided confided -> {
                Value.Secret secret = new Value.Secret(confided.sealed());
                run.say(From.VISITOR, "", secret.shown(), List.of());
                answer(run, walker, secret);
            }
            case Event.Sent sent -> {
                Value.File file = new Value.File(sent.file(), sent.name());
                run.say(From.VISITOR, "", file.name(), List.of());
                answer(run, walker, file);
            }
            case Event.Picked picked -> {
                run.say(From.VISITOR, "", labels(state, picked.options()), List.of());
                run.trace("picked", labels(state, picked.options()));
                new Picks(run, walker, new Repairs(run, walker)).pick(picked.options());
            }
            case Event.TimeCame came -> {
                if (came.key().equals(state.quiet())) {
                    new Silence(run).broken();
                } else {
                    timeCame(run, walker);
                }
            }
            case Event.Signalled signalled -> {
                Step step = playbook.step(run.at());
                if (step instanceof Wait wait) {
                    run.trace("signal came", "");
                    if (!wait.variable().isBlank() && !signalled.text().isBlank()) {
                        run.facts.set(wait.variable(), new Value.Text(signalled.text()));
                    }
                    run.await(null);
                    walker.leave(wait, "came");
                }
            }
            case Event.AgentTook took -> {
                run.pass(Speaker.PERSON);
                run.say(Phrasebook.joined(took.agent()));
            }
            case Event.AgentSaid said -> run.say(From.AGENT, said.agent(), said.text(), List.of());
            case Event.AgentReturned ignored -> giveBack(run, walker);
            case Event.AgentClosed ignored -> close(run, walker);
        }
        walker.walk();
        rest(run, event);
        new Silence(run).after(event);
        return run.done();
    }

    /** Whether the bot waits for nothing in particular. */
    private static boolean rests(TurnRun run) {
        return run.speaker() == Speaker.BOT && run.at() == null && run.awaiting() == null;
    }

    /** What a conversation that rests after a visitor's word offers next. */
    private static void rest(TurnRun run, Event event) {
        boolean said = event instanceof Event.Said;
        if (!rests(run) || !said && !(event instanceof Event.Picked)) {
            return;
        }
        Response next = run.responses.of(Occasion.NEXT);
        if (next.on()) {
            List<Offer> offers = Offers.words(next.offers());
            run.responses.say(Occasion.NEXT, "", offers);
            run.await(offers.isEmpty() ? null : Awaiting.offering(Awaiting.Kind.NEXT, offers));
        } else if (said && run.silentSoFar()) {
            run.say(Phrasebook.RESTING);
        }
    }

    /**
     * Whether typed text is the secret that is being asked for, so that the shell must seal it ({@link Event.Confided})
     * before it is stored or logged: not a standing request, and not a question back.
     */
    public static boolean isSecret(Playbook playbook, State state, String text) {
        boolean asked = state.speaker() == Speaker.BOT
                && state.awaiting() != null
                && state.awaiting().kind() == Awaiting.Kind.QUESTION
                && state.awaiting().type() == ValueType.SECRET;
        return asked
                && Standing.of(text, playbook.release().standing()) == null
                && Reader.reply(ValueType.SECRET, text, new Context("GB", LocalDateTime.MIN)) instanceof Reading.Given
                && !(Words.looksLikeQuestion(text) && text.indexOf(' ') > 0);
    }

    private static void answer(TurnRun run, Walker walker, Value value) {
        if (run.playbook.step(run.at()) instanceof Question question) {
            run.trace("answer to the question", question.type().label());
            new Asking(run, walker).keep(question, value);
        }
    }

    private static void timeCame(TurnRun run, Walker walker) {
        Step step = run.playbook.step(run.at());
        if (run.speaker() == Speaker.QUEUED) {
            run.trace("nobody came", "");
            run.leaveQueue();
            if (step instanceof HandOff handOff) {
                walker.nobody(handOff.nobody());
                walker.leave(handOff, "nobody");
            }
        } else if (step instanceof Wait wait) {
            run.trace("time came", "");
            run.await(null);
            if (wait.signal() && wait.exit("too_late") == null) {
                run.say(Phrasebook.TOO_LONG);
            }
            walker.leave(wait, wait.signal() ? "too_late" : "went_on");
        }
    }

    private static void giveBack(TurnRun run, Walker walker) {
        Step step = run.playbook.step(run.at());
        run.pass(Speaker.BOT);
        if (step instanceof HandOff && step.exit("back") != null) {
            walker.leave(step, "back");
        } else {
            run.stand(null);
            run.say(Phrasebook.STILL_HERE);
        }
    }

    private static void close(TurnRun run, Walker walker) {
        Step step = run.playbook.step(run.at());
        if (step instanceof HandOff && step.exit("closed") != null) {
            run.pass(Speaker.BOT);
            walker.leave(step, "closed");
        } else {
            run.say(Phrasebook.CLOSED);
            run.pass(Speaker.ENDED);
        }
    }

    private static @Nullable Reason refusal(Playbook playbook, State state, Event event) {
        if (state.speaker() == Speaker.ENDED) {
            return Reason.ENDED;
        }
        boolean started = state.seq() > 0 || state.at() != null;
        if (started == event instanceof Event.Started) {
            return Reason.OUT_OF_ORDER;
        }
        return switch (event) {
            case Event.Picked picked -> offered(playbook, state, picked.options()) ? null : Reason.UNKNOWN_OPTION;
            case Event.AgentTook ignored -> state.speaker() == Speaker.PERSON ? Reason.ALREADY_TAKEN : null;
            case Event.Sent ignored -> asksFor(state, ValueType.FILE) ? null : Reason.NOT_ASKED;
            case Event.Confided ignored -> asksFor(state, ValueType.SECRET) ? null : Reason.NOT_ASKED;
            case Event.TimeCame(Stamp stamp, String key) ->
                waitsFor(state, key, false) || !key.isEmpty() && key.equals(state.quiet()) ? null : Reason.TOO_LATE;
            case Event.Signalled(Stamp stamp, String key, String text) ->
                waitsFor(state, key, true) ? null : Reason.TOO_LATE;
            case Event.AgentReturned ignored -> state.speaker() == Speaker.PERSON ? null : Reason.NOT_WITH_PERSON;
            case Event.AgentSaid ignored -> state.speaker() == Speaker.PERSON ? null : Reason.NOT_WITH_PERSON;
            case Event.AgentClosed ignored -> state.speaker() == Speaker.BOT ? Reason.NOT_WITH_PERSON : null;
            default -> null;
        };
    }

    private static boolean asksFor(State state, ValueType type) {
        return state.awaiting() != null
                && state.awaiting().kind() == Awaiting.Kind.QUESTION
                && state.awaiting().type() == type;
    }

    private static boolean waitsFor(State state, String key, boolean signal) {
        return state.awaiting() != null
                && !key.isEmpty()
                && state.awaiting().key().equals(key)
                && (!signal || state.awaiting().kind() == Awaiting.Kind.SIGNAL);
    }

    private static boolean offered(Playbook playbook, State state, List<String> options) {
        Awaiting awaiting = state.awaiting();
        boolean many = playbook.step(state.at()) instanceof Choice choice && choice.many();
        return awaiting != null
                && !options.isEmpty()
                && (options.size() == 1
                        || many && options.size() == Set.copyOf(options).size())
                && options.stream().allMatch(awaiting::offers);
    }

    private static String labels(State state, List<String> options) {
        return state.awaiting() == null
                ? String.join(", ", options)
                : state.awaiting().offers().stream()
                        .filter(offer -> options.contains(offer.id()))
                        .map(Message.Offer::label)
                        .collect(Collectors.joining(", "));
    }
}
