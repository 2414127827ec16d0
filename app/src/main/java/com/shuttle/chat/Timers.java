package com.shuttle.chat;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.shuttle.core.conversation.Deed;
import com.shuttle.web.Missing;
import java.time.Instant;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/**
 * Timers of conversations. They are rows of the scheduler, written in the transaction of the turn that sets them, so they
 * survive a restart. A timer whose conversation no longer waits for it is refused by the engine, so that each fires once.
 */
@Component
class Timers implements DeedHandler<Deed.SetTimer> {

    static final TaskDescriptor<Void> TASK = TaskDescriptor.of("conversation-timer");
    private static final char BETWEEN = '/';

    private final ObjectProvider<SchedulerClient> scheduler;

    Timers(ObjectProvider<SchedulerClient> scheduler) {
        this.scheduler = scheduler;
    }

    @Override
    public Class<Deed.SetTimer> type() {
        return Deed.SetTimer.class;
    }

    @Override
    public void carryOut(Conversation conversation, Deed.SetTimer timer, Instant at) {
        scheduler
                .getObject()
                .scheduleIfNotExists(
                        TASK.instance(conversation.id() + BETWEEN + timer.key()).build(),
                        at.plusSeconds(timer.seconds()));
    }

    /** What a due timer does. */
    @Configuration
    static class Due {

        @Bean
        OneTimeTask<Void> conversationTimer(ObjectProvider<ConversationService> conversations) {
            return Tasks.oneTime(TASK).execute((instance, context) -> fire(instance, conversations.getObject()));
        }

        private static void fire(TaskInstance<Void> instance, ConversationService conversations) {
            String id = instance.getId();
            int between = id.indexOf(BETWEEN);
            try {
                conversations.timeCame(id.substring(0, between), id.substring(between + 1));
            } catch (Missing erased) {
                // Nobody waits any more.
                return;
            }
        }
    }
}
