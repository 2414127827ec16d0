package com.shuttle.chat;

import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.State;
import com.shuttle.releases.ReleaseService;
import com.shuttle.web.Fit;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Fills in what lists show of conversations that were begun before lists had columns of their own. Done once. */
@Component
@Order(0)
class ListColumns implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(ListColumns.class);

    private final ConversationStore store;
    private final ReleaseService releases;

    ListColumns(ConversationStore store, ReleaseService releases) {
        this.store = store;
        this.releases = releases;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        List<String> old = store.withoutColumns();
        old.forEach(this::fill);
        if (!old.isEmpty()) {
            LOG.info("Lists show {} earlier conversations too", old.size());
        }
    }

    private void fill(String id) {
        State state = store.state(id).orElseThrow();
        Conversation conversation = store.find(id).orElseThrow();
        String words = store.lines(id, Math.max(0, state.seq() - 3), Long.MAX_VALUE).stream()
                .map(Line::message)
                .map(Message::text)
                .filter(text -> !text.isBlank())
                .reduce("", (before, text) -> text)
                .replaceAll("\\s+", " ");
        store.fillColumns(
                id,
                state.channel().isBlank() ? "web" : state.channel(),
                state.page(),
                releases.playbook(conversation.release()).personName(state.variables()),
                Fit.within(words, TurnStore.LONGEST_LAST_WORDS));
    }
}
