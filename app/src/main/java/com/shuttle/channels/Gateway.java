package com.shuttle.channels;

import com.shuttle.core.channel.Piece;
import com.shuttle.web.Json;
import com.shuttle.web.SignedPost;
import com.shuttle.web.Went;
import java.util.Set;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Posts messages to the gateway of a channel. Thread-safe. */
@Component
class Gateway {

    private static final String TYPE = "application/json";

    /** Statuses of 4xx that say "not now" (RFC 9110, RFC 8470, RFC 6585). */
    private static final Set<Integer> NOT_NOW = Set.of(408, 425, 429);

    private final SignedPost outside;
    private final Channels channels;

    Gateway(SignedPost outside, Channels channels) {
        this.outside = outside;
        this.channels = channels;
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
        return outside.post(
                channel.address(),
                channels.key(channel),
                TYPE,
                errand.toString(),
                status -> status / 100 == 4 && !NOT_NOW.contains(status));
    }
}
