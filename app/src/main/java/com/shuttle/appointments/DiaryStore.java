package com.shuttle.appointments;

import static com.shuttle.schema.Tables.APPOINTMENT_KIND;
import static com.shuttle.schema.Tables.RESOURCE;
import static com.shuttle.schema.Tables.RESOURCE_DAY;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.core.calendar.Zones;
import com.shuttle.schema.tables.records.AppointmentKindRecord;
import com.shuttle.schema.tables.records.ResourceRecord;
import com.shuttle.web.Json;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Kinds of appointment, people and rooms in the database. */
@Repository
class DiaryStore {

    private final DSLContext db;

    DiaryStore(DSLContext db) {
        this.db = db;
    }

    // Kinds

    private static Kind kind(AppointmentKindRecord row) {
        Kind.Document document = Json.read(row.getDocument(), Kind.Document.class);
        return new Kind(
                row.getId(),
                row.getName(),
                document.about(),
                document.place(),
                document.rules(),
                document.by(),
                document.resources());
    }

    /** All that are not deleted, by name. */
    List<Kind> kinds() {
        return db.selectFrom(APPOINTMENT_KIND)
                .where(APPOINTMENT_KIND.DELETED_AT.isNull())
                .orderBy(DSL.lower(APPOINTMENT_KIND.NAME), APPOINTMENT_KIND.ID)
                .fetch(DiaryStore::kind);
    }

    /** One that is there or was. */
    Optional<Kind> kind(String id) {
        return db.selectFrom(APPOINTMENT_KIND).where(APPOINTMENT_KIND.ID.eq(id)).fetchOptional(DiaryStore::kind);
    }

    /** One that is not deleted. */
    Optional<Kind> bookable(String id) {
        return db.selectFrom(APPOINTMENT_KIND)
                .where(APPOINTMENT_KIND.ID.eq(id), APPOINTMENT_KIND.DELETED_AT.isNull())
                .fetchOptional(DiaryStore::kind);
    }

    /** Keeps others from booking this kind until the transaction is over. Empty where it is gone. */
    Optional<Kind> locked(String id) {
        return db.selectFrom(APPOINTMENT_KIND)
                .where(APPOINTMENT_KIND.ID.eq(id), APPOINTMENT_KIND.DELETED_AT.isNull())
                .forUpdate()
                .fetchOptional(DiaryStore::kind);
    }

    /** Keeps others from changing a person or room until the transaction is over. Whether there is one. */
    boolean lockDiary(String id) {
        return db.select(RESOURCE.ID)
                .from(RESOURCE)
                .where(RESOURCE.ID.eq(id))
                .forUpdate()
                .fetchOptional()
                .isPresent();
    }

    void keep(Kind kind, Instant at) {
        db.insertInto(APPOINTMENT_KIND)
                .set(APPOINTMENT_KIND.ID, kind.id())
                .set(APPOINTMENT_KIND.NAME, kind.name())
                .set(APPOINTMENT_KIND.DOCUMENT, Json.write(kind.document()))
                .set(APPOINTMENT_KIND.UPDATED_AT, at)
                .onDuplicateKeyUpdate()
                .set(APPOINTMENT_KIND.NAME, kind.name())
                .set(APPOINTMENT_KIND.DOCUMENT, Json.write(kind.document()))
                .set(APPOINTMENT_KIND.UPDATED_AT, at)
                .execute();
    }

    void deleteKind(String id, @Nullable Instant at) {
        db.update(APPOINTMENT_KIND)
                .set(APPOINTMENT_KIND.DELETED_AT, at)
                .where(APPOINTMENT_KIND.ID.eq(id))
                .execute();
    }

    // People and rooms

    private static Diary diary(ResourceRecord row, Map<LocalDate, List<Span>> exceptions) {
        return new Diary(
                row.getId(),
                Diary.Type.of(row.getKind()),
                row.getName(),
                new OpenHours(
                        Zones.firstKnown(row.getZone()),
                        HoursText.week(Json.texts(row.getWeek()), new HashMap<>()),
                        exceptions),
                Json.strings(row.getSkills()));
    }

