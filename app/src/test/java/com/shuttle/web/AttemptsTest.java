package com.shuttle.web;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.exceptions.TaskInstanceCurrentlyExecutingException;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import java.time.Instant;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.ObjectProvider;

class AttemptsTest {

    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("letter");
    private static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");

    private final Scheduler scheduler = mock();
    private final ObjectProvider<Scheduler> provider = mock();
    private final Attempts attempts = new Attempts(TASK, provider);

    @BeforeEach
    void provide() {
        when(provider.getObject()).thenReturn(scheduler);
    }

    @Test
    void whatIsPlannedAnewTakesThePlaceOfWhatWas() {
        attempts.anew("a", NOW);
        verify(scheduler).cancel(TASK.instanceId("a"));
        verify(scheduler).scheduleIfNotExists(named("a"), eq(NOW));
    }

    /** The attempt under way has read what was before, so that it would be the last. */
    @Test
    void anAttemptUnderWayIsFollowedByAnother() {
        doThrow(mock(TaskInstanceCurrentlyExecutingException.class))
                .when(scheduler)
                .cancel(TASK.instanceId("a"));
        attempts.anew("a", NOW);
        verify(scheduler).scheduleIfNotExists(named("a~anew"), eq(NOW));
        verify(scheduler, never()).reschedule(any(), any());
    }

    private static TaskInstance<Void> named(String id) {
        return argThat(instance -> instance != null && instance.getId().equals(id));
    }
}
