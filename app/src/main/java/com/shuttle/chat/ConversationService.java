package com.shuttle.chat;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import com.shuttle.releases.ReleaseService;
import com.shuttle.settings.Account;
import com.shuttle.web.AfterCommit;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Vault;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The shell around the engine. A turn takes the conversation's row under a lock, calls the engine, and stores event,
 * what the turn read, messages, state and effects in one transaction; watchers are told after the commit. The same client
 * message id is taken once, however often it is sent. Thread-safe.
 */
@Service
public class ConversationService {

    /** A conversation just begun. The token is the visitor's key to it and is not kept. */
    public record Begun(String conversation, String token, Reply reply) {}

    private final ConversationStore store;
    private final ReleaseService releases;
    private final BotPorts ports;
    private final OutcomeStore outcomes;
    private final Vault vault;
    private final List<EffectHandler> handlers;
    private final LiveHub hub;
    private final InstantSource clock;
    private final TransactionTemplate transaction;

    /** A conversation's token never changes. */
    private final Cache<String, String> tokenHashes =
            Caffeine.newBuilder().maximumSize(50_000).build();

    ConversationService(
            ConversationStore store,
            ReleaseService releases,
            BotPorts ports,
            OutcomeStore outcomes,
            Vault vault,
            List<EffectHandler> handlers,
            LiveHub hub,
            InstantSource clock,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.releases = releases;
        this.ports = ports;
        this.outcomes = outcomes;
        this.vault = vault;
        this.handlers = List.copyOf(handlers);
        this.hub = hub;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * Begins a conversation with the live release of a bot; empty if there is none.
     *
     * @param visitor what names the visitor across conversations; may be empty
     * @param page    address they came from; may be empty
     * @param zone    the visitor's time zone; empty for the bot's
     */
    public Optional<Begun> begin(String bot, String visitor, String page, String channel, String zone) {
        return releases.live(bot).map(release -> {
            String id = Ids.next();
            String token = Ids.secret();
            Outcome outcome = transaction.execute(status -> {
                Instant now = clock.instant();
                store.insert(
                        new Conversation(id, bot, release, visitor, Speaker.BOT, "", null, now, now, null),
                        Ids.hash(token));
                Map<String, Value> known = visitor.isEmpty() ? Map.of() : outcomes.remembered(bot, visitor);
                return take(
                        id,
                        null,
                        null,
                        (stamp, book, state) -> new Event.Started(stamp, channel, page, visitor, zone, known));
            });
            if (outcome instanceof Outcome.Taken(Reply reply)) {
                return new Begun(id, token, reply);
            }
            throw new IllegalStateException("a new conversation refused to start: " + id);
        });
    }

    /** The visitor typed; {@code text} is clean and not blank. A secret that was asked for is sealed before it is kept. */
    public Outcome say(String conversation, String clientMessageId, String text) {
        return turn(
                conversation,
                clientMessageId,
                null,
                (stamp, playbook, state) -> Engine.isSecret(playbook, state, text)
                        ? new Event.Confided(stamp, vault.seal(text))
                        : new Event.Said(stamp, text));
    }

    /** The visitor sent a file that is kept under {@code file}. */
    Outcome send(String conversation, String clientMessageId, String file, String name) {
        return turn(conversation, clientMessageId, null, (stamp, book, state) -> new Event.Sent(stamp, file, name));
    }

    /** The time that a timer was set for has come. */
    public Outcome timeCame(String conversation, String key) {
        return turn(conversation, null, null, (stamp, book, state) -> new Event.TimeCame(stamp, key));
    }

    /** A signal came from outside; its signature is checked. */
    public Outcome signal(String conversation, String key, String text) {
        return turn(conversation, null, null, (stamp, book, state) -> new Event.Signalled(stamp, key, text));
    }

    public Outcome agentReturns(String conversation, Account agent) {
        return turn(
                conversation, null, agent.id(), (stamp, book, state) -> new Event.AgentReturned(stamp, agent.name()));
    }

    /** The visitor picked options. */
    public Outcome pick(String conversation, String clientMessageId, List<String> options) {
        return turn(conversation, clientMessageId, null, (stamp, book, state) -> new Event.Picked(stamp, options));
    }

    public Outcome agentTakes(String conversation, Account agent) {
        return turn(conversation, null, agent.id(), (stamp, book, state) -> new Event.AgentTook(stamp, agent.name()));
    }

    public Outcome agentSays(String conversation, String clientMessageId, Account agent, String text) {
        return turn(
                conversation,
                clientMessageId,
                agent.id(),
                (stamp, book, state) -> new Event.AgentSaid(stamp, agent.name(), text));
    }

    public Outcome agentCloses(String conversation, Account agent) {
        return turn(conversation, null, agent.id(), (stamp, book, state) -> new Event.AgentClosed(stamp, agent.name()));
    }

    /** Makes an event of what is known when the conversation is locked. */
    private interface ToEvent {
        Event event(Stamp stamp, Playbook playbook, State state);
    }

    private static @Nullable Prompt prompt(Playbook playbook, State state, Instant at) {
        return Prompt.of(playbook, state, LocalDate.ofInstant(at, zone(playbook, state)));
    }

    private static ZoneId zone(Playbook playbook, State state) {
        try {
            return ZoneId.of(
                    state.zone().isEmpty() ? playbook.release().profile().zone() : state.zone());
        } catch (DateTimeException e) {
            return ZoneOffset.UTC;
        }
    }

    /** What a conversation waits for now; null for nothing particular. */
    public @Nullable Prompt prompt(String conversation) {
        State state = state(conversation);
        return prompt(releases.playbook(conversation(conversation).release()), state, clock.instant());
    }

    /** What a conversation left behind. */
    public Aftermath aftermath(String conversation) {
        return new Aftermath(
                outcomes.brief(conversation),
                outcomes.milestones(conversation),
                outcomes.uploads(conversation),
                outcomes.rating(conversation).orElse(null));
    }

    private Outcome turn(String conversation, @Nullable String clientMessageId, @Nullable String agent, ToEvent event) {
        try {
            return done(conversation, transaction.execute(status -> take(conversation, clientMessageId, agent, event)));
        } catch (DuplicateKeyException takenBefore) {
            return done(
                    conversation,
                    transaction.execute(
                            status -> again(conversation, clientMessageId).orElseThrow(() -> takenBefore)));
        }
    }

    private static Outcome done(String conversation, @Nullable Outcome outcome) {
        if (outcome == null) {
            throw new IllegalStateException("no outcome for conversation " + conversation);
        }
        return outcome;
    }

    /** The reply to a message that was taken before. */
    private Optional<Outcome> again(String id, @Nullable String clientMessageId) {
        return clientMessageId == null
                ? Optional.empty()
                : store.replyTo(id, clientMessageId, conversation(id).speaker()).map(Outcome.Taken::new);
    }

    /** Most messages come once, so they are tried first; that one was taken before shows when it is stored or refused. */
    private Outcome take(String id, @Nullable String clientMessageId, @Nullable String agent, ToEvent toEvent) {
        ConversationStore.Locked locked = store.lock(id).orElseThrow(() -> new Missing("conversation", id));
        Conversation conversation = locked.conversation();
        Playbook playbook = releases.playbook(conversation.release());
        Event event = toEvent.event(new Stamp(clock.instant(), Ids.seed()), playbook, locked.state());
        Reads.Recorder recorder = new Reads.Recorder(ports.of(conversation.bot(), id));
        return switch (Engine.take(playbook, locked.state(), event, recorder)) {
            case Turn.Refused(Turn.Reason reason) ->
                again(id, clientMessageId).orElseGet(() -> new Outcome.Refused(reason));
            case Turn.Taken turn -> {
                Prompt prompt = prompt(playbook, turn.state(), event.stamp().at());
                store.append(locked, clientMessageId, event, recorder.reads(), turn, prompt, agent);
                for (Effect effect : turn.effects()) {
                    handlers.forEach(handler ->
                            handler.handle(conversation, effect, event.stamp().at()));
                }
                AfterCommit.run(() -> tell(conversation, turn.state()));
                yield new Outcome.Taken(new Reply(
                        turn.state().seq(),
                        turn.messages().stream()
                                .filter(message -> message.from() != Message.From.VISITOR)
                                .toList(),
                        prompt,
                        turn.state().speaker()));
            }
        };
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
        String known = tokenHashes.get(conversation, id -> store.tokenHash(id).orElse(null));
        return known != null && MessageDigest.isEqual(known.getBytes(StandardCharsets.US_ASCII), given);
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

    /** The visitor's name where it is known, otherwise "Visitor" with the beginning of the conversation's id. */
    public String nameOf(Conversation conversation) {
        Map<String, ValueType> types = releases.playbook(conversation.release()).variables();
        return state(conversation.id()).variables().entrySet().stream()
                .filter(variable -> types.get(variable.getKey()) == ValueType.PERSON_NAME)
                .map(variable -> variable.getValue().shown())
                .findFirst()
                .orElse("Visitor " + conversation.id().substring(0, 4));
    }

    /** The state that the stored events lead to when replayed; equal to the stored state. */
    public State replay(String id) {
        Playbook playbook = releases.playbook(conversation(id).release());
        State state = State.NEW;
        for (ConversationStore.Stored stored : store.events(id)) {
            Turn turn = Engine.take(playbook, state, stored.event(), new Reads.Replayer(stored.reads()));
            if (!(turn instanceof Turn.Taken taken)) {
                throw new IllegalStateException("a stored event of conversation " + id + " was refused");
            }
            state = taken.state();
        }
        return state;
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
