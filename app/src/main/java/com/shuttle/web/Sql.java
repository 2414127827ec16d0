package com.shuttle.web;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.datasource.DataSourceUtils;
import org.springframework.jdbc.support.SQLStateSQLExceptionTranslator;
import org.springframework.stereotype.Component;

/**
 * Runs statements that are written out, for the few that are run so often that building them each time would cost more than
 * running them. Takes part in the present transaction. Instants are kept as timestamps in UTC. Thread-safe.
 */
@Component
public class Sql {

    /** Reads a row. */
    @FunctionalInterface
    public interface Row<T> {
        T of(ResultSet row) throws SQLException;
    }

    private interface Work<T> {
        T with(PreparedStatement statement) throws SQLException;
    }

    private final DataSource source;
    private final SQLStateSQLExceptionTranslator translator = new SQLStateSQLExceptionTranslator();

    Sql(DataSource source) {
        this.source = source;
    }

    /** The first row of a query. */
    public <T> Optional<T> first(String sql, Row<T> row, Object... values) {
        return run(sql, statement -> {
            set(statement, values);
            try (ResultSet rows = statement.executeQuery()) {
                return rows.next() ? Optional.of(row.of(rows)) : Optional.empty();
            }
        });
    }

    /** All rows of a query. */
    public <T> List<T> all(String sql, Row<T> row, Object... values) {
        return run(sql, statement -> {
            set(statement, values);
            List<T> all = new ArrayList<>();
            try (ResultSet rows = statement.executeQuery()) {
                while (rows.next()) {
                    all.add(row.of(rows));
                }
            }
            return all;
        });
    }

    /** Changes rows. How many there were. @param values for the question marks, in order; may be null */
    public int update(String sql, @Nullable Object... values) {
        return run(sql, statement -> {
            set(statement, values);
            return statement.executeUpdate();
        });
    }

    /** Runs a statement for each of several things. @param values as for {@link #update} */
    public <T> void each(String sql, List<T> all, Function<T, @Nullable Object[]> values) {
        if (all.isEmpty()) {
            return;
        }
        run(sql, statement -> {
            for (T one : all) {
                set(statement, values.apply(one));
                statement.addBatch();
            }
            return statement.executeBatch();
        });
    }

    private <T> T run(String sql, Work<T> work) {
        Connection connection = DataSourceUtils.getConnection(source);
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            return work.with(statement);
        } catch (SQLException e) {
            var translated = translator.translate("statement", sql, e);
            throw translated == null ? new IllegalStateException("the database refused: " + sql, e) : translated;
        } finally {
            DataSourceUtils.releaseConnection(connection, source);
        }
    }

    private static void set(PreparedStatement statement, @Nullable Object[] values) throws SQLException {
        for (int i = 0; i < values.length; i++) {
            Object value = values[i];
            statement.setObject(
                    i + 1, value instanceof Instant at ? LocalDateTime.ofInstant(at, ZoneOffset.UTC) : value);
        }
    }

    /** The instant in a column that has one. */
    public static Instant instant(ResultSet row, int column) throws SQLException {
        return row.getObject(column, LocalDateTime.class).toInstant(ZoneOffset.UTC);
    }

    /** The instant in a column; null for none. */
    public static @Nullable Instant instantOrNull(ResultSet row, int column) throws SQLException {
        LocalDateTime at = row.getObject(column, LocalDateTime.class);
        return at == null ? null : at.toInstant(ZoneOffset.UTC);
    }
}
