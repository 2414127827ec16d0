package com.shuttle.channels;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.chat.Outcome;
import com.shuttle.chat.UploadService;
import com.shuttle.core.channel.PhoneWords;
import com.shuttle.core.channel.Piece;
import com.shuttle.core.channel.Rendering;
import com.shuttle.core.channel.Replied;
import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.reading.Words;
import com.shuttle.panel.Speaking;
import com.shuttle.releases.ReleaseService;
import com.shuttle.web.Checked;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Hears what people write from phones: takes each message once, obeys those who want no messages, begins conversations and leads
 * them on. Messages of one person are taken one after the other. Thread-safe.
 */
@Service
public class Hearing {

    private final Channels channels;
    private final ChannelStore store;
    private final Dispatcher dispatcher;
    private final PhoneView view;
    private final ConversationService conversations;
    private final UploadService uploads;
    private final Speaking speaking;
    private final BotService bots;
    private final ReleaseService releases;
    private final InstantSource clock;
    private final TransactionTemplate transaction;
    private final Cache<Contact.Reached, ReentrantLock> order =
            Caffeine.newBuilder().weakValues().build();

    Hearing(
            Channels channels,
            ChannelStore store,
            Dispatcher dispatcher,
            PhoneView view,
            ConversationService conversations,
            UploadService uploads,
            Speaking speaking,
            BotService bots,
            ReleaseService releases,
            InstantSource clock,
            PlatformTransactionManager transactions) {
        this.channels = channels;
        this.store = store;
        this.dispatcher = dispatcher;
        this.view = view;
        this.conversations = conversations;
        this.uploads = uploads;
        this.speaking = speaking;
        this.bots = bots;
        this.releases = releases;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * A message from a phone.
     *
     * @param id     by which a repetition is known
     * @param from   the number, in E.164 form
     * @param text   clean; empty beside the others
     * @param picked id of the button or row that was pressed; empty for none
     * @param at     when it was written, by the gateway's clock; null where it does not say
     * @param name   what its sender is called on the channel; empty where it does not say
     */
    public record Incoming(
            String id,
            String from,
            String text,
            String picked,
            @Nullable Picture picture,
            @Nullable Instant at,
            String name) {}

    /** @param name by which its kind is told */
    public record Picture(String name, byte[] bytes) {}

    /** What became of a message. */
    public enum Taken {
        /** It was heard. */
        HEARD,
        /** It had been heard before; nothing was taken twice. */
        BEFORE,
        /** Its sender wants no messages, so nothing is answered. */
        STOPPED,
        /** No bot answers on this channel. */
        NOBODY
    }

    /** Takes a message. */
    public Taken take(Channel channel, Incoming incoming) {
        Contact.Reached reached = new Contact.Reached(channel.id(), incoming.from());
        ReentrantLock lock = order.get(reached, key -> new ReentrantLock());
        lock.lock();
        try {
            if (store.heard(channel.id(), incoming.id())) {
                return Taken.BEFORE;
            }
            Instant now = clock.instant();
            Contact before = store.contact(channel.id(), incoming.from())
                    .orElseGet(() -> new Contact(channel.id(), incoming.from(), null, 0, Instant.EPOCH, null));
            Taken taken = new Turn(channel, incoming, before, now).take();
            if (taken != Taken.HEARD || !store.heard(channel.id(), incoming.id())) {
                transaction.executeWithoutResult(status -> store.hear(channel.id(), incoming.id(), now));
            }
            return taken;
        } finally {
            lock.unlock();
        }
    }

    /** One message, and who sent it. */
    private final class Turn {
        private final Channel channel;
        private final Incoming incoming;
        private final Contact contact;
        private final Instant now;
        /** Whether they have written since, so that this one was overtaken on its way. */
        private final boolean late;

        private final @Nullable String open;
        private final String answers;
        private final PhoneWords words;

        Turn(Channel channel, Incoming incoming, Contact before, Instant now) {
            this.channel = channel;
            this.incoming = incoming;
            this.now = now;
            Instant written = incoming.at() == null || incoming.at().isAfter(now) ? now : incoming.at();
            this.late = written.isBefore(before.heardAt());
            this.contact = new Contact(
                    before.channel(),
                    before.number(),
                    before.conversation(),
                    before.page(),
                    late ? before.heardAt() : written,
                    before.stoppedAt());
            this.open = open();
            this.answers = open != null
                    ? conversations.conversation(open).bot()
                    : channel.bots().stream().findFirst().orElse("");
            this.words = view.words(answers);
        }

        Taken take() {
            Prompt prompt = open == null ? null : conversations.prompt(open);
            Replied replied = replied(prompt);
            if (replied instanceof Replied.Stop) {
                stopped(now, "You get no more messages from {channel}. Write START to get them again.");
                return Taken.HEARD;
            }
            if (contact.stopped()) {
                if (late || !(replied instanceof Replied.Start)) {
                    return Taken.STOPPED;
                }
                stopped(null, "You get messages from {channel} again.");
                return Taken.HEARD;
            }
            transaction.executeWithoutResult(status -> {
                store.keep(contact);
                if (contact.reachable(channel.kind().window(), now)) {
                    dispatcher.reachable(new Contact.Reached(channel.id(), contact.number()), now);
                }
            });
            List<Bot> answering = answering();
            Optional<Speaking.Acts> keyword =
                    withPerson() || prompt != null && offers(prompt) ? Optional.empty() : keyword(answering);
            if (keyword.isPresent()) {
                begin(keyword.get().bot(), keyword.get().cue().flow(), keyword.get());
            } else if (open == null) {
                if (answering.isEmpty()) {
                    return Taken.NOBODY;
                }
                String begun = begin(answering.getFirst(), "", null);
                if (!incoming.text().isEmpty() && !words.greets(incoming.text())) {
                    told(begun, conversations.say(begun, incoming.id(), incoming.text()));
                }
            } else if (incoming.picture() != null) {
                sent(open, incoming.picture());
            } else {
                goOn(open, prompt, replied);
            }
            return Taken.HEARD;
        }

        /** The conversation that they are in; null where there is none, or it has ended. */
        private @Nullable String open() {
            String last = contact.conversation();
            return last == null || conversations.conversation(last).speaker() == Speaker.ENDED ? null : last;
        }

        private boolean withPerson() {
            return open != null && conversations.conversation(open).speaker() != Speaker.BOT;
        }

        private boolean offers(Prompt prompt) {
            return prompt.options().stream()
                    .anyMatch(offer ->
                            offer.label().equalsIgnoreCase(incoming.text().strip()));
        }

        private Replied replied(@Nullable Prompt prompt) {
            return !incoming.picked().isEmpty()
                    ? Replied.pressed(incoming.picked())
                    : prompt == null
                            ? Replied.words(incoming.text(), List.of(), false, 0, words)
                            : Replied.words(incoming.text(), prompt.options(), prompt.many(), contact.page(), words);
        }

        /** What the channel says of its own accord belongs to no conversation, so that it reaches whoever stopped those. */
        private void stopped(@Nullable Instant at, String sentence) {
            String said = view.word(answers, sentence).replace("{channel}", channel.name());
            transaction.executeWithoutResult(status -> {
                store.keep(new Contact(
                        contact.channel(),
                        contact.number(),
                        contact.conversation(),
                        contact.page(),
                        contact.heardAt(),
                        at));
                dispatcher.send(channel, contact.number(), null, List.of(new Piece.Text(said)), now);
            });
        }

        /** The bots of the channel that have a release, in its order. */
        private List<Bot> answering() {
            return channel.bots().stream()
                    .filter(id -> releases.live(id).isPresent())
                    .flatMap(id -> bots.find(id).stream())
                    .toList();
        }

        private Optional<Speaking.Acts> keyword(List<Bot> answering) {
            String word = incoming.text().strip().replaceFirst("[.!]+$", "");
            return word.isEmpty() ? Optional.empty() : speaking.keyword(answering, word, contact.visitor());
        }

        private String begin(Bot bot, String flow, Speaking.@Nullable Acts acts) {
            return transaction.execute(status -> {
                if (acts != null && !acts.cue().greeting().isEmpty()) {
                    dispatcher.send(
                            channel,
                            contact.number(),
                            null,
                            List.of(new Piece.Text(acts.cue().greeting())),
                            now);
                }
                String begun = conversations
                        .begin(
                                bot.id(),
                                contact.visitor(),
                                "",
                                channel.kind().key(),
                                "",
                                flow,
                                Map.of(),
                                new Arrival(contact.number(), incoming.name(), "", ""))
                        .orElseThrow(() -> new IllegalStateException("no release of bot " + bot.id()))
                        .conversation();
                store.keep(new Contact(contact.channel(), contact.number(), begun, 0, contact.heardAt(), null));
                if (acts != null) {
                    speaking.began(begun, bot.id(), acts.cue().id());
                    store.hear(channel.id(), incoming.id(), now);
                }
                return begun;
            });
        }

        private void goOn(String open, @Nullable Prompt prompt, Replied replied) {
            boolean counted = replied instanceof Replied.Picks || replied instanceof Replied.More;
            if (late && counted && incoming.picked().isEmpty()) {
                // What was numbered so when they wrote it may be another thing by now.
                String sentence = view.word(answers, "“{text}” came after what you wrote later. Please choose again.");
                refuse(open, sentence.replace("{text}", incoming.text().strip()));
                return;
            }
            switch (replied) {
                case Replied.More(int page) -> again(open, prompt, page);
                case Replied.Picks(List<String> options) ->
                    told(open, conversations.pick(open, incoming.id(), options));
                case Replied.Words(String text) -> told(open, conversations.say(open, incoming.id(), text));
                case Replied.Start start -> told(open, conversations.say(open, incoming.id(), incoming.text()));
                case Replied.Stop stop -> throw new IllegalStateException("obeyed before");
            }
        }

        /** What was not taken is said, and what is open is shown again. */
        private void told(String conversation, Outcome outcome) {
            if (outcome instanceof Outcome.Refused refused) {
                refuse(conversation, refused.sentence());
            }
        }

        private void refuse(String conversation, String sentence) {
            transaction.executeWithoutResult(status ->
                    dispatcher.send(channel, contact.number(), conversation, List.of(new Piece.Text(sentence)), now));
            again(conversation, conversations.prompt(conversation), 0);
        }

        private void again(String conversation, @Nullable Prompt prompt, int page) {
            if (prompt != null && !prompt.options().isEmpty()) {
                List<Piece> pieces = Rendering.of(
                        channel.kind(), new Rendering.Shown("", prompt.options(), prompt.many(), "", ""), page, words);
                transaction.executeWithoutResult(status -> {
                    dispatcher.send(channel, contact.number(), conversation, pieces, now);
                    store.page(new Contact.Reached(channel.id(), contact.number()), page);
                });
            }
        }

        private void sent(String open, Picture picture) {
            try {
                switch (uploads.take(open, incoming.id(), UploadService.Coming.of(picture.name(), picture.bytes()))) {
                    case Checked.Good<Outcome>(Outcome outcome) -> told(open, outcome);
                    case Checked.Bad<Outcome> bad ->
                        refuse(open, String.join(" ", bad.errors().values()));
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Words as they are taken from a phone. */
    public static String clean(String text) {
        String clean = Words.clean(text);
        return clean.length() <= Words.LONGEST_MESSAGE ? clean : clean.substring(0, Words.LONGEST_MESSAGE);
    }
}
