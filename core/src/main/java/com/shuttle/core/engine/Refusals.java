package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn.Reason;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.ValueType;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Why an event does not fit a conversation as it stands. Pure functions. */
final class Refusals {

    private Refusals() {}

    /** Null where it fits. */
    static @Nullable Reason of(Playbook playbook, State state, Event event) {
        if (state.speaker() == Speaker.ENDED) {
            return Reason.ENDED;
        }
        boolean started = state.seq() > 0 || state.at() != null;
        if (started == event instanceof Event.Started) {
            return Reason.OUT_OF_ORDER;
        }
        return switch (event) {
            case Event.Started ignored -> null;
            case Event.Said ignored -> null;
            case Event.Picked picked -> offered(playbook, state, picked.options()) ? null : Reason.UNKNOWN_OPTION;
            case Event.Sent ignored -> asksFor(state, ValueType.FILE) ? null : Reason.NOT_ASKED;
            case Event.Confided ignored -> asksFor(state, ValueType.SECRET) ? null : Reason.NOT_ASKED;
            case Event.TimeCame came ->
                awaited(state, came.key()) != null && !brings(awaited(state, came.key()))
                                || !came.key().isEmpty() && came.key().equals(state.quiet())
                        ? null
                        : Reason.TOO_LATE;
            case Event.Signalled signalled ->
                awaited(state, signalled.key()) instanceof Awaiting.Signal
                                || state.signals().awaits(signalled.key())
                        ? null
                        : Reason.TOO_LATE;
            case Event.Came came -> brings(awaited(state, came.key())) ? null : Reason.TOO_LATE;
            case Event.Informed ignored -> null;
            case Event.BotGone ignored -> null;
            case Event.AgentTook took -> tookTwice(state, took);
            case Event.AgentReturned ignored -> withPerson(state, ignored);
            case Event.AgentSaid ignored -> withPerson(state, ignored);
            case Event.AgentClosed closed ->
                switch (state.speaker()) {
                    case BOT, ENDED -> Reason.NOT_WITH_PERSON;
                    case QUEUED -> null;
                    case PERSON -> withPerson(state, closed);
                };
        };
    }

    private static @Nullable Reason tookTwice(State state, Event.AgentTook took) {
        if (state.speaker() != Speaker.PERSON) {
            return null;
        }
        return took.over() && !took.account().equals(state.agent()) ? null : Reason.ALREADY_TAKEN;
    }

    /** Only the person who has the conversation may do with it. */
    private static @Nullable Reason withPerson(State state, Event.OfAgent event) {
        if (state.speaker() != Speaker.PERSON) {
            return Reason.NOT_WITH_PERSON;
        }
        return state.agent().isEmpty() || state.agent().equals(event.account()) ? null : Reason.NOT_YOURS;
    }

    private static boolean asksFor(State state, ValueType type) {
        return state.awaiting() instanceof Awaiting.Reply reply && reply.type() == type;
    }

    /** What is awaited under a key, now or once what a question needs has come; null for nothing. */
    private static @Nullable Awaiting awaited(State state, String key) {
        Awaiting awaiting = beneath(state.awaiting());
        Awaiting then = awaiting instanceof Awaiting.Result result ? beneath(result.resumes()) : null;
        if (key.isEmpty() || awaiting == null) {
            return null;
        }
        return awaiting.key().equals(key)
                ? awaiting
                : then != null && then.key().equals(key) ? then : null;
    }

    /** Whether what is awaited comes by an errand. */
    private static boolean brings(@Nullable Awaiting awaiting) {
        return awaiting instanceof Awaiting.Result || awaiting instanceof Awaiting.Called;
    }

    /** A step goes on waiting while something is offered aside. */
    private static @Nullable Awaiting beneath(@Nullable Awaiting awaiting) {
        return awaiting == null ? null : awaiting.beneath();
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
}
