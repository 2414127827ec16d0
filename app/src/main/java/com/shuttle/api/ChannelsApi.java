package com.shuttle.api;

import com.shuttle.channels.Channel;
import com.shuttle.channels.Channels;
import com.shuttle.channels.Dispatch;
import com.shuttle.channels.Dispatcher;
import com.shuttle.channels.Hearing;
import com.shuttle.core.flow.Keyed;
import com.shuttle.web.Callers;
import com.shuttle.web.Fit;
import com.shuttle.web.JsonText;
import com.shuttle.web.MessageSignatures;
import com.shuttle.web.MostBytes;
import com.shuttle.web.PublicAddress;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Base64;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What gateways of phones bring. Each call is signed with the key of its channel; one that is not is as good as none. */
@RestController
@RequestMapping("/api/v1/channels/{channel}")
@Tag(
        name = "Channels",
        description = "Messages from and to phones. Signed by HTTP Message Signatures (RFC 9421), no bearer token.")
@MostBytes(MostBytes.FEW_LINES)
class ChannelsApi {

    private static final int LONGEST_ID = 90;

    /** @param name with an ending that says its kind @param data its bytes in Base64 */
    record Picture(@Nullable String name, @Nullable String data) {}

    /**
     * Either {@code text}, {@code pick} or {@code picture}.
     *
     * @param at   when it was written, where the gateway knows
     * @param name what its sender is called on the channel, where the gateway knows
     */
    record Message(
            @Nullable String id,
            @Nullable String from,
            @Nullable String text,
            @Nullable String pick,
            @Nullable Picture picture,
            @Nullable Instant at,
            @Nullable String name) {}

    /** @param taken {@code heard}, {@code before}, {@code stopped} or {@code nobody} */
    record Reply(String taken) {}

    /** @param state {@code delivered}, {@code read} or {@code failed} */
    record Told(
            @Nullable String id,
            @Nullable String state,
            @Nullable String why) {}

    private final Channels channels;
    private final Hearing hearing;
    private final Dispatcher dispatcher;
    private final RateLimits limits;
    private final PublicAddress address;
    private final InstantSource clock;

    ChannelsApi(
            Channels channels,
            Hearing hearing,
            Dispatcher dispatcher,
            RateLimits limits,
            PublicAddress address,
            InstantSource clock) {
        this.channels = channels;
        this.hearing = hearing;
        this.dispatcher = dispatcher;
        this.limits = limits;
        this.address = address;
        this.clock = clock;
    }

    @MostBytes(MostBytes.PICTURE_IN_TEXT)
    @PostMapping("/messages")
    @Operation(summary = "Somebody wrote from a phone; the same id is taken once")
    Reply message(
            @PathVariable String channel,
            @JsonText(Message.class) @RequestBody String body,
            HttpServletRequest request) {
        Channel there = enter(channel, body, request);
        Message message = Problems.read(body, Message.class);
        String id = message.id() == null ? "" : message.id();
        String from = message.from() == null ? "" : message.from();
        if (id.isEmpty() || id.length() > LONGEST_ID) {
            throw Problems.unfit("An id of 1 to 90 characters is needed, so that nothing is taken twice.");
        }
        if (!from.matches("\\+[1-9]\\d{5,14}")) {
            throw Problems.unfit("The number it is from is needed in E.164 form.");
        }
        limits.phone(channel, from);
        String text = message.text() == null ? "" : Hearing.clean(message.text());
        String pick = message.pick() == null ? "" : Fit.within(message.pick(), LONGEST_ID);
        if (text.isBlank() && pick.isEmpty() && message.picture() == null) {
            throw Problems.unfit("There is nothing readable in this message.");
        }
        Hearing.Incoming incoming = new Hearing.Incoming(
                id, from, text, pick, picture(message.picture()), message.at(), name(message.name()));
        Hearing.Taken taken = limits.inTurn(text.length(), () -> hearing.take(there, incoming));
        return new Reply(taken.name().toLowerCase(Locale.ROOT));
    }

    private static String name(@Nullable String name) {
        return name == null ? "" : Fit.within(Hearing.clean(name).strip(), LONGEST_ID);
    }

    private static Hearing.@Nullable Picture picture(@Nullable Picture sent) {
        if (sent == null) {
            return null;
        }
        try {
            return new Hearing.Picture(
                    sent.name() == null ? "" : sent.name(),
                    Base64.getDecoder().decode(sent.data() == null ? "" : sent.data()));
        } catch (IllegalArgumentException e) {
            throw Problems.unfit("The picture's data is no Base64.");
        }
    }

    @PostMapping("/states")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(summary = "How far a message is that was sent")
    void state(
            @PathVariable String channel, @JsonText(Told.class) @RequestBody String body, HttpServletRequest request) {
        Channel there = enter(channel, body, request);
        Told told = Problems.read(body, Told.class);
        Dispatch.State state;
        try {
            state = Keyed.of(Dispatch.State.class, String.valueOf(told.state()), "state");
        } catch (IllegalArgumentException none) {
            throw Problems.unfit("A state is delivered, read or failed.");
        }
        if (!dispatcher.told(there, String.valueOf(told.id()), state, told.why() == null ? "" : told.why())) {
            throw Problems.of(HttpStatus.NOT_FOUND, "Not found", "No message of this id was sent.");
        }
    }

    /** The channel whose key a call is signed with. */
    private Channel enter(String id, String body, HttpServletRequest request) {
        MessageSignatures.Came came = new MessageSignatures.Came(
                request.getMethod(),
                address.of(request.getRequestURI()),
                body,
                header(request, "Content-Digest"),
                header(request, "Signature-Input"),
                header(request, "Signature"));
        Optional<Channel> channel =
                channels.channel(id).filter(one -> MessageSignatures.holds(channels.key(one), came, clock.instant()));
        return channel.orElseThrow(() -> {
            limits.unsigned(Callers.of(request));
            return Problems.of(
                    HttpStatus.UNAUTHORIZED,
                    "Not signed",
                    "There is no such channel, or the call is not signed with its key in the last five minutes.");
        });
    }

    private static String header(HttpServletRequest request, String name) {
        String value = request.getHeader(name);
        return value == null ? "" : value;
    }
}