    /** All that are not deleted, by name. */
    List<Diary> diaries() {
        return diaries(noCondition(), noCondition());
    }

    /** Those of these ids that are not deleted, by name. */
    List<Diary> diaries(Collection<String> ids) {
        return diaries(RESOURCE.ID.in(ids), RESOURCE_DAY.RESOURCE_ID.in(ids));
    }

    private List<Diary> diaries(Condition which, Condition whose) {
        Map<String, Map<LocalDate, List<Span>>> days = new HashMap<>();
        db.selectFrom(RESOURCE_DAY)
                .where(whose)
                .forEach(row -> days.computeIfAbsent(row.getResourceId(), id -> new HashMap<>())
                        .put(row.getOnDay(), HoursText.read(row.getSpans()).orElse(List.of())));
        return db.selectFrom(RESOURCE)
                .where(which)
                .and(RESOURCE.DELETED_AT.isNull())
                .orderBy(DSL.lower(RESOURCE.NAME), RESOURCE.ID)
                .fetch(row -> diary(row, days.getOrDefault(row.getId(), Map.of())));
    }

    void keep(Diary diary, Instant at) {
        String week = Json.write(HoursText.week(diary.hours().week()));
        db.insertInto(RESOURCE)
                .set(RESOURCE.ID, diary.id())
                .set(RESOURCE.KIND, diary.type().key())
                .set(RESOURCE.NAME, diary.name())
                .set(RESOURCE.ZONE, diary.hours().zone().getId())
                .set(RESOURCE.WEEK, week)
                .set(RESOURCE.SKILLS, Json.write(diary.skills()))
                .set(RESOURCE.UPDATED_AT, at)
                .onDuplicateKeyUpdate()
                .set(RESOURCE.KIND, diary.type().key())
                .set(RESOURCE.NAME, diary.name())
                .set(RESOURCE.ZONE, diary.hours().zone().getId())
                .set(RESOURCE.WEEK, week)
                .set(RESOURCE.SKILLS, Json.write(diary.skills()))
                .set(RESOURCE.UPDATED_AT, at)
                .execute();
        db.deleteFrom(RESOURCE_DAY)
                .where(RESOURCE_DAY.RESOURCE_ID.eq(diary.id()))
                .execute();
        diary.hours()
                .exceptions()
                .forEach((day, spans) -> db.insertInto(RESOURCE_DAY)
                        .set(RESOURCE_DAY.RESOURCE_ID, diary.id())
                        .set(RESOURCE_DAY.ON_DAY, day)
                        .set(RESOURCE_DAY.SPANS, HoursText.write(spans))
                        .execute());
    }

    void deleteDiary(String id, @Nullable Instant at) {
        db.update(RESOURCE)
                .set(RESOURCE.DELETED_AT, at)
                .where(RESOURCE.ID.eq(id))
                .execute();
    }

    /** Which of the addresses that its calendar has had holds now; empty where it is gone. */
    Optional<Integer> feed(String id) {
        return db.select(RESOURCE.FEED)
                .from(RESOURCE)
                .where(RESOURCE.ID.eq(id), RESOURCE.DELETED_AT.isNull())
                .fetchOptional(RESOURCE.FEED);
    }

    void renewFeed(String id) {
        db.update(RESOURCE)
                .set(RESOURCE.FEED, RESOURCE.FEED.plus(1))
                .where(RESOURCE.ID.eq(id))
                .execute();
    }

    /** The name of one that is there or was; its id where it never was. */
    String nameOf(String id) {
        return db.select(RESOURCE.NAME)
                .from(RESOURCE)
                .where(RESOURCE.ID.eq(id))
                .fetchOptional(RESOURCE.NAME)
                .orElse(id);
    }
}
