package com.shuttle.appointments;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.TestData;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.web.Checked;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What people write of hours, kinds, people and rooms is read as they mean it, or told at its place. */
class FormsTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "9-12|09:00-12:00",
                "9:00 - 12:00|09:00-12:00",
                "09:00–12:00|09:00-12:00",
                "9.30-12.15|09:30-12:15",
                "13-17, 9-12|09:00-12:00, 13:00-17:00",
                "9-13; 12-17|09:00-17:00",
                "9-12, 12-17|09:00-17:00",
                "''|''",
                "' , '|''",
            })
    void hoursAreReadAsPeopleWriteThem(String typed, String means) {
        assertThat(HoursText.write(HoursText.read(typed).orElseThrow())).isEqualTo(means);
    }

    @ParameterizedTest
    @ValueSource(strings = {"25:00-26:00", "12-9", "9-9", "nine to five", "9", "9-12-17", "09:60-10:00", "-"})
    void hoursThatAreNoneAreTold(String typed) {
        assertThat(HoursText.read(typed)).isEmpty();
        Map<String, String> wrong = new HashMap<>();
        HoursText.week(Map.of("monday", typed), wrong);
        assertThat(wrong).containsOnlyKeys("monday");
    }

    private static Map<String, String> errors(Checked<?> checked) {
        return ((Checked.Bad<?>) checked).errors();
    }

    // Kinds

    @Test
    void aKindIsReadBackAsItWasWritten() {
        Kind kind = TestData.good(KindForm.read("k", with(kind(), "ann,bob")));
        assertThat(kind.rules().minutes()).isEqualTo(45);
        assertThat(kind.rules().notice()).as("hours become minutes").isEqualTo(120);
        assertThat(kind.rules().mostADay()).isZero();
        assertThat(kind.by()).isEqualTo(Chooser.By.LEAST_BUSY);
        assertThat(TestData.good(KindForm.read("k", KindForm.form(kind)))).isEqualTo(kind);
        Map<String, String> blank = KindForm.form(KindForm.BLANK);
        blank.put("name", "Visit");
        assertThat(TestData.good(KindForm.read("", with(blank, "ann"))).rules()).isEqualTo(KindForm.BLANK.rules());
    }

    private static Map<String, String> with(Map<String, String> form, String resources) {
        form.put(KindForm.RESOURCES, resources);
        return form;
    }

    private static Map<String, String> kind() {
        return new HashMap<>(Map.of(
                "name", " Visit ",
                "minutes", "45",
                "before", "",
                "after", "15",
                "notice", "2",
                "horizon", "60",
                "step", "30",
                "places", "1",
                "most", "",
                "by", "least_busy"));
    }

    @ParameterizedTest
    @CsvSource({
        "name, ' '",
        "minutes, 47",
        "minutes, 0",
        "minutes, ''",
        "minutes, 1500",
        "step, 3",
        "before, -5",
        "after, 7",
        "notice, soon",
        "horizon, 0",
        "horizon, 400",
        "places, 0",
        "places, 5000",
        "most, 1e3",
    })
    void whatIsWrongWithAKindIsToldAtItsPlace(String field, String value) {
        Map<String, String> form = kind();
        form.put(field, value);
        assertThat(errors(KindForm.read("", with(form, "ann")))).containsOnlyKeys(field);
    }

    @Test
    void aKindNeedsSomebody() {
        assertThat(errors(KindForm.read("", kind()))).containsOnlyKeys("resources");
    }

    // People and rooms

    private static Map<String, String> person() {
        Map<String, String> form = new HashMap<>(DiaryForm.form(DiaryForm.blank(LONDON)));
        form.put("name", "Ann Hay");
        return form;
    }

    @Test
    void aPersonIsReadBackAsTheyWereWritten() {
        Map<String, String> form = person();
        form.put("skills", "French, wiring; French\nlenses ,");
        form.put("exceptions", "2026-12-24 9-12\n\n2026-12-25 closed\n2026-12-26");
        form.put("saturday", "10-14");
        Diary ann = TestData.good(DiaryForm.read("ann", form));
        assertThat(ann.skills()).containsExactly("French", "wiring", "lenses");
        assertThat(ann.hours().on(LocalDate.parse("2026-12-24")))
                .containsExactly(Span.of("09:00-12:00").orElseThrow());
        assertThat(ann.hours().on(LocalDate.parse("2026-12-25"))).isEmpty();
        assertThat(ann.hours().on(LocalDate.parse("2026-12-26")))
                .as("a Saturday")
                .isEmpty();
        assertThat(ann.hours().week()).containsKey(DayOfWeek.SATURDAY);
        assertThat(TestData.good(DiaryForm.read("ann", DiaryForm.form(ann)))).isEqualTo(ann);
    }

    @ParameterizedTest
    @CsvSource({
        "name, ''",
        "zone, Nowhere/Land",
        "monday, 25:00-26:00",
        "exceptions, tomorrow closed",
        "exceptions, 2026-02-30 closed",
        "exceptions, 2026-12-24 late",
        "skills, aaaaaaaaaabbbbbbbbbbccccccccccddddddddddeeeee",
    })
    void whatIsWrongWithAPersonIsToldAtItsPlace(String field, String value) {
        Map<String, String> form = person();
        form.put(field, value);
        assertThat(errors(DiaryForm.read("", form))).containsOnlyKeys(field);
    }

    @Test
    void daysAndSkillsHaveTheirNumber() {
        Map<String, String> form = person();
        LocalDate first = LocalDate.parse("2026-01-01");
        form.put(
                "exceptions",
                IntStream.rangeClosed(0, DiaryForm.MOST_EXCEPTIONS)
                        .mapToObj(i -> first.plusDays(i) + " closed")
                        .collect(Collectors.joining("\n")));
        assertThat(errors(DiaryForm.read("", form))).containsOnlyKeys("exceptions");
        form.put("exceptions", "");
        form.put("skills", IntStream.range(0, 21).mapToObj(i -> "s" + i).collect(Collectors.joining(",")));
        assertThat(errors(DiaryForm.read("", form))).containsOnlyKeys("skills");
    }

    // Free times by their days

    @Test
    void freeTimesStandByTheDaysOfTheClockThatReadsThem() {
        Instant late = Instant.parse("2026-06-03T23:30:00Z");
        List<Slot> slots = List.of(
                new Slot(late.minusSeconds(3600), late, List.of("ann"), 1),
                new Slot(late, late.plusSeconds(3600), List.of("ann"), 24));
        assertThat(FreeDays.of(slots, ZoneId.of("UTC"))).hasSize(1);
        List<FreeDays.Day> london = FreeDays.of(slots, LONDON);
        assertThat(london).extracting(FreeDays.Day::label).containsExactly("Wednesday 3 June", "Thursday 4 June");
        assertThat(london.getLast().times()).containsExactly(new FreeDays.Time("2026-06-03T23:30:00Z", "00:30", 24));
        assertThat(FreeDays.of(List.of(), LONDON)).isEmpty();
    }
}
