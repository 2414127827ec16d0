package com.shuttle.leads;

import com.shuttle.core.people.Identity;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Makes one of two people. What hangs on either hangs on the one who stays; the other's row is kept in the history, so that it can
 * be undone. Thread-safe.
 */
@Service
class Merging {

    private final PersonStore people;
    private final HistoryStore history;
    private final MergeStore merges;

    Merging(PersonStore people, HistoryStore history, MergeStore merges) {
        this.people = people;
        this.history = history;
        this.merges = merges;
    }

    /** How a merge is undone: the two as they were, and what was given. */
    record Undo(
            Person stayed,
            Person went,
            Map<String, List<String>> given,
            Map<String, String> stayedFields,
            Map<String, String> wentFields) {}

    /** What a field becomes. @param stays what the one who stays has, {@code goes} the other */
    record Becomes(String field, String stays, String goes, String becomes) {}

    /** What each field would become, for those fields that either has. */
    List<Becomes> preview(Person stays, Person goes, List<LeadField> own) {
        List<Becomes> all = new ArrayList<>();
        for (LeadField field : LeadField.ALWAYS) {
            String one = PersonDraft.field(stays, field.id());
            String other = PersonDraft.field(goes, field.id());
            all.add(new Becomes(field.name(), one, other, joined(field.id(), one, other)));
        }
        Map<String, String> ones = history.fields(stays.id());
        Map<String, String> others = history.fields(goes.id());
        for (LeadField field : own) {
            String one = ones.getOrDefault(field.id(), "");
            String other = others.getOrDefault(field.id(), "");
            all.add(new Becomes(field.name(), one, other, one.isEmpty() ? other : one));
        }
        all.removeIf(one -> one.stays().isEmpty() && one.goes().isEmpty());
        return all;
    }

    private static String joined(String field, String stays, String goes) {
        return stays.isEmpty() ? goes : field.equals("name") ? Identity.fuller(goes, stays) : stays;
    }

    /** @param account who does it; empty where the application found that they are the same */
    @Transactional(propagation = Propagation.MANDATORY)
    Person merge(Person stays, Person goes, List<LeadField> own, String account, Instant at) {
        Map<String, String> stayedFields = history.fields(stays.id());
        Map<String, String> wentFields = history.fields(goes.id());
        Map<String, List<String>> given = merges.give(goes.id(), stays.id());
        people.delete(goes.id());
        PersonDraft draft = new PersonDraft(stays);
        LeadField.ALWAYS.forEach(field -> draft.field(
                field.id(),
                joined(field.id(), PersonDraft.field(stays, field.id()), PersonDraft.field(goes, field.id()))));
        take(draft, stays, goes);
        Map<String, LeadField> kinds = new LinkedHashMap<>();
        own.forEach(field -> kinds.put(field.id(), field));
        wentFields.forEach((field, content) -> {
            LeadField kind = kinds.get(field);
            if (!stayedFields.containsKey(field)) {
                history.field(stays.id(), field, content, kind == null ? null : kind.figure(content));
            }
        });
        Person merged = draft.done();
        people.update(merged);
        history.happened(new PersonEvent(
                Ids.next(),
                stays.id(),
                PersonEvent.Kind.MERGED,
                "merged with " + goes.called(),
                account,
                "",
                Json.write(new Undo(stays, goes, given, stayedFields, wentFields)),
                at));
        return people.find(stays.id()).orElse(merged);
    }

    private void take(PersonDraft draft, Person stays, Person goes) {
        boolean later = goes.lastAt().isAfter(stays.lastAt());
        draft.conversations = stays.conversations() + goes.conversations();
        draft.worth = people.worth(stays.id());
        draft.conversation = later && !goes.conversation().isEmpty() ? goes.conversation() : stays.conversation();
        draft.lastAt = later ? goes.lastAt() : stays.lastAt();
        draft.owner = stays.owner().isEmpty() ? goes.owner() : stays.owner();
        draft.state = stays.state().isEmpty() ? goes.state() : stays.state();
        draft.leadAt = stays.leadAt() == null ? goes.leadAt() : stays.leadAt();
        draft.agreedAt = stays.agreedAt() == null ? goes.agreedAt() : stays.agreedAt();
        if (stays.stoppedAt() == null) {
            draft.stoppedAt = goes.stoppedAt();
            draft.stoppedWhy = goes.stoppedWhy();
        }
        if (goes.points() != null && (stays.points() == null || later)) {
            draft.points = goes.points();
            draft.band = goes.band();
            draft.card = goes.card();
        }
        List<String> tags = new ArrayList<>(stays.tags());
        goes.tags().stream().filter(tag -> !tags.contains(tag)).forEach(tags::add);
        draft.tags = tags;
    }

    /** Makes them two again, where nobody has changed an address meanwhile so that it is another's. */
    @Transactional(propagation = Propagation.MANDATORY)
    void split(Person merged, Undo undo) {
        PersonDraft draft = new PersonDraft(merged);
        LeadField.ALWAYS.forEach(field -> {
            String is = PersonDraft.field(merged, field.id());
            if (is.equals(PersonDraft.field(undo.went(), field.id()))) {
                draft.field(field.id(), PersonDraft.field(undo.stayed(), field.id()));
            }
        });
        draft.conversations = undo.stayed().conversations();
        draft.conversation = undo.stayed().conversation();
        draft.points = undo.stayed().points();
        draft.band = undo.stayed().band();
        draft.card = undo.stayed().card();
        draft.agreedAt = undo.stayed().agreedAt();
        people.update(draft.done());
        people.insert(undo.went());
        undo.wentFields().forEach((field, content) -> {
            if (!undo.stayedFields().containsKey(field)) {
                history.field(merged.id(), field, "", null);
            }
            history.field(undo.went().id(), field, content, null);
        });
        merges.giveBack(undo.given(), undo.went().id());
    }
}
