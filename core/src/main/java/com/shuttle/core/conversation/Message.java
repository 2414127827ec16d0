package com.shuttle.core.conversation;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Keyed;
import com.shuttle.core.flow.Media;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One line of the transcript.
 *
 * @param seq     position in the conversation, from 1 without gaps
 * @param text    small Markdown from bot and agent; plain text from the visitor; may be empty beside a medium
 * @param author  the agent's name; empty for others
 * @param options what is offered with it; may be empty
 * @param look    how it is shown; null for the plain way
 */
public record Message(
        long seq,
        From from,
        String text,
        String author,
        List<Offer> options,
        @Nullable Look look) {

    /** Whose words these are. */
    public enum From implements Keyed {
        VISITOR,
        BOT,
        AGENT;

        /** @throws IllegalArgumentException if there is no such speaker of a line */
        @JsonCreator
        public static From of(String key) {
            return Keyed.of(From.class, key, "sender");
        }
    }

    /**
     * An option as offered to the visitor.
     *
     * @param link opens instead of being an answer; empty for an answer. The other parts are as in
     *     {@link com.shuttle.core.flow.Option}.
     */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record Offer(String id, String label, String text, String group, String picture, String alt, String link) {
        public Offer {
            text = text == null ? "" : text;
            group = group == null ? "" : group;
            picture = picture == null ? "" : picture;
            alt = alt == null ? "" : alt;
            link = link == null ? "" : link;
        }

        public Offer(String id, String label) {
            this(id, label, "", "", "", "", "");
        }
    }

    /**
     * How a message is shown where the channel can.
     *
     * @param media  shown with it; may be null
     * @param typing how long the bot seems to type before it, milliseconds
     * @param layout of the options; null for buttons
     * @param many   whether several options may be picked
     */
    @JsonInclude(JsonInclude.Include.NON_DEFAULT)
    public record Look(@Nullable Media media, int typing, Choice.@Nullable Layout layout, boolean many) {

        /** Nothing special. */
        public static final Look PLAIN = new Look(null, 0, null, false);
    }

    public Message {
        options = List.copyOf(options);
        look = look == null || look.equals(Look.PLAIN) ? null : look;
    }

    public Message(long seq, From from, String text, String author, List<Offer> options) {
        this(seq, from, text, author, options, null);
    }
}
