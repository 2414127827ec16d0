package com.shuttle.chat;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.engine.Engine;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.reading.Value;
import com.shuttle.releases.ReleaseService;
import com.shuttle.settings.Account;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Vault;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/**
 * The shell around the engine: begins conversations, brings what happens to them to {@link TurnTaking}, and tells how they stand. A
 * client message id is taken once, however often it is sent. Thread-safe.
 */
@Service
public class ConversationService {

    /** A conversation just begun. The token is the visitor's key to it and is not kept. */
    public record Begun(String conversation, String token, Reply reply) {}

    private final ConversationStore store;
    private final ReleaseService releases;
    private final TurnStore turns;
    private final BotWorld world;
    private final OutcomeStore outcomes;
    private final Vault vault;
    private final TurnTaking taking;
    private final ReturnLinks links;
    private final InstantSource clock;
    private final TransactionTemplate transaction;

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
            TurnTaking taking,
            ReturnLinks links,
            InstantSource clock,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.releases = releases;
        this.turns = turns;
        this.world = world;
        this.outcomes = outcomes;
        this.vault = vault;
        this.taking = taking;
        this.links = links;
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
        return begin(bot, visitor, page, channel, zone, "", Map.of(), Arrival.NONE);
    }

    /**
     * @param flow id of the one it begins with; empty for the main one
     * @param told what the website tells, by names of variables
     * @param arrival what the channel knows of the visitor
     */
    public Optional<Begun> begin(
            String bot,
            String visitor,
            String page,
            String channel,
            String zone,
            String flow,
            Map<String, String> told,
            Arrival arrival) {
        return releases.live(bot)
                .map(release -> TurnTaking.undisturbed(() -> {
                    String id = Ids.next();
                    String token = Ids.secret();
                    Instant now = clock.instant();
                    Map<String, Value> known = visitor.isEmpty() ? Map.of() : outcomes.remembered(bot, visitor);
                    Playbook playbook = releases.playbook(release);
                    Event event = new Event.Started(
                            new Stamp(now, Ids.seed()),
                            channel,
                            page,
                            visitor,
                            zone,
                            known,
                            flow,
                            PageFacts.of(playbook, told),
                            arrival);
                    Reads.Recorder recorder = new Reads.Recorder(world.of(bot, id));
                    if (!(Engine.take(playbook, State.NEW, event, recorder) instanceof Turn.Taken turn)) {
                        throw new IllegalStateException("a new conversation refused to start: " + id);
                    }
                    Conversation conversation = new Conversation(
                            id, bot, release, visitor, Speaker.BOT, "", null, now, now, null, channel, page, "", "");
                    TurnStore.Done done = TurnTaking.done(playbook, event, null, recorder, turn);
                    transaction.executeWithoutResult(status -> {
                        turns.begin(conversation, Ids.hash(token), done);
                        taking.effects(conversation, turn, now);
                    });
                    return new Begun(id, token, TurnTaking.reply(done));
                }));
    }

    /** The visitor typed; {@code text} is clean and not blank. A secret that was asked for is sealed before it is kept. */
    public Outcome say(String conversation, String clientMessageId, String text) {
        return taking.turn(
                conversation,
                clientMessageId,
                (stamp, playbook, state) -> Engine.isSecret(playbook, state, text)
                        ? new Event.Confided(stamp, vault.seal(text))
                        : new Event.Said(stamp, text));
    }

    Outcome send(String conversation, String clientMessageId, String file, String name) {
        return taking.turn(conversation, clientMessageId, (stamp, book, state) -> new Event.Sent(stamp, file, name));
    }

    /** The time that a timer was set for has come. */
    public Outcome timeCame(String conversation, String key) {
        return taking.turn(conversation, null, (stamp, book, state) -> new Event.TimeCame(stamp, key));
    }

    /** A signal came from outside; its signature is checked. */
    public Outcome signal(String conversation, String key, String text, @Nullable JsonNode body) {
        return taking.turn(conversation, null, (stamp, book, state) -> new Event.Signalled(stamp, key, text, body));
    }

    /** The website tells values of variables; those that the bot does not expect from it are left out. */
    public Outcome inform(String conversation, Map<String, String> told) {
        return taking.turn(
                conversation, null, (stamp, book, state) -> new Event.Informed(stamp, PageFacts.of(book, told)));
    }

    /** An errand has come back. @param result null where nothing came of it */
    Outcome came(String conversation, String key, @Nullable JsonNode result) {
        Outcome outcome = taking.turn(conversation, null, (stamp, book, state) -> new Event.Came(stamp, key, result));
        store.deleteErrand(conversation, key);
        return outcome;
    }

    public Outcome agentReturns(String conversation, Account agent) {
        return taking.turn(
                conversation, null, (stamp, book, state) -> new Event.AgentReturned(stamp, agent.name(), agent.id()));
    }

    /** The visitor picked options. */
    public Outcome pick(String conversation, String clientMessageId, List<String> options) {
        return taking.turn(conversation, clientMessageId, (stamp, book, state) -> new Event.Picked(stamp, options));
    }

    /** @param over whether it is taken from another person who has it */
    public Outcome agentTakes(String conversation, Account agent, boolean over) {
        return taking.turn(
                conversation, null, (stamp, book, state) -> new Event.AgentTook(stamp, agent.name(), agent.id(), over));
    }

    public Outcome agentSays(String conversation, String clientMessageId, Account agent, String text) {
        return taking.turn(
                conversation,
                clientMessageId,
                (stamp, book, state) -> new Event.AgentSaid(stamp, agent.name(), agent.id(), text));
    }

    public Outcome agentCloses(String conversation, Account agent) {
        return taking.turn(
                conversation, null, (stamp, book, state) -> new Event.AgentClosed(stamp, agent.name(), agent.id()));
    }

    /** What a conversation waits for now; null for nothing particular. */
    public @Nullable Prompt prompt(String conversation) {
        State state = state(conversation);
        return TurnTaking.prompt(releases.playbook(conversation(conversation).release()), state, clock.instant());
    }

    /** What a conversation left behind. */
    public Aftermath aftermath(String conversation) {
        return new Aftermath(
                outcomes.notes(conversation),
                outcomes.milestones(conversation),
                outcomes.uploads(conversation),
                outcomes.rating(conversation).orElse(null));
    }

    /** Names of the milestones that a conversation has reached, in order. */
    public List<String> milestones(String conversation) {
        return outcomes.milestones(conversation);
    }

    /** The reply to a message that was taken before. */
    Optional<Outcome> again(String id, @Nullable String clientMessageId) {
        return taking.again(id, clientMessageId);
    }

    // Reading

    /** Whether {@code token} is the key to a conversation, its own or that of a link to go on by. */
    public boolean mayEnter(String conversation, String token) {
        if (links.opens(conversation, token)) {
            return store.find(conversation).isPresent();
        }
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
        return shown(state(conversation).variables());
    }

    /** A text that somebody gets outside of a turn, its placeholders filled from what a conversation knows; without marks. */
    public String filled(String conversation, String text) {
        Conversation of = conversation(conversation);
        Playbook playbook = releases.playbook(of.release());
        Texts.Known known = new Texts.Known(
                state(conversation).variables(),
                playbook.variables(),
                Map.of(),
                playbook.release().profile().name());
        return Texts.unescaped(Texts.fill(text, known));
    }

    /** What a bot remembers of a visitor from one conversation to the next, by name, as they would read it. */
    public Map<String, String> remembered(String bot, String visitor) {
        return shown(outcomes.remembered(bot, visitor));
    }

    private static Map<String, String> shown(Map<String, Value> values) {
        Map<String, String> shown = new LinkedHashMap<>();
        values.forEach((name, value) -> shown.put(name, value.shown()));
        return shown;
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
}
