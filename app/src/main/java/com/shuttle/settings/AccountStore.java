package com.shuttle.settings;

import static com.shuttle.schema.Tables.ACCOUNT;
import static com.shuttle.schema.Tables.API_TOKEN;
import static com.shuttle.schema.Tables.TEAM;
import static com.shuttle.schema.Tables.TEAM_MEMBER;

import com.shuttle.schema.tables.records.AccountRecord;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Accounts, teams and tokens in the database. */
@Repository
class AccountStore {

    private final DSLContext db;

    AccountStore(DSLContext db) {
        this.db = db;
    }

    boolean isEmpty() {
        return !db.fetchExists(ACCOUNT);
    }

    List<Account> accounts() {
        return db.selectFrom(ACCOUNT).orderBy(ACCOUNT.NAME, ACCOUNT.ID).fetch(AccountStore::account);
    }

    Optional<Account> account(String id) {
        return db.selectFrom(ACCOUNT).where(ACCOUNT.ID.eq(id)).fetchOptional(AccountStore::account);
    }

    Optional<Account> byEmail(String email) {
        return db.selectFrom(ACCOUNT).where(ACCOUNT.EMAIL.eq(email)).fetchOptional(AccountStore::account);
    }

    Optional<String> passwordHash(String email) {
        return db.select(ACCOUNT.PASSWORD_HASH)
                .from(ACCOUNT)
                .where(ACCOUNT.EMAIL.eq(email))
                .fetchOptional(ACCOUNT.PASSWORD_HASH);
    }

    void insert(Account account, String passwordHash, Instant at) {
        db.insertInto(ACCOUNT)
                .columns(
                        ACCOUNT.ID,
                        ACCOUNT.NAME,
                        ACCOUNT.EMAIL,
                        ACCOUNT.PASSWORD_HASH,
                        ACCOUNT.ROLE,
                        ACCOUNT.CREATED_AT)
                .values(
                        account.id(),
                        account.name(),
                        account.email(),
                        passwordHash,
                        account.role().key(),
                        at)
                .execute();
    }

    void updateRole(String id, Role role) {
        db.update(ACCOUNT)
                .set(ACCOUNT.ROLE, role.key())
                .where(ACCOUNT.ID.eq(id))
                .execute();
    }

    void updatePassword(String id, String hash) {
        db.update(ACCOUNT)
                .set(ACCOUNT.PASSWORD_HASH, hash)
                .where(ACCOUNT.ID.eq(id))
                .execute();
    }

    void delete(String id) {
        db.deleteFrom(ACCOUNT).where(ACCOUNT.ID.eq(id)).execute();
    }

    /** Keeps others from changing people and teams until the transaction is over. */
    void lock() {
        db.select(ACCOUNT.ID).from(ACCOUNT).orderBy(ACCOUNT.ID).forUpdate().fetch();
    }

    int administrators() {
        return db.fetchCount(ACCOUNT, ACCOUNT.ROLE.eq(Role.ADMINISTRATOR.key()));
    }

    List<Team> teams() {
        Map<String, List<Account>> members = db.select(TEAM_MEMBER.TEAM_ID)
                .select(ACCOUNT.fields())
                .from(TEAM_MEMBER)
                .join(ACCOUNT)
                .on(ACCOUNT.ID.eq(TEAM_MEMBER.ACCOUNT_ID))
                .orderBy(ACCOUNT.NAME)
                .fetchGroups(TEAM_MEMBER.TEAM_ID, row -> account(row.into(ACCOUNT)));
        return db.selectFrom(TEAM)
                .orderBy(TEAM.NAME)
                .fetch(row -> new Team(row.getId(), row.getName(), members.getOrDefault(row.getId(), List.of())));
    }

    void insertTeam(String id, String name) {
        db.insertInto(TEAM).columns(TEAM.ID, TEAM.NAME).values(id, name).execute();
    }

    void deleteTeam(String id) {
        db.deleteFrom(TEAM).where(TEAM.ID.eq(id)).execute();
    }

    void setMembers(String team, List<String> accounts) {
        db.deleteFrom(TEAM_MEMBER).where(TEAM_MEMBER.TEAM_ID.eq(team)).execute();
        for (String account : accounts) {
            db.insertInto(TEAM_MEMBER)
                    .columns(TEAM_MEMBER.TEAM_ID, TEAM_MEMBER.ACCOUNT_ID)
                    .values(team, account)
                    .execute();
        }
    }

    boolean anyMember(String team) {
        return db.fetchExists(
                TEAM_MEMBER, team.isEmpty() ? TEAM_MEMBER.TEAM_ID.isNotNull() : TEAM_MEMBER.TEAM_ID.eq(team));
    }

    List<ApiToken> tokens(String account) {
        return db.selectFrom(API_TOKEN)
                .where(API_TOKEN.ACCOUNT_ID.eq(account))
                .orderBy(API_TOKEN.CREATED_AT.desc())
                .fetch(row -> new ApiToken(row.getId(), row.getName(), row.getCreatedAt()));
    }

    void insertToken(String id, String account, String name, String hash, Instant at) {
        db.insertInto(API_TOKEN)
                .columns(API_TOKEN.ID, API_TOKEN.ACCOUNT_ID, API_TOKEN.NAME, API_TOKEN.TOKEN_HASH, API_TOKEN.CREATED_AT)
                .values(id, account, name, hash, at)
                .execute();
    }

    void deleteToken(String id, String account) {
        db.deleteFrom(API_TOKEN)
                .where(API_TOKEN.ID.eq(id))
                .and(API_TOKEN.ACCOUNT_ID.eq(account))
                .execute();
    }

    Optional<Account> byTokenHash(String hash) {
        return db.select(ACCOUNT.fields())
                .from(API_TOKEN)
                .join(ACCOUNT)
                .on(ACCOUNT.ID.eq(API_TOKEN.ACCOUNT_ID))
                .where(API_TOKEN.TOKEN_HASH.eq(hash))
                .fetchOptional(row -> account(row.into(ACCOUNT)));
    }

    private static Account account(AccountRecord row) {
        return new Account(row.getId(), row.getName(), row.getEmail(), Role.of(row.getRole()));
    }
}
