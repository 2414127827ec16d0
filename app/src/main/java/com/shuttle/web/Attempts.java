package com.shuttle.web;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.exceptions.TaskInstanceCurrentlyExecutingException;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Instant;
import java.time.InstantSource;
import java.util.function.ToIntFunction;
import org.springframework.beans.factory.ObjectProvider;

/**
 * Attempts to deliver something outside, planned by its id with the persistent scheduler: one at a time, again after {@linkplain
 * GrowingPause growing pauses}, until it is done. Thread-safe.
 */
public final class Attempts {

    /** What an attempt tells when there is to be none after it. */
    public static final int DONE = 0;

    /** No id ends like this. */
    private static final String ANEW = "~anew";

    private final TaskDescriptor<Void> task;
    private final ObjectProvider<Scheduler> scheduler;

    public Attempts(TaskDescriptor<Void> task, ObjectProvider<Scheduler> scheduler) {
        this.task = task;
        this.scheduler = scheduler;
    }

    /**
     * The task that makes them.
     *
     * @param attempt by id; tells how many there were, or {@link #DONE}
     */
    public static CustomTask<Void> task(TaskDescriptor<Void> task, ToIntFunction<String> attempt, InstantSource clock) {
        return Tasks.custom(task).execute((instance, context) -> {
            int attempts = attempt.applyAsInt(idOf(instance.getId()));
            return attempts == DONE
                    ? new CompletionHandler.OnCompleteRemove<>()
                    : (complete, operations) ->
                            operations.reschedule(complete, clock.instant().plus(GrowingPause.after(attempts)));
        });
    }

    private static String idOf(String instance) {
        return instance.endsWith(ANEW) ? instance.substring(0, instance.length() - ANEW.length()) : instance;
    }

    /** Plans the first, in the present transaction, where none is planned. */
    public void plan(String id, Instant at) {
        scheduler.getObject().scheduleIfNotExists(task.instance(id).build(), at);
        AfterCommit.run(() -> scheduler.getObject().triggerCheckForDueExecutions());
    }

    /** Plans one now, in the present transaction, whatever was planned before. */
    public void anew(String id, Instant now) {
        try {
            scheduler.getObject().cancel(task.instanceId(id));
            plan(id, now);
        } catch (TaskInstanceCurrentlyExecutingException underWay) {
            // What is under way may have read what was before, and will not be planned again; another follows it.
            plan(id + ANEW, now);
        }
    }
}
