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
import com.shuttle.core.reading.Value;
import com.shuttle.releases.ReleaseService;
import com.shuttle.settings.Account;
import com.shuttle.web.AfterCommit;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Vault;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/**
 * The shell around the engine. A turn is worked out from the conversation as it stands, without a lock or a connection to
 * the database, however long that takes; then event, what the turn read and came to, messages, state and deeds are stored
 * in one transaction, unless another turn was faster, in which case it is worked out anew.
 * A client message id is taken once, however often it is sent. Thread-safe.
 */
@Service
public class ConversationService {

    /** So often a turn is worked out anew because others were faster with rows that it saves. */
    private static final int MOST_TRIES = 10;

    private static final Logger LOG = LoggerFactory.getLogger(ConversationService.class);

    /** A conversation just begun. The token is the visitor's key to it and is not kept. */
    public record Begun(String conversation, String token, Reply reply) {}

    private final ConversationStore store;
    private final ReleaseService releases;
    private final TurnStore turns;
    private final BotWorld world;
    private final OutcomeStore outcomes;
    private final Vault vault;
    private final Deeds deeds;
    private final Errands errands;
    private final LiveHub hub;
    private final InstantSource clock;
    private final TransactionTemplate transaction;

    /** Turns of one conversation are worked out one after the other where one server has them all. */
    private final Cache<String, ReentrantLock> order =
            Caffeine.newBuilder().weakValues().build();

    /** A conversation's token never changes. */
    private final Cache<String, String> tokenHashes =
            Caffeine.newBuilder().maximumSize(50_000).build();

