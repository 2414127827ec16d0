package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.transaction.support.TransactionTemplate;

/** Written statements take part in transactions, keep instants, and tell what the database refuses in Spring's words. */
@ServerTest
class SqlTest {

    private final Sql sql;
    private final TransactionTemplate transaction;

    SqlTest(Sql sql, TransactionTemplate transaction) {
        this.sql = sql;
        this.transaction = transaction;
    }

    private void insert(String id, Instant at) {
        sql.update(
                "insert into site (id, name, addresses, bots, made_at, deleted_at) values (?, 'Site', '[]', '[]', ?, ?)",
                id,
                at,
                at);
    }

    @Test
    void rowsAreReadInTheirOrder() {
        Instant at = Instant.parse("2026-03-29T01:30:00Z");
        List<String> ids = List.of(Ids.next(), Ids.next(), Ids.next());
        ids.forEach(id -> insert(id, at));
        String which = "select id, made_at from site where id in (?, ?, ?) order by id";
        assertThat(sql.all(which, row -> row.getString(1), ids.toArray()))
                .isEqualTo(ids.stream().sorted().toList());
        assertThat(sql.all(which, row -> Sql.instant(row, 2), ids.toArray())).containsOnly(at);
        assertThat(sql.first("select id from site where id = ?", row -> row.getString(1), "none"))
                .isEmpty();
        assertThat(sql.all("select id from site where id = ?", row -> row.getString(1), "none"))
                .isEmpty();
    }

    @Test
    void whatIsRolledBackWasNever() {
        String id = Ids.next();
        transaction.executeWithoutResult(status -> {
            insert(id, Instant.now());
            status.setRollbackOnly();
        });
        assertThat(sql.first("select id from site where id = ?", row -> row.getString(1), id))
                .isEmpty();
        insert(id, Instant.now());
        assertThatThrownBy(() -> insert(id, Instant.now())).isInstanceOf(DuplicateKeyException.class);
    }
}
