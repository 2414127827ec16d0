package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Message.From;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.World;
import com.shuttle.core.engine.turn.Needed;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * One turn of a conversation. A pure function of its arguments: equal playbooks, states, events and replies of the world
 * give equal turns. Thread-safe; holds no state.
 */
public final class Engine {

    /**
     * Grows whenever the same events may lead to other turns than before. What was decided is kept with each turn, so that
     * conversations of earlier versions show as they were and go on from where they stand.
     */
    public static final int VERSION = 14;

    private static final JsonMapper MAPPER = JsonMapper.shared();

    private Engine() {}

    /**
     * Takes an event.
     *
     * @return the new state with what is to be done, or a refusal that leaves everything as it was
     */
    public static Turn take(Playbook playbook, State state, Event event, World world) {
        Turn.Reason refusal = Refusals.of(playbook, state, event);
        if (refusal != null) {
            return new Turn.Refused(refusal);
        }
        TurnRun run = new TurnRun(playbook, state, event.stamp(), world);
        if (!(state.awaiting() instanceof Awaiting.Result result) || event.aside()) {
            return taken(playbook, state, run, event, true, Map.of(), world);
        }
        Map<String, Finding> opinions = new HashMap<>(result.opinions());
        if (event instanceof Event.Came(var stamp, String key, JsonNode came) && key.equals(result.key())) {
            boolean some = came != null && !came.isNull();
            if (some) {
                Finding finding = MAPPER.treeToValue(came, Finding.class);
                opinions.put(result.question(), finding);
            }
            run.await(result.resumes());
            run.opinions.believe(opinions, some);
            return taken(playbook, state, run, result.event(), false, opinions, world);
        }
        // Neither the visitor nor anything else waits: what was said before is taken without the opinion.
        run.await(result.resumes());
        run.opinions.believe(opinions, false);
        play(run, result.event(), false);
        if (Refusals.of(playbook, run.state(), event) == null) {
            play(run, event, true);
        }
        return run.done();
    }

    /** Takes an event, or ends waiting for what it needs to know. */
    private static Turn.Taken taken(
            Playbook playbook,
            State state,
            TurnRun run,
            Event event,
            boolean shown,
            Map<String, Finding> opinions,
            World world) {
        Awaiting resumes = run.awaiting();
        try {
            play(run, event, shown);
            return run.done();
        } catch (Needed needed) {
            TurnRun waiting = new TurnRun(playbook, state, run.stamp(), world);
            if (shown) {
                show(waiting, event);
            }
            String key = waiting.newKey();
            waiting.trace("language model", "is asked about “" + needed.question() + "”");
            waiting.send(
                    new Errand.Consult(key, needed.question(), needed.finding()),
                    new Awaiting.Result(key, needed.question(), event, resumes, opinions));
            return waiting.done();
        }
    }

    /** Shows the visitor's own words in the transcript. */
    private static void show(TurnRun run, Event event) {
        switch (event) {
            case Event.Said said -> run.say(From.VISITOR, "", said.text(), List.of());
            case Event.Confided confided ->
                run.say(From.VISITOR, "", new Value.Secret(confided.sealed()).shown(), List.of());
            case Event.Sent sent -> run.say(From.VISITOR, "", sent.name(), List.of());
            case Event.Picked picked -> run.say(From.VISITOR, "", labels(run.awaiting(), picked.options()), List.of());
            default -> {}
        }
    }

