package com.shuttle.channels;

import static java.util.Objects.requireNonNullElse;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.shuttle.channels.Dispatch.State;
import com.shuttle.chat.Conversation;
import com.shuttle.chat.ConversationService;
import com.shuttle.chat.LiveHub;
import com.shuttle.core.channel.PhoneKind;
import com.shuttle.core.channel.Piece;
import com.shuttle.core.channel.TextParts;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.web.AfterCommit;
import com.shuttle.web.Attempts;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import com.shuttle.web.Went;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Delivers messages to phones, those to one person one after the other. A message is a row, written with its turn; the persistent
 * scheduler delivers it after that, again after growing pauses, for a day. It bears the same id each time, so that it comes at
 * least once and a repetition is known. Thread-safe.
 */
@Service
public class Dispatcher {

    private static final Logger LOG = LoggerFactory.getLogger(Dispatcher.class);
    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("channel-message");
    private static final Duration TRIED_FOR = Duration.ofDays(1);

    private final DispatchStore store;
    private final ChannelStore channels;
    private final Gateway gateway;
    private final Attempts planned;
    private final ObjectProvider<ConversationService> conversations;
    private final LiveHub hub;
    private final InstantSource clock;
    private final Cache<Contact.Reached, ReentrantLock> order =
            Caffeine.newBuilder().weakValues().build();

    Dispatcher(
            DispatchStore store,
            ChannelStore channels,
            Gateway gateway,
            ObjectProvider<Scheduler> scheduler,
            ObjectProvider<ConversationService> conversations,
            LiveHub hub,
            InstantSource clock) {
        this.store = store;
        this.channels = channels;
        this.gateway = gateway;
        this.planned = new Attempts(TASK, scheduler);
        this.conversations = conversations;
        this.hub = hub;
        this.clock = clock;
    }

    /** What is on its way on a channel and what has arrived, newest first. */
    public Page<Dispatch> dispatches(String channel, Wanted wanted) {
        return store.dispatches(channel, wanted);
    }

    /**
     * Where somebody is reached by phone.
     *
     * @param stuck messages that have not gone out, oldest first
     */
    public record Reach(Channel channel, String number, List<Dispatch> stuck) {

        /** What has become of the last of those that are stuck; empty where none is. */
        public String trouble() {
            return stuck.isEmpty() ? "" : stuck.getLast().state().label();
        }
    }

    /** How the visitor of a conversation is reached; empty where not by phone. */
    public Optional<Reach> reach(Conversation conversation) {
        return Contact.of(conversation)
                .flatMap(reached -> channels.channel(reached.channel())
                        .map(channel -> new Reach(channel, reached.number(), store.stuck(conversation.id()))));
    }

    /** Keeps messages that are to be sent, in the present transaction. @param conversation null for the channel's own words */
    void send(Channel channel, String number, @Nullable String conversation, List<Piece> pieces, Instant at) {
        for (Piece piece : pieces) {
            String id = Ids.next();
            int parts = channel.kind() == PhoneKind.TEXT
                    ? TextParts.of(piece.text()).parts()
                    : 1;
            store.insert(new Dispatch(
                    0,
                    id,
                    channel.id(),
                    number,
                    conversation,
                    piece,
                    parts,
                    State.WAITING,
                    0,
                    "",
                    at,
                    at.plus(TRIED_FOR),
                    null));
            planned.plan(id, at);
        }
    }

    /** Somebody has written again, so that what was withheld from them may be sent. In the present transaction. */
    void reachable(Contact.Reached reached, Instant now) {
        for (Dispatch dispatch : store.in(reached, State.WITHHELD)) {
            store.wait(dispatch.id(), now.plus(TRIED_FOR));
            planned.plan(dispatch.id(), now);
        }
    }

    /** Tries once more what failed. @throws Missing if there is no such message */
    @Transactional
    public void again(String channel, String id) {
        Dispatch dispatch = of(channel, id).orElseThrow(() -> new Missing("message", id));
        if (dispatch.failed()) {
            store.wait(id, clock.instant().plus(TRIED_FOR));
            planned.anew(id, clock.instant());
        }
    }

    /** The gateway tells how far a message is. @return whether it knows the message */
    @Transactional
    public boolean told(Channel channel, String id, State state, String why) {
        // It may be told while it is noted that the gateway has taken the message; then it is looked at once more.
        boolean moved = false;
        Optional<Dispatch> dispatch = of(channel.id(), id);
        while (!moved && dispatch.filter(one -> one.state().before(state)).isPresent()) {
            Dispatch one = dispatch.get();
            moved = move(one, state, one.attempts(), why, clock.instant());
            dispatch = of(channel.id(), id);
        }
        return dispatch.isPresent();
    }

