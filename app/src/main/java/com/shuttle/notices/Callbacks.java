package com.shuttle.notices;

import com.shuttle.web.SignedPost;
import com.shuttle.web.Vault;
import com.shuttle.web.Went;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Web callbacks as CloudEvents 1.0 in their structured form, signed. A repetition has the same {@code id}. Thread-safe.
 */
@Component
class Callbacks {

    private static final int GONE = 410;
    private static final String TYPE = "application/cloudevents+json";
    private static final JsonMapper JSON = JsonMapper.shared();

    private final SignedPost outside;
    private final Vault vault;

    Callbacks(SignedPost outside, Vault vault) {
        this.outside = outside;
        this.vault = vault;
    }

    /** The key with which signatures are checked. */
    String key() {
        return vault.sign("callbacks");
    }

    Went send(Notice notice) {
        ObjectNode event = JSON.createObjectNode()
                .put("specversion", "1.0")
                .put("id", notice.id())
                .put("source", notice.conversation() == null ? "/shuttle" : "/conversations/" + notice.conversation())
                .put("type", notice.subject())
                .put("time", notice.madeAt().toString())
                .put("datacontenttype", "application/json");
        event.set("data", JSON.readTree(notice.text()));
        String body = JSON.writeValueAsString(event);
        return outside.post(notice.receiver(), key(), TYPE, body, status -> status == GONE);
    }
}