    /** Plays an event until the conversation waits, is passed on or ends. */
    private static void play(TurnRun run, Event event, boolean shown) {
        Walker walker = new Walker(run);
        if (shown) {
            show(run, event);
        }
        switch (event) {
            case Event.Started started -> {
                run.arrived(started);
                run.stand(run.playbook.startOr(started.flow()));
                if (run.at() == null) {
                    run.say(Phrasebook.RESTING);
                }
            }
            case Event.Said said -> {
                if (run.speaker() == Speaker.BOT) {
                    walker.hear(said.text());
                } else if (run.speaker() == Speaker.QUEUED) {
                    new Requests(run, walker).leavesQueue(said.text());
                }
            }
            case Event.Confided confided -> walker.player().given(new Value.Secret(confided.sealed()));
            case Event.Sent sent -> walker.player().given(new Value.File(sent.file(), sent.name()));
            case Event.Picked picked -> {
                run.trace("picked", labels(run.awaiting(), picked.options()));
                new Picks(walker).pick(picked.options());
            }
            case Event.TimeCame came -> {
                if (came.key().equals(run.quiet())) {
                    new Silence(run, walker).broken();
                } else {
                    timeCame(run, walker);
                }
            }
            case Event.Signalled signalled -> signalled(run, walker, signalled);
            case Event.Came came -> {
                leaveAside(run);
                walker.player().came(came.result());
            }
            case Event.Informed informed -> run.facts.knownBefore(informed.values());
            case Event.AgentTook took -> {
                if (run.speaker() != Speaker.PERSON) {
                    run.pass(Speaker.PERSON);
                }
                run.heldBy(took.account());
                run.say(Phrasebook.joined(took.agent()));
            }
            case Event.AgentSaid said -> run.say(From.AGENT, said.agent(), said.text(), List.of());
            case Event.AgentReturned ignored -> {
                run.pass(Speaker.BOT);
                walker.player().returned();
            }
            case Event.AgentClosed ignored -> walker.player().closed();
            case Event.BotGone ignored -> {
                run.say(Phrasebook.GONE);
                run.pass(Speaker.ENDED);
            }
        }
        walker.walk();
        new Outcomes(run, walker).follow(event);
        new Silence(run, walker).after(event);
    }

    /** A signal whose address was given out ahead may come before its step is reached. */
    private static void signalled(TurnRun run, Walker walker, Event.Signalled signalled) {
        Awaiting awaiting = run.awaiting();
        if (awaiting != null && awaiting.beneath().key().equals(signalled.key())) {
            leaveAside(run);
            walker.player().signalled(signalled.text(), signalled.body());
        } else {
            run.signals.keep(signalled.key(), signalled.text(), signalled.body());
        }
    }

    /** What ends by itself ends what was begun aside of it. */
    private static void leaveAside(TurnRun run) {
        if (run.awaiting() instanceof Awaiting.Own own) {
            run.await(own.resumes());
        }
    }

    private static void timeCame(TurnRun run, Walker walker) {
        leaveAside(run);
        if (run.speaker() == Speaker.QUEUED) {
            run.trace("nobody came", "");
            run.pass(Speaker.BOT);
        }
        walker.player().timeCame();
    }

    /** Whether a message asks for something that every bot hears at any time, such as a person; it is no question then. */
    public static boolean isStandingRequest(String text) {
        return Standing.of(text) != null;
    }

    /**
     * Whether typed text is the secret that is being asked for, so that the shell must seal it ({@link Event.Confided})
     * before it is stored or logged: not a standing request, and not a question back.
     */
    public static boolean isSecret(Playbook playbook, State state, String text) {
        boolean asked = state.speaker() == Speaker.BOT
                && state.awaiting() instanceof Awaiting.Reply reply
                && reply.type() == ValueType.SECRET;
        return asked
                && Standing.of(text, playbook.release().standing()) == null
                && Reader.reply(ValueType.SECRET, text, new Context("GB", LocalDateTime.MIN)) instanceof Reading.Given
                && !(Words.looksLikeQuestion(text) && text.indexOf(' ') > 0);
    }

    private static String labels(@Nullable Awaiting awaiting, List<String> options) {
        return awaiting == null
                ? String.join(", ", options)
                : awaiting.offers().stream()
                        .filter(offer -> options.contains(offer.id()))
                        .map(Message.Offer::label)
                        .collect(Collectors.joining(", "));
    }
}
