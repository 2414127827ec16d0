package com.shuttle.web;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.support.DefaultTransactionStatus;

/**
 * A transaction manager whose commits have reached the file when they return.
 *
 * <p>H2 by itself writes committed changes to its file up to half a second later; a killed process would lose what it
 * has acknowledged. Writing at every commit instead would let all transactions wait in line for the file. So commits
 * share their writes: the first one to ask writes for all that have committed by then; those that commit meanwhile wait
 * for the next write, which one of them does for all (group commit, DeWitt et al. 1984). Other databases see to this
 * themselves, and are left to it. Thread-safe.
 */
final class GroupCommit extends JdbcTransactionManager {

    private static final long serialVersionUID = 1;

    private final transient ReentrantLock lock = new ReentrantLock();
    private final transient Condition written = lock.newCondition();
    private transient @Nullable MVStore store;
    private boolean known;
    private boolean writing;
    private long asked;
    private long done;

    GroupCommit(DataSource source) {
        super(source);
    }

    @Override
    protected void doCommit(DefaultTransactionStatus status) {
        super.doCommit(status);
        if (!status.isReadOnly()) {
            awaitWritten();
        }
    }

    /** Returns once everything committed so far is in the file. */
    private void awaitWritten() {
        MVStore file = store();
        if (file == null) {
            return;
        }
        lock.lock();
        try {
            long mine = ++asked;
            while (done < mine) {
                if (writing) {
                    written.awaitUninterruptibly();
                } else {
                    write(file);
                }
            }
        } finally {
            lock.unlock();
        }
    }

    /** Called with the lock held, which is given up while the file is written to. */
    private void write(MVStore file) {
        long upTo = asked;
        writing = true;
        lock.unlock();
        try {
            file.commit();
        } finally {
            lock.lock();
            writing = false;
        }
        done = upTo;
        written.signalAll();
    }

    private @Nullable MVStore store() {
        lock.lock();
        try {
            if (!known) {
                store = find();
                known = true;
            }
            return store;
        } finally {
            lock.unlock();
        }
    }

    /** The store behind an H2 database with a file; null for other databases and those in memory. */
    private @Nullable MVStore find() {
        DataSource source = getDataSource();
        if (source == null) {
            return null;
        }
        try (Connection connection = source.getConnection()) {
            return connection.isWrapperFor(JdbcConnection.class)
                            && connection.unwrap(JdbcConnection.class).getSession() instanceof SessionLocal session
                            && session.getDatabase().isPersistent()
                    ? session.getDatabase().getStore().getMvStore()
                    : null;
        } catch (SQLException e) {
            throw new IllegalStateException("the database's store cannot be found", e);
        }
    }
}
