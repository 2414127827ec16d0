package com.shuttle.channels;

import com.shuttle.core.channel.PhoneKind;
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

    PhoneView(PublicAddress address) {
        this.address = address;
    }

    /** The messages to a phone that one of a conversation makes. */
    public List<Piece> pieces(PhoneKind kind, Message message) {
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
        return Rendering.of(kind, shown, 0);
    }

    private String whole(String path) {
        return path.startsWith("/") ? address.of(path) : path;
    }
}
