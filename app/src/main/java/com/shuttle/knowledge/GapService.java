package com.shuttle.knowledge;

import com.shuttle.core.reading.Words;
import com.shuttle.web.Page;
import java.time.Instant;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Questions that no knowledge answered. Thread-safe. */
@Service
public class GapService {

    private final GapStore store;

    GapService(GapStore store) {
        this.store = store;
    }

    /** Notes a gap; belongs into the transaction of the turn that found it. */
    @Transactional
    public void note(String bot, String conversation, String question, Instant at) {
        store.insert(bot, conversation, question, Words.normal(question), at);
    }

    /** Newest first; questions that differ in case and punctuation only count as one. */
    public Page<Gap> list(String bot, int page) {
        return store.list(bot, page);
    }

    public int count(String bot) {
        return store.count(bot);
    }

    /** Takes a gap, and all like it, off the list. */
    @Transactional
    public void dismiss(String bot, String id) {
        store.delete(bot, id);
    }
}
