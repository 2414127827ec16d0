package com.shuttle.channels;

import com.shuttle.bots.BotService;
import com.shuttle.chat.ChatWords;
import com.shuttle.core.channel.PhoneKind;
import com.shuttle.core.channel.PhoneWords;
import com.shuttle.core.channel.Piece;
import com.shuttle.core.channel.Rendering;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.flow.Media;
import com.shuttle.web.Markdown;
import com.shuttle.web.PublicAddress;
import java.util.List;
import org.springframework.stereotype.Component;

/** What messages of conversations look like on phones. Thread-safe. */
@Component
public class PhoneView {

    private final PublicAddress address;
    private final BotService bots;
    private final ChatWords words;

    PhoneView(PublicAddress address, BotService bots, ChatWords words) {
        this.address = address;
        this.bots = bots;
        this.words = words;
    }

    /** What channels say themselves where a bot answers, in its language. @param bot its id */
    public PhoneWords words(String bot) {
        return PhoneWords.of(english -> word(bot, english));
    }

    /** A sentence of a channel's own in a bot's language. @param bot its id; English for one that is gone */
    String word(String bot, String english) {
        String language = bots.find(bot).map(one -> one.manner().language()).orElse("en");
        return words.word(language, english);
    }

    /** The messages to a phone that one of a conversation makes. @param words what the channel itself says */
    public List<Piece> pieces(PhoneKind kind, Message message, PhoneWords words) {
        Message.Look look = message.look() == null ? Message.Look.PLAIN : message.look();
        Media media = look.media();
        boolean picture = media != null && media.type().still();
        String text = Markdown.plain(message.text());
        if (media != null && !picture) {
            text = (text + "\n" + media.alt() + " " + whole(media.address())).strip();
        }
        Rendering.Shown shown = new Rendering.Shown(
                text,
                message.options(),
                look.many(),
                media != null && picture ? whole(media.address()) : "",
                media == null ? "" : media.alt());
        return Rendering.of(kind, shown, 0, words);
    }

    private String whole(String path) {
        return path.startsWith("/") ? address.of(path) : path;
    }
}
