package com.shuttle.chat;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.engine.Prompts;
import com.shuttle.releases.ReleaseService;
import com.shuttle.web.AfterCommit;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.Optional;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes events into conversations. A turn is worked out from the conversation as it stands, without a lock or a connection to the
 * database, however long that takes; then event, what the turn read and came to, messages, state and deeds are stored in one
 * transaction, unless another turn was faster, in which case it is worked out anew. Thread-safe.
 */
@Component
class TurnTaking {

    /** So often a turn is worked out anew because others were faster with rows that it saves. */
    private static final int MOST_TRIES = 10;

    private static final Logger LOG = LoggerFactory.getLogger(TurnTaking.class);

    private final ConversationStore store;
    private final ReleaseService releases;
    private final TurnStore turns;
    private final BotWorld world;
    private final Deeds deeds;
    private final Errands errands;
    private final LiveHub hub;
    private final InstantSource clock;
    private final TransactionTemplate transaction;

    /** Turns of one conversation are worked out one after the other where one server has them all. */
    private final Cache<String, ReentrantLock> order =
            Caffeine.newBuilder().weakValues().build();

    TurnTaking(
            ConversationStore store,
            ReleaseService releases,
            TurnStore turns,
            BotWorld world,
            Deeds deeds,
            Errands errands,
            LiveHub hub,
            InstantSource clock,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.releases = releases;
        this.turns = turns;
        this.world = world;
        this.deeds = deeds;
        this.errands = errands;
        this.hub = hub;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** Makes an event of what is known of the conversation. */
    interface ToEvent {
        Event event(Stamp stamp, Playbook playbook, State state);
    }

    /** What a conversation waits for at a time; null for nothing particular. */
    static @Nullable Prompt prompt(Playbook playbook, State state, Instant at) {
        return Prompts.of(
                playbook,
                state,
                LocalDate.ofInstant(
                        at,
                        Zones.firstKnown(
                                state.zone(), playbook.release().profile().zone())));
    }

    /** Takes an event into a conversation. @throws Missing if there is no such conversation */
    Outcome turn(String id, @Nullable String clientMessageId, ToEvent toEvent) {
        ReentrantLock lock = order.get(id, key -> new ReentrantLock());
        lock.lock();
        try {
            return undisturbed(() -> stored(id, clientMessageId, toEvent));
        } finally {
            lock.unlock();
        }
    }

    private Outcome stored(String id, @Nullable String clientMessageId, ToEvent toEvent) {
        for (; ; ) {
            TurnStore.Loaded before = turns.load(id).orElseThrow(() -> new Missing("conversation", id));
            try {
                return attempt(before, clientMessageId, toEvent);
            } catch (DuplicateKeyException taken) {
                Optional<Outcome> same = again(id, clientMessageId);
                if (same.isPresent()) {
                    return same.get();
                }
                outrun(before, taken);
            }
        }
    }

    /** Works a turn out, and anew as long as others are faster with rows that it saves. */
    static <T> T undisturbed(Supplier<T> turn) {
        for (int tries = 1; ; tries++) {
            try {
                return turn.get();
            } catch (Overtaken | ConcurrencyFailureException overtaken) {
                if (tries >= MOST_TRIES) {
                    throw overtaken;
                }
            }
        }
    }

    /** The reply to a message that was taken before. */
    Optional<Outcome> again(String id, @Nullable String clientMessageId) {
        return clientMessageId == null
                ? Optional.empty()
                : store.replyTo(
                                id,
                                clientMessageId,
                                store.find(id)
                                        .orElseThrow(() -> new Missing("conversation", id))
                                        .speaker())
                        .map(Outcome.Taken::new);
    }

    /** Another turn was faster, so that this one is to be worked out anew; or something unfinished lies in the way. */
    private void outrun(TurnStore.Loaded before, DuplicateKeyException taken) {
        String id = before.conversation().id();
        TurnStore.Loaded now = turns.load(id).orElseThrow(() -> taken);
        if (now.events() == before.events()) {
            LOG.warn("Conversation {} had the rest of a turn that was never finished", id);
            transaction.executeWithoutResult(status -> turns.clean(now));
        }
    }

    /**
     * Works a turn out and stores it. Most messages come once, so they are tried first; that one was taken before shows when
     * it is stored or refused.
     *
     * @throws DuplicateKeyException if another turn was stored meanwhile, or the same message before
     */
    private Outcome attempt(TurnStore.Loaded before, @Nullable String clientMessageId, ToEvent toEvent) {
        Conversation conversation = before.conversation();
        String id = conversation.id();
        Playbook playbook = releases.playbook(conversation.release());
        Event event = toEvent.event(new Stamp(clock.instant(), Ids.seed()), playbook, before.state());
        Reads.Recorder recorder = new Reads.Recorder(world.of(conversation.bot(), id));
        return switch (Engine.take(playbook, before.state(), event, recorder)) {
            case Turn.Refused(Turn.Reason reason) ->
                again(id, clientMessageId).orElseGet(() -> new Outcome.Refused(reason));
            case Turn.Taken turn -> {
                TurnStore.Done done = done(playbook, event, clientMessageId, recorder, turn);
                transaction.executeWithoutResult(
                        status -> turns.advance(before, done, () -> effects(conversation, turn, done.at())));
                yield new Outcome.Taken(reply(done));
            }
        };
    }

    static TurnStore.Done done(
            Playbook playbook,
            Event event,
            @Nullable String clientMessageId,
            Reads.Recorder recorder,
            Turn.Taken turn) {
        Prompt prompt = prompt(playbook, turn.state(), event.stamp().at());
        String named = playbook.personName(turn.state().variables());
        return new TurnStore.Done(event, clientMessageId, recorder.reads(), turn, prompt, named);
    }

    static Reply reply(TurnStore.Done done) {
        State state = done.turn().state();
        return new Reply(
                state.seq(),
                done.turn().messages().stream()
                        .filter(message -> message.from() != Message.From.VISITOR)
                        .toList(),
                done.prompt(),
                state.speaker());
    }

    /** Carries out a turn's deeds and sends its errands, within its transaction; tells watchers after it. */
    void effects(Conversation conversation, Turn.Taken turn, Instant at) {
        deeds.carryOut(conversation, turn, at);
        turn.effects().stream()
                .filter(Errand.class::isInstance)
                .map(Errand.class::cast)
                .forEach(errand -> errands.send(conversation.id(), errand));
        AfterCommit.run(() -> tell(conversation, turn.state()));
    }

    private void tell(Conversation before, State after) {
        hub.tell(LiveHub.conversation(before.id()));
        if (before.speaker() != Speaker.BOT || after.speaker() != Speaker.BOT) {
            hub.tell(LiveHub.INBOX);
        }
    }
}
