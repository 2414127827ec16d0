package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.From;
import com.shuttle.core.engine.Turn.Reason;
import com.shuttle.core.flow.Step;
import java.util.List;
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
        Reason refusal = refusal(state, event);
        if (refusal != null) {
            return new Turn.Refused(refusal);
        }
        TurnRun run = new TurnRun(playbook, state, event.stamp(), ports);
        Walker walker = new Walker(run);
        switch (event) {
            case Event.Started started -> {
                run.arrivedFrom(started.channel(), started.page());
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
            case Event.Picked picked -> {
                run.say(From.VISITOR, "", label(state, picked.options().getFirst()), List.of());
                run.trace("picked", label(state, picked.options().getFirst()));
                new Listener(run, walker).pick(picked.options().getFirst());
            }
            case Event.AgentTook took -> {
                run.pass(Speaker.PERSON);
                run.say(Phrasebook.joined(took.agent()));
            }
            case Event.AgentSaid said -> run.say(From.AGENT, said.agent(), said.text(), List.of());
            case Event.AgentClosed ignored -> close(run, walker);
        }
        walker.walk();
        return run.done();
    }

    private static void close(TurnRun run, Walker walker) {
        Step step = run.playbook.step(run.at());
        if (step instanceof Step.HandOff && step.exit("closed") != null) {
            run.pass(Speaker.BOT);
            walker.leave(step, "closed");
        } else {
            run.say(Phrasebook.CLOSED);
            run.pass(Speaker.ENDED);
        }
    }

    private static @Nullable Reason refusal(State state, Event event) {
        if (state.speaker() == Speaker.ENDED) {
            return Reason.ENDED;
        }
        boolean started = state.seq() > 0 || state.at() != null;
        if (started == event instanceof Event.Started) {
            return Reason.OUT_OF_ORDER;
        }
        return switch (event) {
            case Event.Picked picked -> offered(state, picked.options()) ? null : Reason.UNKNOWN_OPTION;
            case Event.AgentTook ignored -> state.speaker() == Speaker.PERSON ? Reason.ALREADY_TAKEN : null;
            case Event.AgentSaid ignored -> state.speaker() == Speaker.PERSON ? null : Reason.NOT_WITH_PERSON;
            case Event.AgentClosed ignored -> state.speaker() == Speaker.BOT ? Reason.NOT_WITH_PERSON : null;
            default -> null;
        };
    }

    private static boolean offered(State state, List<String> options) {
        return options.size() == 1
                && state.awaiting() != null
                && state.awaiting().offers(options.getFirst());
    }

    private static String label(State state, String option) {
        return state.awaiting() == null
                ? option
                : state.awaiting().offers().stream()
                        .filter(offer -> offer.id().equals(option))
                        .map(Message.Offer::label)
                        .findFirst()
                        .orElse(option);
    }
}
