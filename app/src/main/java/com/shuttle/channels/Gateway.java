package com.shuttle.channels;

import com.shuttle.core.channel.Piece;
import com.shuttle.web.Json;
import com.shuttle.web.MessageSignatures;
import com.shuttle.web.Outgoing;
import com.shuttle.web.Outgoing.Received;
import com.shuttle.web.Outgoing.Sending;
import java.io.IOException;
import java.net.URI;
import java.time.InstantSource;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Posts messages to the gateway of a channel, signed. Thread-safe. */
@Component
class Gateway {

    private static final int MILLIS = 10_000;
    private static final String TYPE = "application/json";

    private final Outgoing outgoing;
    private final Channels channels;
    private final InstantSource clock;

    Gateway(Outgoing outgoing, Channels channels, InstantSource clock) {
        this.outgoing = outgoing;
        this.channels = channels;
        this.clock = clock;
    }

    /** How an attempt went. @param why it failed; empty where it went well @param forGood whether another would be in vain */
    record Went(String why, boolean forGood) {
        static final Went WELL = new Went("", false);
    }

    Went send(Channel channel, Dispatch dispatch) {
        ObjectNode errand = JsonMapper.shared()
                .createObjectNode()
                .put("id", dispatch.id())
                .put("from", channel.number())
                .put("to", dispatch.number())
                .put("at", dispatch.madeAt().toString())
                .put("parts", dispatch.parts());
        errand.set("message", JsonMapper.shared().readTree(Json.writeAs(dispatch.piece(), Piece.class)));
        String body = errand.toString();
        try {
            URI address = URI.create(channel.address());
            Received received = outgoing.exchange(new Sending(
                    "POST",
                    address,
                    MessageSignatures.sign(channels.key(channel), "POST", address, body, clock.instant()),
                    TYPE,
                    body,
                    MILLIS));
            int status = received.status();
            boolean refused = status / 100 == 4 && status != 408 && status != 425 && status != 429;
            return status / 100 == 2 ? Went.WELL : new Went("The reply had the status " + status + ".", refused);
        } catch (IllegalArgumentException e) {
            return new Went("This is no web address.", true);
        } catch (Outgoing.Unsent e) {
            return new Went(String.valueOf(e.getMessage()), false);
        } catch (IOException e) {
            return new Went("No whole reply came in time.", false);
        }
    }
}
