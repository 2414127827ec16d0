package com.shuttle.leads;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * Something to be done about a lead.
 *
 * @param called  what to call the lead
 * @param dueAt   null for whenever
 * @param account whose it is; empty for whoever of the team
 * @param team    whose it is where no account has it; empty for anybody's
 * @param doneAt  null while it is open
 */
public record LeadTask(
        String id,
        String person,
        String called,
        String words,
        @Nullable Instant dueAt,
        String account,
        String team,
        Instant madeAt,
        @Nullable Instant doneAt) {

    public boolean open() {
        return doneAt == null;
    }
}
