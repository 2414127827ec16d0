package com.shuttle.bots;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;

/** One edit of all flows of a bot. Thread-safe. */
@Service
public class FlowEdits {

    private final BotService bots;
    private final BotStore store;

    FlowEdits(BotService bots, BotStore store) {
        this.bots = bots;
        this.store = store;
    }

    /** What came of it. */
    public sealed interface Result {}

    /** @param flows ids of those that it changed */
    public record Done(List<String> flows) implements Result {}

    /** It fits one of the flows not, and so changes none. @param why for the person who tried, as a sentence */
    public record Refused(String why) implements Result {}

    /** Makes an edit in every flow, or in none where one of them refuses it; then nothing else of the transaction stands either. */
    @Transactional
    public Result everywhere(String bot, Edit edit, @Nullable String account) {
        List<String> changed = new ArrayList<>();
        for (Draft seen : bots.drafts(bot)) {
            String flow = seen.flow().id();
            store.lock(bot, flow);
            Draft draft = bots.draft(bot, flow);
            switch (bots.edit(bot, flow, edit, account)) {
                case Edited.Refused(String why) -> {
                    TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
                    return new Refused("In “" + draft.flow().name() + "”: " + why);
                }
                case Edited.Done done when !done.flow().equals(draft.flow()) -> changed.add(flow);
                case Edited.Done same -> {}
                case Edited.Clash clash -> {}
            }
        }
        return new Done(changed);
    }
}
