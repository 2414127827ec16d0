package com.shuttle.chat;

import com.shuttle.knowledge.GapService;
import com.shuttle.web.AfterCommit;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
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

    /** Longest time conversations can be kept by the calendar, in days. */
    static final int LONGEST = 3650;

    /** That a conversation was erased. @param account who did it; empty where its time had come */
    public record Erased(String conversation, String bot, String account, Instant at) {}

    private final ConversationService conversations;
    private final ErasureStore store;
    private final OutcomeStore outcomes;
    private final UploadService uploads;
    private final GapService gaps;
    private final List<Forgets> others;
    private final InstantSource clock;

    ErasureService(
            ConversationService conversations,
            ErasureStore store,
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

    /**
     * @param account who does it; empty where its time has come
     * @throws Missing if there is no such conversation
     */
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

    /** All of those that there still are, or none if one of them cannot be erased. */
    @Transactional
    public void eraseAll(List<String> ids, String account) {
        for (String id : ids) {
            try {
                erase(id, account);
            } catch (Missing gone) {
                // Somebody else erased it, which is what was wanted.
                continue;
            }
        }
    }

    /** Notes that somebody was erased everywhere. @param person their id */
    @Transactional
    public void noted(String person, String bot, String account) {
        store.noted(person, bot, account, clock.instant());
    }

    /** Conversations in which words were said or are known of the visitor; all where nothing is looked for, newest first. */
    public Page<Conversation> search(Wanted wanted) {
        return store.search(wanted);
    }

    /** What was erased last, newest first. */
    public List<Erased> erased() {
        return store.erased();
    }

    /** For how many days conversations are kept after their last word; 0 for as long as nobody erases them. */
    public int days() {
        return store.days();
    }

    /** @param typed a number of days; blank or 0 for as long as nobody erases them */
    @Transactional
    public Checked<Integer> keepFor(String typed) {
        String bare = typed.strip();
        int days = bare.isEmpty() ? 0 : bare.matches("\\d{1,4}") ? Integer.parseInt(bare) : -1;
        if (days < 0 || days > LONGEST) {
            return Checked.bad("days", "Please give a number of days up to %,d, or none.".formatted(LONGEST));
        }
        store.keepFor(days);
        return Checked.good(days);
    }

    /** Some of the conversations whose time has come. */
    List<String> due(int most) {
        int days = days();
        return days == 0 ? List.of() : store.lastBefore(clock.instant().minusSeconds(days * 86_400L), most);
    }

    /** Some of the conversations of a bot. */
    List<String> ofBot(String bot, int most) {
        return store.ofBot(bot, most);
    }
}
