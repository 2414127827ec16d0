package com.shuttle.appointments;

import com.shuttle.AtOnce;
import com.shuttle.ServerTest;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.web.Merge;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Two people at one kind of appointment, and at one diary. */
@ServerTest
class SetUpAtOnceTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final Instant NOW = Instant.parse("2026-12-01T10:00:00Z");

    private final Diaries diaries;
    private final SetUpForms forms;

    SetUpAtOnceTest(Diaries diaries, SetUpForms forms) {
        this.diaries = diaries;
        this.forms = forms;
    }

    private String person() {
        return diaries.keep(new Diary("", Diary.Type.PERSON, "Ann", new OpenHours(LONDON, Map.of(), Map.of())));
    }

    private static Map<String, String> form(Map<String, String> shown, String field, String value) {
        Map<String, String> form = new HashMap<>(shown);
        form.put(field, value);
        form.put(Merge.WAS, Merge.written(shown));
        return form;
    }

    private AtOnce.Action diary(String id, String field, String value) {
        Map<String, String> form = form(DiaryForm.form(diaries.diary(id)), field, value);
        return () -> forms.diary(id, form).getClass();
    }

    private AtOnce.Action holidays(String id) {
        String file = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:20261224\r\n"
                + "END:VEVENT\r\nEND:VCALENDAR\r\n";
        return () -> forms.holidays(id, file, NOW);
    }

    @Test
    void aDiaryIsWhatTheyDoInTurn() throws Exception {
        new AtOnce<>(this::person, id -> DiaryForm.form(diaries.diary(id)))
                .can("names it", id -> diary(id, "name", "Anna"))
                .can("adds skills", id -> diary(id, "skills", "telescopes"))
                .can("sets a day", id -> diary(id, "exceptions", "2026-12-31 closed"))
                .can("brings holidays in", this::holidays)
                .check();
    }

    private AtOnce.Action kind(String id, String field, String value) {
        Kind kind = diaries.kind(id);
        Map<String, String> form = form(KindForm.form(kind), field, value);
        return () -> forms.kind(id, form, kind.resources()).getClass();
    }

    @Test
    void aKindIsWhatTheyDoInTurn() throws Exception {
        String ann = person();
        new AtOnce<>(
                        () -> diaries.keep(new Kind(
                                "", "Visit", "", "", KindForm.BLANK.rules(), KindForm.BLANK.by(), List.of(ann))),
                        id -> KindForm.form(diaries.kind(id)))
                .can("names it", id -> kind(id, "name", "Long visit"))
                .can("makes it longer", id -> kind(id, "minutes", "90"))
                .can("says where", id -> kind(id, "place", "At the gate"))
                .can("gives it places", id -> kind(id, "places", "4"))
                .check();
    }
}