    private Optional<Dispatch> of(String channel, String id) {
        return store.dispatch(id).filter(one -> one.channel().equals(channel));
    }

    /** Delivers what waits for somebody, up to one message. @return how many attempts there were where there is to be another */
    int deliver(String id) {
        Dispatch last = store.dispatch(id).orElse(null);
        if (last == null) {
            return Attempts.DONE;
        }
        Contact.Reached reached = new Contact.Reached(last.channel(), last.number());
        ReentrantLock lock = order.get(reached, key -> new ReentrantLock());
        lock.lock();
        try {
            Optional<Dispatch> next = store.next(reached, last.ordinal());
            while (next.isPresent()) {
                int attempts = deliver(reached, next.get());
                if (attempts != Attempts.DONE) {
                    return attempts;
                }
                next = store.next(reached, last.ordinal());
            }
            return Attempts.DONE;
        } finally {
            lock.unlock();
        }
    }

    private int deliver(Contact.Reached reached, Dispatch dispatch) {
        Channel channel = channels.channel(reached.channel()).orElse(null);
        if (channel == null) {
            move(dispatch, State.FAILED, dispatch.attempts(), "The channel is gone.", null);
            return Attempts.DONE;
        }
        Contact contact = channels.contact(reached.channel(), reached.number()).orElse(null);
        // What the channel says of its own accord confirms that somebody stopped it.
        if (contact != null && contact.stopped() && dispatch.conversation() != null) {
            move(dispatch, State.STOPPED, dispatch.attempts(), "", null);
            return Attempts.DONE;
        }
        if (contact != null
                && !(dispatch.piece() instanceof Piece.Template)
                && !contact.reachable(channel.kind().window(), clock.instant())) {
            withhold(channel, contact, reached, dispatch);
            return Attempts.DONE;
        }
        Went went = gateway.send(channel, dispatch);
        int attempts = dispatch.attempts() + 1;
        boolean sent = went.well();
        boolean over = went.forGood() || clock.instant().isAfter(dispatch.until());
        if (!sent) {
            LOG.info("message {} was not delivered at attempt {}", dispatch.id(), attempts);
        }
        // A gateway may have told more by now than that it took the message.
        move(dispatch, sent ? State.SENT : over ? State.FAILED : State.WAITING, attempts, went.why(), null);
        return sent || over ? Attempts.DONE : attempts;
    }

    /** Moves a message on from the state that it was read in, and tells whoever looks at its conversation what has not arrived. */
    private boolean move(Dispatch dispatch, State to, int attempts, String why, @Nullable Instant at) {
        boolean moved = store.move(dispatch.id(), dispatch.state(), to, attempts, why, at);
        String conversation = dispatch.conversation();
        if (moved && conversation != null && to != State.DELIVERED && to != State.READ) {
            AfterCommit.run(() -> hub.tell(LiveHub.conversation(conversation)));
        }
        return moved;
    }

    /** Keeps a message until they write; the first time since they wrote, they are told so in words agreed on beforehand. */
    private void withhold(Channel channel, Contact contact, Contact.Reached reached, Dispatch dispatch) {
        boolean first = store.in(reached, State.WITHHELD).isEmpty();
        move(dispatch, State.WITHHELD, dispatch.attempts(), "", null);
        if (first && !channel.template().isEmpty()) {
            send(
                    channel,
                    contact.number(),
                    requireNonNullElse(dispatch.conversation(), contact.conversation()),
                    List.of(new Piece.Template(template(channel, dispatch))),
                    clock.instant());
        }
    }

    /** What a channel says instead of a message that it may not send now, with what is known of the person. */
    private String template(Channel channel, Dispatch withheld) {
        String conversation = withheld.conversation();
        return conversation == null
                ? Texts.fill(channel.template(), new Texts.Known(Map.of(), Map.of(), Map.of(), channel.name()))
                : conversations.getObject().filled(conversation, channel.template());
    }

    /** What a due message does. */
    @Configuration
    static class Due {

        @Bean
        CustomTask<Void> channelTask(ObjectProvider<Dispatcher> dispatcher, InstantSource clock) {
            return Attempts.task(TASK, id -> dispatcher.getObject().deliver(id), clock);
        }
    }
}
