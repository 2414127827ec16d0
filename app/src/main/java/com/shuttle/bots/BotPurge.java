package com.shuttle.bots;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes bots that were deleted out of the database for good. Thread-safe. */
@Service
public class BotPurge {

    private final BotStore store;
    private final MediaService media;

    BotPurge(BotStore store, MediaService media) {
        this.store = store;
        this.media = media;
    }

    /** Ids of the bots that were deleted before a moment. */
    public List<String> deletedBefore(Instant moment) {
        return store.deletedBefore(moment);
    }

    /** Purges a bot whose conversations are gone, with its flows, releases and media. One that is not deleted stays. */
    @Transactional
    public void purge(String id) {
        if (store.isDeleted(id)) {
            media.deleteOf(id);
            store.purge(id);
        }
    }
}
