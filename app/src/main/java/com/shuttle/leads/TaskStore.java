package com.shuttle.leads;

import static com.shuttle.schema.Tables.LEAD_TASK;
import static com.shuttle.schema.Tables.PERSON;

import com.shuttle.web.Fit;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Tasks about leads in the database. */
@Repository
class TaskStore {

    private final DSLContext db;

    TaskStore(DSLContext db) {
        this.db = db;
    }

    void insert(LeadTask task) {
        db.insertInto(LEAD_TASK)
                .set(LEAD_TASK.ID, task.id())
                .set(LEAD_TASK.PERSON_ID, task.person())
                .set(LEAD_TASK.WORDS, Fit.within(task.words(), 1000))
                .set(LEAD_TASK.DUE_AT, task.dueAt())
                .set(LEAD_TASK.ACCOUNT_ID, task.account())
                .set(LEAD_TASK.TEAM_ID, task.team())
                .set(LEAD_TASK.MADE_AT, task.madeAt())
                .set(LEAD_TASK.DONE_AT, task.doneAt())
                .execute();
    }

    Optional<LeadTask> find(String id) {
        return db.select(LEAD_TASK.fields())
                .select(PERSON.NAME, PERSON.EMAIL, PERSON.PHONE)
                .from(LEAD_TASK)
                .join(PERSON)
                .on(PERSON.ID.eq(LEAD_TASK.PERSON_ID))
                .where(LEAD_TASK.ID.eq(id))
                .fetchOptional(TaskStore::task);
    }

    /** @param at null for one that is open again @return whether it stood otherwise */
    boolean done(String id, @Nullable Instant at) {
        return db.update(LEAD_TASK)
                        .set(LEAD_TASK.DONE_AT, at)
                        .where(LEAD_TASK.ID.eq(id))
                        .and(at == null ? LEAD_TASK.DONE_AT.isNotNull() : LEAD_TASK.DONE_AT.isNull())
                        .execute()
                == 1;
    }

    /** Open ones first, soonest due first. */
    List<LeadTask> of(String person) {
        return db.select(LEAD_TASK.fields())
                .select(PERSON.NAME, PERSON.EMAIL, PERSON.PHONE)
                .from(LEAD_TASK)
                .join(PERSON)
                .on(PERSON.ID.eq(LEAD_TASK.PERSON_ID))
                .where(LEAD_TASK.PERSON_ID.eq(person))
                .orderBy(
                        LEAD_TASK.DONE_AT.isNotNull(),
                        LEAD_TASK.DUE_AT.asc().nullsLast(),
                        LEAD_TASK.MADE_AT.desc(),
                        LEAD_TASK.ID)
                .limit(100)
                .fetch(TaskStore::task);
    }

    /** The next open task of each of these people. */
    Map<String, LeadTask> next(Collection<String> people) {
        return db
                .select(LEAD_TASK.fields())
                .select(PERSON.NAME, PERSON.EMAIL, PERSON.PHONE)
                .from(LEAD_TASK)
                .join(PERSON)
                .on(PERSON.ID.eq(LEAD_TASK.PERSON_ID))
                .where(LEAD_TASK.PERSON_ID.in(people))
                .and(LEAD_TASK.DONE_AT.isNull())
                .orderBy(LEAD_TASK.DUE_AT.asc().nullsLast(), LEAD_TASK.ID)
                .fetch(TaskStore::task)
                .stream()
                .collect(java.util.stream.Collectors.toMap(LeadTask::person, task -> task, (first, later) -> first));
    }

    /** @param wanted filtered by {@code whose}, an account, and {@code state}, {@code done} or else open */
    Page<LeadTask> list(Wanted wanted, List<String> teams) {
        Condition condition =
                wanted.filter("state").equals("done") ? LEAD_TASK.DONE_AT.isNotNull() : LEAD_TASK.DONE_AT.isNull();
        String whose = wanted.filter("whose");
        if (!whose.isEmpty()) {
            condition = condition.and(LEAD_TASK
                    .ACCOUNT_ID
                    .eq(whose)
                    .or(LEAD_TASK.ACCOUNT_ID.eq("").and(LEAD_TASK.TEAM_ID.in(teams))));
        }
        if (!wanted.search().isEmpty()) {
            String like = Like.containing(wanted.search());
            condition = condition.and(
                    DSL.lower(LEAD_TASK.WORDS).like(like, Like.ESCAPE).or(PERSON.NAME_KEY.like(like, Like.ESCAPE)));
        }
        List<LeadTask> found = db.select(LEAD_TASK.fields())
                .select(PERSON.NAME, PERSON.EMAIL, PERSON.PHONE)
                .from(LEAD_TASK)
                .join(PERSON)
                .on(PERSON.ID.eq(LEAD_TASK.PERSON_ID))
                .where(condition)
                .orderBy(LEAD_TASK.DUE_AT.asc().nullsLast(), LEAD_TASK.ID)
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(TaskStore::task);
        int total = db.fetchCount(db.select(LEAD_TASK.ID)
                .from(LEAD_TASK)
                .join(PERSON)
                .on(PERSON.ID.eq(LEAD_TASK.PERSON_ID))
                .where(condition));
        return Page.of(found, wanted.page(), total);
    }

    private static LeadTask task(Record row) {
        String name = row.get(PERSON.NAME);
        String email = row.get(PERSON.EMAIL);
        return new LeadTask(
                row.get(LEAD_TASK.ID),
                row.get(LEAD_TASK.PERSON_ID),
                !name.isEmpty() ? name : email != null ? email : row.get(PERSON.PHONE),
                row.get(LEAD_TASK.WORDS),
                row.get(LEAD_TASK.DUE_AT),
                row.get(LEAD_TASK.ACCOUNT_ID),
                row.get(LEAD_TASK.TEAM_ID),
                row.get(LEAD_TASK.MADE_AT),
                row.get(LEAD_TASK.DONE_AT));
    }
}
