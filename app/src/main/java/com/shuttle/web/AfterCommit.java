package com.shuttle.web;

import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Runs what must not happen before the database has it: forgetting caches, telling listeners. */
public final class AfterCommit {

    private AfterCommit() {}

    /** Runs {@code task} once the present transaction is committed; at once where there is none. */
    public static void run(Runnable task) {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            task.run();
            return;
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                task.run();
            }
        });
    }
}
