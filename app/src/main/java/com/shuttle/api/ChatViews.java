package com.shuttle.api;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.flow.Media;
import com.shuttle.web.Markdown;
import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Messages and what is awaited, as programs and pages get them. */
@Component
public class ChatViews {

    /** Parts beyond id and label only where they say something. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record OptionView(
            String id, String label, String text, String group, String picture, String alt, String link) {}

    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record MediaView(String type, String address, String alt) {}

    /**
     * @param html   {@code text} as safe HTML, for those who show it in a page
     * @param media  null for none
     * @param typing how long the bot seems to type before it, milliseconds
     */
    public record MessageView(
            long seq,
            String from,
            String text,
            String html,
            String author,
            List<OptionView> options,

            @JsonInclude(JsonInclude.Include.NON_NULL) @Nullable
            MediaView media,

            @JsonInclude(JsonInclude.Include.NON_DEFAULT) int typing) {}

    /** As {@link Prompt}. */
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    public record AwaitingView(
            String kind,
            @Nullable String type,
            @JsonInclude List<OptionView> options,
            String hint,
            String example,
            @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean optional,
            String layout,
            @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean many,
            @Nullable BigDecimal min,
            @Nullable BigDecimal max,
            @Nullable BigDecimal by,
            @Nullable String earliest,
            @Nullable String latest,
            List<String> weekdays,
            String look,
            List<String> fileTypes,
            @JsonInclude(JsonInclude.Include.NON_DEFAULT) int megabytes,
            @JsonInclude boolean typing) {}

    private final Markdown markdown;

    ChatViews(Markdown markdown) {
        this.markdown = markdown;
    }

    public List<MessageView> of(List<Message> messages) {
        return messages.stream().map(this::of).toList();
    }

    public MessageView of(Message message) {
        boolean plain = message.from() == Message.From.VISITOR;
        Look look = message.look();
        Media media = look == null ? null : look.media();
        return new MessageView(
                message.seq(),
                message.from().key(),
                message.text(),
                plain ? "" : markdown.html(message.text()),
                message.author(),
                options(message.options()),
                media == null ? null : new MediaView(media.type().key(), media.address(), media.alt()),
                look == null ? 0 : look.typing());
    }

    public @Nullable AwaitingView of(@Nullable Prompt prompt) {
        if (prompt == null) {
            return null;
        }
        boolean file = prompt.type() == com.shuttle.core.flow.ValueType.FILE;
        return new AwaitingView(
                prompt.kind(),
                prompt.type() == null ? null : prompt.type().key(),
                options(prompt.options()),
                prompt.hint(),
                prompt.example(),
                prompt.optional(),
                prompt.layout(),
                prompt.many(),
                prompt.min(),
                prompt.max(),
                prompt.by(),
                prompt.earliest(),
                prompt.latest(),
                prompt.weekdays(),
                prompt.look(),
                file ? prompt.fileTypes() : List.of(),
                file ? prompt.megabytes() : 0,
                prompt.typing());
    }

    private static List<OptionView> options(List<Offer> offers) {
        return offers.stream()
                .map(offer -> new OptionView(
                        offer.id(),
                        offer.label(),
                        offer.text(),
                        offer.group(),
                        offer.picture(),
                        offer.alt(),
                        offer.link()))
                .toList();
    }
}
