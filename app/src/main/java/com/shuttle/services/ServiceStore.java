package com.shuttle.services;

import static com.shuttle.schema.Tables.CONNECTION;
import static com.shuttle.schema.Tables.SERVICE;
import static com.shuttle.schema.Tables.SERVICE_VERSION;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.core.service.Service;
import com.shuttle.schema.tables.records.ConnectionRecord;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Record6;
import org.jooq.SelectOnConditionStep;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Services, their publications and connections in the database. */
@Repository
class ServiceStore {

    private final DSLContext db;

    ServiceStore(DSLContext db) {
        this.db = db;
    }

    // Services

    private SelectOnConditionStep<Record6<String, String, String, Integer, Instant, String>> services() {
        return db.select(
                        SERVICE.ID,
                        SERVICE.CONNECTION_ID,
                        SERVICE.DRAFT,
                        SERVICE.VERSION,
                        SERVICE.UPDATED_AT,
                        SERVICE_VERSION.DOCUMENT)
                .from(SERVICE)
                .leftJoin(SERVICE_VERSION)
                .on(SERVICE_VERSION.SERVICE_ID.eq(SERVICE.ID))
                .and(SERVICE_VERSION.VERSION.eq(SERVICE.VERSION));
    }

    private static StoredService stored(Record row) {
        String document = row.get(SERVICE_VERSION.DOCUMENT);
        return new StoredService(
                row.get(SERVICE.ID),
                row.get(SERVICE.CONNECTION_ID),
                Service.read(row.get(SERVICE.DRAFT)),
                row.get(SERVICE.VERSION),
                document == null ? null : Service.read(document),
                row.get(SERVICE.UPDATED_AT));
    }

    /** @param wanted by {@code name} or {@code changed} */
    Page<StoredService> services(Wanted wanted) {
        Condition condition = SERVICE.DELETED_AT
                .isNull()
                .and(
                        wanted.search().isBlank()
                                ? noCondition()
                                : DSL.lower(SERVICE.NAME).like(Like.containing(wanted.search()), Like.ESCAPE));
        Field<?> by = wanted.by("name").equals("changed") ? SERVICE.UPDATED_AT : DSL.lower(SERVICE.NAME);
        List<StoredService> items = services()
                .where(condition)
                .orderBy(wanted.turned() ? by.desc() : by.asc(), SERVICE.ID.asc())
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(ServiceStore::stored);
        return Page.of(items, wanted.page(), db.fetchCount(SERVICE, condition));
    }

    /** All that are published, by name. */
    List<StoredService> published() {
        return services()
                .where(SERVICE.DELETED_AT.isNull())
                .and(SERVICE.VERSION.gt(0))
                .orderBy(DSL.lower(SERVICE.NAME), SERVICE.ID)
                .fetch(ServiceStore::stored);
    }

    Optional<StoredService> service(String id) {
        return services()
                .where(SERVICE.ID.eq(id))
                .and(SERVICE.DELETED_AT.isNull())
                .fetchOptional(ServiceStore::stored);
    }

    void insert(String id, String connection, Service draft, Instant at) {
        db.insertInto(SERVICE)
                .set(SERVICE.ID, id)
                .set(SERVICE.CONNECTION_ID, connection)
                .set(SERVICE.NAME, draft.name())
                .set(SERVICE.DRAFT, draft.json())
                .set(SERVICE.VERSION, 0)
                .set(SERVICE.UPDATED_AT, at)
                .execute();
    }

    void update(String id, String connection, Service draft, Instant at) {
        db.update(SERVICE)
                .set(SERVICE.CONNECTION_ID, connection)
                .set(SERVICE.NAME, draft.name())
                .set(SERVICE.DRAFT, draft.json())
                .set(SERVICE.UPDATED_AT, at)
                .where(SERVICE.ID.eq(id))
                .execute();
    }

    void publish(String id, int version, Service document, @Nullable String account, Instant at) {
        db.insertInto(SERVICE_VERSION)
                .set(SERVICE_VERSION.SERVICE_ID, id)
                .set(SERVICE_VERSION.VERSION, version)
                .set(SERVICE_VERSION.DOCUMENT, document.json())
                .set(SERVICE_VERSION.ACCOUNT_ID, account)
                .set(SERVICE_VERSION.PUBLISHED_AT, at)
                .execute();
        db.update(SERVICE)
                .set(SERVICE.VERSION, version)
                .where(SERVICE.ID.eq(id))
                .execute();
    }

    /** An earlier publication. */
    Optional<Service> version(String id, int version) {
        return db.select(SERVICE_VERSION.DOCUMENT)
                .from(SERVICE_VERSION)
                .where(SERVICE_VERSION.SERVICE_ID.eq(id))
                .and(SERVICE_VERSION.VERSION.eq(version))
                .fetchOptional(row -> Service.read(row.value1()));
    }

    /** @param at null to bring it back */
    void deleted(String id, @Nullable Instant at) {
        db.update(SERVICE).set(SERVICE.DELETED_AT, at).where(SERVICE.ID.eq(id)).execute();
    }

    // Connections

    private static Connection connection(ConnectionRecord row) {
        return new Connection(
                row.getId(),
                row.getName(),
                row.getAddress(),
                Connection.Kind.of(row.getKind()),
                row.getWho(),
                row.getTokenAddress(),
                row.getScope(),
                row.getSealedSecret(),
                row.getUpdatedAt());
    }

    List<Connection> connections() {
        return db.selectFrom(CONNECTION)
                .orderBy(DSL.lower(CONNECTION.NAME), CONNECTION.ID)
                .fetch(ServiceStore::connection);
    }

    Optional<Connection> connection(String id) {
        return db.selectFrom(CONNECTION).where(CONNECTION.ID.eq(id)).fetchOptional(ServiceStore::connection);
    }

    /** Keeps others from changing a connection until the transaction is over. Whether there is one. */
    boolean lockConnection(String id) {
        return db.select(CONNECTION.ID)
                .from(CONNECTION)
                .where(CONNECTION.ID.eq(id))
                .forUpdate()
                .fetchOptional()
                .isPresent();
    }

    void keep(Connection connection) {
        ConnectionRecord row = db.newRecord(CONNECTION);
        row.setId(connection.id());
        row.setName(connection.name());
        row.setAddress(connection.address());
        row.setKind(connection.kind().key());
        row.setWho(connection.who());
        row.setTokenAddress(connection.tokenAddress());
        row.setScope(connection.scope());
        row.setSealedSecret(connection.secret());
        row.setUpdatedAt(connection.updatedAt());
        if (db.executeUpdate(row) == 0) {
            db.executeInsert(row);
        }
    }

    /** Removes a connection that only deleted services have, with those. */
    void deleteConnection(String id) {
        db.deleteFrom(SERVICE)
                .where(SERVICE.CONNECTION_ID.eq(id))
                .and(SERVICE.DELETED_AT.isNotNull())
                .execute();
        db.deleteFrom(CONNECTION).where(CONNECTION.ID.eq(id)).execute();
    }

    /** Names of the services that use a connection. */
    List<String> usersOf(String connection) {
        return db.select(SERVICE.NAME)
                .from(SERVICE)
                .where(SERVICE.CONNECTION_ID.eq(connection))
                .and(SERVICE.DELETED_AT.isNull())
                .orderBy(SERVICE.NAME)
                .fetch(SERVICE.NAME);
    }
}
