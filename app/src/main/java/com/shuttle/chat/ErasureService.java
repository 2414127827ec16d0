package com.shuttle.chat;

import com.shuttle.knowledge.GapService;
import com.shuttle.web.AfterCommit;
import java.time.InstantSource;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Erases conversations for good: with their messages, files, questions, ratings and notes, with what is remembered of their
 * visitor, and with what others keep of them ({@link Forgets}). That it was done is kept, nothing else. Thread-safe.
 */
@Service
public class ErasureService {

    private final ConversationService conversations;
    private final ConversationStore store;
    private final OutcomeStore outcomes;
    private final UploadService uploads;
    private final GapService gaps;
    private final List<Forgets> others;
    private final InstantSource clock;

    ErasureService(
            ConversationService conversations,
            ConversationStore store,
            OutcomeStore outcomes,
            UploadService uploads,
            GapService gaps,
            List<Forgets> others,
            InstantSource clock) {
        this.conversations = conversations;
        this.store = store;
        this.outcomes = outcomes;
        this.uploads = uploads;
        this.gaps = gaps;
        this.others = others;
        this.clock = clock;
    }

    /** @throws com.shuttle.web.Missing if there is no such conversation */
    @Transactional
    public void erase(String id, String account) {
        Conversation conversation = conversations.conversation(id);
        List<String> files = List.copyOf(outcomes.uploads(id).keySet());
        others.forEach(other -> other.forget(conversation));
        gaps.forget(id);
        if (!conversation.visitor().isEmpty()) {
            outcomes.forget(conversation.bot(), conversation.visitor());
        }
        store.erase(conversation, account, clock.instant());
        AfterCommit.run(() -> files.forEach(uploads::delete));
    }
}
