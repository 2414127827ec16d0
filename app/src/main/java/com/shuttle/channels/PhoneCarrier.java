package com.shuttle.channels;

import com.shuttle.chat.Carrier;
import com.shuttle.chat.Conversation;
import com.shuttle.chat.Forgets;
import com.shuttle.core.channel.PhoneWords;
import com.shuttle.core.channel.Piece;
import com.shuttle.core.conversation.Message;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Sends what is said in conversations with phones. Thread-safe. */
@Component
class PhoneCarrier implements Carrier, Forgets {

    private final ChannelStore store;
    private final Dispatcher dispatcher;
    private final PhoneView view;

    PhoneCarrier(ChannelStore store, Dispatcher dispatcher, PhoneView view) {
        this.store = store;
        this.dispatcher = dispatcher;
        this.view = view;
    }

    @Override
    public void carry(Conversation conversation, List<Message> messages, Instant at) {
        Contact.of(conversation)
                .ifPresent(reached -> store.channel(reached.channel())
                        .ifPresent(channel -> carry(channel, reached, conversation, messages, at)));
    }

    /** Whether somebody has gone on to another conversation, so that the bot of the one before need not be heard. */
    private boolean left(Contact.Reached reached, Conversation conversation, Instant at) {
        boolean begins = conversation.startedAt().equals(at);
        return !begins
                && store.contact(reached.channel(), reached.number())
                        .map(contact -> !conversation.id().equals(contact.conversation()))
                        .orElse(false);
    }

    private void carry(
            Channel channel, Contact.Reached reached, Conversation conversation, List<Message> messages, Instant at) {
        boolean left = left(reached, conversation, at);
        PhoneWords words = view.words(conversation.bot());
        List<Piece> pieces = new ArrayList<>();
        boolean offers = false;
        for (Message message : messages) {
            if (message.from() == Message.From.AGENT || message.from() == Message.From.BOT && !left) {
                pieces.addAll(view.pieces(channel.kind(), message, words));
                offers = offers || !message.options().isEmpty();
            }
        }
        dispatcher.send(channel, reached.number(), conversation.id(), pieces, at);
        if (offers) {
            store.page(reached, 0);
        }
    }

    @Override
    public void forget(Conversation conversation) {
        Contact.of(conversation).ifPresent(store::forget);
    }
}
