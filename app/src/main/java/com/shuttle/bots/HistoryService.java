package com.shuttle.bots;

import com.shuttle.core.edit.FlowDiff;
import com.shuttle.core.flow.Flow;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was done to a flow, from its beginning on: telling, comparing, going back. Thread-safe. */
@Service
public class HistoryService {

    private final BotStore store;
    private final BotService bots;

    HistoryService(BotStore store, BotService bots) {
        this.store = store;
        this.bots = bots;
    }

    /** Edits, the last first, those that were undone among them. */
    public Page<Past> edits(String bot, String flow, int page) {
        return store.edits(bot, flow, page);
    }

    /**
     * The flow after an edit.
     *
     * @throws Missing if there is no such edit
     */
    public Flow after(String bot, String flow, int edit) {
        return store.documentAt(bot, flow, edit).orElseThrow(() -> new Missing("edit", flow + " " + edit));
    }

    /** What differs between the states after two edits. */
    public List<FlowDiff.Change> compare(String bot, String flow, int from, int to) {
        return FlowDiff.between(after(bot, flow, from), after(bot, flow, to));
    }

    /** Makes the state after an edit the present one, as an edit that can itself be undone. */
    @Transactional
    public void restore(String bot, String flow, int edit, @Nullable String account) {
        bots.putFlow(bot, after(bot, flow, edit), "went back to how it was after change " + edit, account);
    }
}