    ConversationService(
            ConversationStore store,
            ReleaseService releases,
            TurnStore turns,
            BotWorld world,
            OutcomeStore outcomes,
            Vault vault,
            Deeds deeds,
            Errands errands,
            LiveHub hub,
            InstantSource clock,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.releases = releases;
        this.turns = turns;
        this.world = world;
        this.outcomes = outcomes;
        this.vault = vault;
        this.deeds = deeds;
        this.errands = errands;
        this.hub = hub;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * Begins a conversation with the live release of a bot; empty if there is none.
     *
     * @param visitor what names them across conversations; may be empty, as may the {@code page} they came from
     * @param zone    the visitor's; empty for the bot's
     */
    public Optional<Begun> begin(String bot, String visitor, String page, String channel, String zone) {
        return begin(bot, visitor, page, channel, zone, "");
    }

    /** @param flow id of the one it begins with; empty for the main one */
    public Optional<Begun> begin(String bot, String visitor, String page, String channel, String zone, String flow) {
        return releases.live(bot).map(release -> {
            String id = Ids.next();
            String token = Ids.secret();
            Instant now = clock.instant();
            Map<String, Value> known = visitor.isEmpty() ? Map.of() : outcomes.remembered(bot, visitor);
            Event event = new Event.Started(new Stamp(now, Ids.seed()), channel, page, visitor, zone, known, flow);
            Playbook playbook = releases.playbook(release);
            Reads.Recorder recorder = new Reads.Recorder(world.of(bot, id));
            if (!(Engine.take(playbook, State.NEW, event, recorder) instanceof Turn.Taken turn)) {
                throw new IllegalStateException("a new conversation refused to start: " + id);
            }
            Conversation conversation = new Conversation(
                    id, bot, release, visitor, Speaker.BOT, "", null, now, now, null, channel, page, "", "");
            TurnStore.Done done = done(playbook, event, null, recorder, turn);
            transaction.executeWithoutResult(status -> {
                turns.begin(conversation, Ids.hash(token), done);
                effects(conversation, turn, now);
            });
            return new Begun(id, token, reply(done));
        });
    }

    /** The visitor typed; {@code text} is clean and not blank. A secret that was asked for is sealed before it is kept. */
    public Outcome say(String conversation, String clientMessageId, String text) {
        return turn(
                conversation,
                clientMessageId,
                (stamp, playbook, state) -> Engine.isSecret(playbook, state, text)
                        ? new Event.Confided(stamp, vault.seal(text))
                        : new Event.Said(stamp, text));
    }

    Outcome send(String conversation, String clientMessageId, String file, String name) {
        return turn(conversation, clientMessageId, (stamp, book, state) -> new Event.Sent(stamp, file, name));
    }

    /** The time that a timer was set for has come. */
    public Outcome timeCame(String conversation, String key) {
        return turn(conversation, null, (stamp, book, state) -> new Event.TimeCame(stamp, key));
    }

    /** A signal came from outside; its signature is checked. */
    public Outcome signal(String conversation, String key, String text) {
        return turn(conversation, null, (stamp, book, state) -> new Event.Signalled(stamp, key, text));
    }

    /** An errand has come back. @param result null where nothing came of it */
    Outcome came(String conversation, String key, @Nullable JsonNode result) {
        Outcome outcome = turn(conversation, null, (stamp, book, state) -> new Event.Came(stamp, key, result));
        store.deleteErrand(conversation, key);
        return outcome;
    }

    public Outcome agentReturns(String conversation, Account agent) {
        return turn(
                conversation, null, (stamp, book, state) -> new Event.AgentReturned(stamp, agent.name(), agent.id()));
    }

    /** The visitor picked options. */
    public Outcome pick(String conversation, String clientMessageId, List<String> options) {
        return turn(conversation, clientMessageId, (stamp, book, state) -> new Event.Picked(stamp, options));
    }

    /** @param over whether it is taken from another person who has it */
    public Outcome agentTakes(String conversation, Account agent, boolean over) {
        return turn(
                conversation, null, (stamp, book, state) -> new Event.AgentTook(stamp, agent.name(), agent.id(), over));
    }

    public Outcome agentSays(String conversation, String clientMessageId, Account agent, String text) {
        return turn(
                conversation,
                clientMessageId,
                (stamp, book, state) -> new Event.AgentSaid(stamp, agent.name(), agent.id(), text));
    }

    public Outcome agentCloses(String conversation, Account agent) {
        return turn(conversation, null, (stamp, book, state) -> new Event.AgentClosed(stamp, agent.name(), agent.id()));
    }

    /** Makes an event of what is known of the conversation. */
    private interface ToEvent {
        Event event(Stamp stamp, Playbook playbook, State state);
    }

    private static @Nullable Prompt prompt(Playbook playbook, State state, Instant at) {
        return Prompts.of(
                playbook,
                state,
                LocalDate.ofInstant(
                        at,
                        Zones.firstKnown(
                                state.zone(), playbook.release().profile().zone())));
    }

    /** What a conversation waits for now; null for nothing particular. */
    public @Nullable Prompt prompt(String conversation) {
        State state = state(conversation);
        return prompt(releases.playbook(conversation(conversation).release()), state, clock.instant());
    }

    /** What a conversation left behind. */
    public Aftermath aftermath(String conversation) {
        return new Aftermath(
                outcomes.notes(conversation),
                outcomes.milestones(conversation),
                outcomes.uploads(conversation),
                outcomes.rating(conversation).orElse(null));
    }

    private Outcome turn(String id, @Nullable String clientMessageId, ToEvent toEvent) {
        ReentrantLock lock = order.get(id, key -> new ReentrantLock());
        lock.lock();
        try {
            for (int tries = 1; ; tries++) {
                TurnStore.Loaded before = turns.load(id).orElseThrow(() -> new Missing("conversation", id));
                try {
                    return attempt(before, clientMessageId, toEvent);
                } catch (Overtaken overtaken) {
                    if (tries >= MOST_TRIES) {
                        throw overtaken;
                    }
                } catch (DuplicateKeyException taken) {
                    Optional<Outcome> same = again(id, clientMessageId);
                    if (same.isPresent()) {
                        return same.get();
                    }
                    outrun(before, taken);
                }
            }
        } finally {
            lock.unlock();
        }
    }

    /** The reply to a message that was taken before. */
    Optional<Outcome> again(String id, @Nullable String clientMessageId) {
        return clientMessageId == null
                ? Optional.empty()
                : store.replyTo(id, clientMessageId, conversation(id).speaker()).map(Outcome.Taken::new);
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

    private static TurnStore.Done done(
            Playbook playbook,
            Event event,
            @Nullable String clientMessageId,
            Reads.Recorder recorder,
            Turn.Taken turn) {
        Prompt prompt = prompt(playbook, turn.state(), event.stamp().at());
        String named = playbook.personName(turn.state().variables());
        return new TurnStore.Done(event, clientMessageId, recorder.reads(), turn, prompt, named);
    }

    private static Reply reply(TurnStore.Done done) {
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
    private void effects(Conversation conversation, Turn.Taken turn, Instant at) {
        deeds.carryOut(conversation, turn, at);
        turn.effects().stream()
                .filter(Errand.class::isInstance)
                .map(Errand.class::cast)
                .forEach(errand -> errands.send(conversation.id(), errand, at));
        AfterCommit.run(() -> tell(conversation, turn.state()));
    }

    private void tell(Conversation before, State after) {
        hub.tell(LiveHub.conversation(before.id()));
        if (before.speaker() != Speaker.BOT || after.speaker() != Speaker.BOT) {
            hub.tell(LiveHub.INBOX);
        }
    }

    // Reading

    /** Whether {@code token} is the key to a conversation. */
    public boolean mayEnter(String conversation, String token) {
        byte[] given = Ids.hash(token).getBytes(StandardCharsets.US_ASCII);
        return Optional.ofNullable(tokenHashes.getIfPresent(conversation))
                .or(() -> store.tokenHash(conversation).map(known -> {
                    tokenHashes.put(conversation, known);
                    return known;
                }))
                .filter(known -> MessageDigest.isEqual(known.getBytes(StandardCharsets.US_ASCII), given))
                .isPresent();
    }

    /** @throws Missing if there is no such conversation */
    public Conversation conversation(String id) {
        return store.find(id).orElseThrow(() -> new Missing("conversation", id));
    }

    /** @throws Missing if there is no such conversation */
    public State state(String id) {
        return store.state(id).orElseThrow(() -> new Missing("conversation", id));
    }

    /** The transcript after a message, in order. */
    public List<Line> lines(String conversation, long after) {
        return store.lines(conversation, after, Long.MAX_VALUE);
    }

    /** What is known of the visitor, in the order it was learnt, as they would read it. */
    public Map<String, String> known(String conversation) {
        Map<String, String> known = new LinkedHashMap<>();
        for (Map.Entry<String, Value> variable : state(conversation).variables().entrySet()) {
            known.put(variable.getKey(), variable.getValue().shown());
        }
        return known;
    }

    /** Those waiting for or with a person: longest waiting first. */
    public List<Conversation> withPeople() {
        return store.withPeople();
    }

    /** Those a person had that are over, newest first. */
    public List<Conversation> closed(int most) {
        return store.closed(most);
    }

    public int waiting() {
        return store.waiting();
    }

    public int startedSince(String bot, Instant since) {
        return store.startedSince(bot, since);
    }

    public int handedOffSince(String bot, Instant since) {
        return store.handedOffSince(bot, since);
    }
}
