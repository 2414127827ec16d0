package com.shuttle.chat;

import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Reads;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.Way;
import com.shuttle.core.engine.Engine;
import com.shuttle.releases.ReleaseService;
import com.shuttle.web.Missing;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;

/**
 * What was decided in a conversation, read as it was stored; deciding it again is only a check. So the engine may become
 * cleverer without changing the past. Thread-safe.
 */
@Service
public class PastTurns {

    private final ConversationStore store;
    private final ReleaseService releases;

    PastTurns(ConversationStore store, ReleaseService releases) {
        this.store = store;
        this.releases = releases;
    }

    /** One turn as it was decided. @param working what was understood and done, and why; empty for turns of old */
    public record PastTurn(Event event, List<TraceLine> working, List<Way> way, Instant at) {}

    /** The turns of a conversation, as they were decided then. */
    public List<PastTurn> of(String conversation) {
        return store.events(conversation).stream()
                .map(stored -> new PastTurn(stored.event(), stored.working(), stored.way(), stored.at()))
                .toList();
    }

    /**
     * The state that the stored events lead to when they are decided again: a check, equal to the stored state. Empty for a
     * conversation of which another version of the engine decided any part.
     */
    public Optional<State> replay(String id) {
        Playbook playbook = releases.playbook(store.find(id)
                .orElseThrow(() -> new Missing("conversation", id))
                .release());
        State state = State.NEW;
        for (ConversationStore.Stored stored : store.events(id)) {
            if (stored.engine() != Engine.VERSION) {
                return Optional.empty();
            }
            Turn turn = Engine.take(playbook, state, stored.event(), new Reads.Replayer(stored.reads()));
            if (!(turn instanceof Turn.Taken taken)) {
                throw new IllegalStateException("a stored event of conversation " + id + " was refused");
            }
            state = taken.state();
        }
        return Optional.of(state);
    }
}
