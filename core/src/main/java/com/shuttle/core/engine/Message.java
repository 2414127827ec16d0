package com.shuttle.core.engine;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonValue;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Media;
import java.util.List;
import java.util.Locale;
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
    public enum From {
        VISITOR,
        BOT,
        AGENT;

        @JsonValue
        public String key() {
            return name().toLowerCase(Locale.ROOT);
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
        static final Look PLAIN = new Look(null, 0, null, false);
    }

    public Message {
        options = List.copyOf(options);
        look = look == null || look.equals(Look.PLAIN) ? null : look;
    }

    public Message(long seq, From from, String text, String author, List<Offer> options) {
        this(seq, from, text, author, options, null);
    }
}
