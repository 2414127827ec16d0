package com.shuttle.leads;

import com.shuttle.chat.Conversation;
import com.shuttle.chat.Forgets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/**
 * What becomes of people when a conversation is erased: what only it said of them goes, and somebody of whom nothing else is
 * known goes with it. Thread-safe.
 */
@Service
class Forgetting implements Forgets {

    private final PersonStore people;
    private final HistoryStore history;

    Forgetting(PersonStore people, HistoryStore history) {
        this.people = people;
        this.history = history;
    }

    @Override
    public void forget(Conversation conversation) {
        Person before = people.ofConversation(conversation.id()).orElse(null);
        if (before == null) {
            return;
        }
        people.unlink(conversation.id());
        history.forgetSaidIn(conversation.id());
        List<String> others = people.conversations(before.id());
        boolean known = !others.isEmpty() || history.saidByPeople(before.id());
        PersonDraft draft = new PersonDraft(before);
        Map<String, String> said = new HashMap<>();
        history.said(before.id()).forEach(one -> said.putIfAbsent(one.field(), one.content()));
        LeadField.ALWAYS.forEach(field -> draft.field(field.id(), said.getOrDefault(field.id(), "")));
        if (!known || draft.email.isEmpty() && draft.phone.isEmpty()) {
            people.delete(before.id());
            return;
        }
        history.fields(before.id()).keySet().stream()
                .filter(field -> !said.containsKey(field))
                .forEach(field -> history.field(before.id(), field, "", null));
        draft.conversation = others.isEmpty() ? "" : others.getFirst();
        draft.conversations = Math.max(0, before.conversations() - 1);
        draft.worth = people.worth(before.id());
        people.update(draft.done());
    }
}
