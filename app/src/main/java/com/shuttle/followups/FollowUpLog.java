package com.shuttle.followups;

import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import org.springframework.stereotype.Component;

/** What follow-ups have sent, what not, and why. Thread-safe. */
@Component
class FollowUpLog {

    private final FollowUpStore store;

    FollowUpLog(FollowUpStore store) {
        this.store = store;
    }

    FollowUpStore.Figures figures(String id) {
        return store.figures(id);
    }

    Page<FollowUpStore.Logged> lines(String id, Wanted wanted) {
        return store.logged(id, wanted);
    }
}
