package com.shuttle.leads;

import com.shuttle.chat.Conversation;
import com.shuttle.chat.DeedHandler;
import com.shuttle.chat.Forgets;
import com.shuttle.core.conversation.Deed;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.Locale;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** Makes a lead of everyone who leaves name and email; the same email is the same lead. Thread-safe. */
@Service
public class LeadService implements DeedHandler<Deed.KeepLead>, Forgets {

    private final LeadStore store;

    LeadService(LeadStore store) {
        this.store = store;
    }

    @Override
    public Class<Deed.KeepLead> type() {
        return Deed.KeepLead.class;
    }

    @Override
    public void carryOut(Conversation conversation, Deed.KeepLead lead, Instant at) {
        keep(conversation, lead.name(), lead.email().toLowerCase(Locale.ROOT), lead.phone(), at);
    }

    private void keep(Conversation conversation, String name, String email, String phone, Instant at) {
        String bot = conversation.bot();
        var known = store.byEmail(bot, email);
        if (known.isEmpty()) {
            try {
                store.insert(new Lead(Ids.next(), bot, name, email, phone, conversation.id(), 1, at, at));
                return;
            } catch (DuplicateKeyException madeMeanwhile) {
                known = store.byEmail(bot, email);
            }
        }
        known.ifPresent(lead -> {
            boolean same = lead.conversation().equals(conversation.id());
            store.update(new Lead(
                    lead.id(),
                    bot,
                    name,
                    email,
                    phone.isEmpty() ? lead.phone() : phone,
                    conversation.id(),
                    lead.conversations() + (same ? 0 : 1),
                    lead.firstAt(),
                    at));
        });
    }

    /** @param wanted filtered by {@code bot}; sorted by {@code name}, {@code conversations} or {@code last}, else the latest first */
    public Page<Lead> list(Wanted wanted) {
        return store.list(wanted);
    }

    /** A lead whose latest conversation is erased goes with it. */
    @Override
    public void forget(Conversation conversation) {
        store.deleteOf(conversation.id());
    }

    /** @throws Missing if there is no such lead */
    public Lead lead(String id) {
        return store.find(id).orElseThrow(() -> new Missing("lead", id));
    }

    /** Whether a lead was kept in a conversation. */
    public boolean isOf(String conversation) {
        return store.isOf(conversation);
    }

    /** Leads made or met again since. */
    public int since(String bot, Instant since) {
        return store.since(bot, since);
    }
}
