package com.shuttle.appointments;

import com.shuttle.core.booking.BusyFeed;
import com.shuttle.web.Missing;
import com.shuttle.web.Sent;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps kinds of appointment, people and rooms as forms have them; see {@link com.shuttle.web.Merge}. Thread-safe. */
@Service
class SetUpForms {

    private final Diaries diaries;
    private final DiaryStore store;

    SetUpForms(Diaries diaries, DiaryStore store) {
        this.diaries = diaries;
        this.store = store;
    }

    /** @param id empty for a new one @param resources that are ticked; those that are not there are left out */
    @Transactional
    public Sent<Kind> kind(String id, Map<String, String> form, List<String> resources) {
        Kind kept = id.isEmpty()
                ? KindForm.BLANK
                : store.locked(id).orElseThrow(() -> new Missing("kind of appointment", id));
        List<String> there = diaries.diaries(resources).stream().map(Diary::id).toList();
        Map<String, String> fields = new LinkedHashMap<>(form);
        fields.put(
                KindForm.RESOURCES,
                String.join(",", resources.stream().filter(there::contains).toList()));
        return Sent.merged(
                fields,
                KindForm.form(kept),
                merged -> KindForm.read(id, merged).map(kind -> diaries.kind(diaries.keep(kind))));
    }

    /** @param id empty for a new one */
    @Transactional
    public Sent<Diary> diary(String id, Map<String, String> form) {
        if (!id.isEmpty() && !store.lockDiary(id)) {
            throw new Missing("person or room", id);
        }
        return Sent.merged(
                form,
                id.isEmpty() ? Map.of() : DiaryForm.form(diaries.diary(id)),
                merged -> DiaryForm.read(id, merged).map(diary -> diaries.diary(diaries.keep(diary))));
    }

    /** Takes the whole days of a calendar file as days off. @return how many more there are */
    @Transactional
    public int holidays(String id, String file, Instant now) throws BusyFeed.Unreadable {
        if (!store.lockDiary(id)) {
            throw new Missing("person or room", id);
        }
        Diary before = diaries.diary(id);
        Diary with = Holidays.added(before, file, now);
        diaries.keep(with);
        return with.hours().exceptions().size() - before.hours().exceptions().size();
    }
}
