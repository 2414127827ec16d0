package com.shuttle.chat;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.shuttle.core.conversation.Errand;
import com.shuttle.model.Helper;
import com.shuttle.web.AfterCommit;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What has to leave the building. An errand is a row, written in the transaction of its turn and gone when its result is
 * taken; the persistent scheduler runs it, again after growing pauses where it fails, until its limit. So it is done at
 * least once outside, with its key to tell repetitions by, and comes back exactly once inside, since a conversation takes a
 * key only while it waits for it. Thread-safe.
 */
@Component
public class Errands {

    private static final Logger LOG = LoggerFactory.getLogger(Errands.class);
    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("errand");
    private static final char BETWEEN = '/';
    private static final Duration FIRST_PAUSE = Duration.ofSeconds(2);

    private final ConversationStore store;
    private final ObjectProvider<Scheduler> scheduler;
    private final Helper helper;
    private final InstantSource clock;

    Errands(ConversationStore store, ObjectProvider<Scheduler> scheduler, Helper helper, InstantSource clock) {
        this.store = store;
        this.scheduler = scheduler;
        this.helper = helper;
        this.clock = clock;
    }

    /** An errand that is under way. */
    record UnderWay(Errand errand, int attempts, Instant until) {}

    /** Sends an errand when the present transaction is committed. */
    void send(String conversation, Errand errand, Instant at) {
        store.insertErrand(conversation, new UnderWay(errand, 0, at.plusSeconds(errand.limit())));
        SchedulerClient client = scheduler.getObject();
        client.scheduleIfNotExists(
                TASK.instance(conversation + BETWEEN + errand.key()).build(), at);
        AfterCommit.run(() -> scheduler.getObject().triggerCheckForDueExecutions());
    }

    /** Does an errand. Null where nothing came of it. */
    public @Nullable JsonNode perform(Errand errand) {
        return switch (errand) {
            case Errand.Consult consult ->
                JsonMapper.shared().valueToTree(helper.help(consult.question(), consult.finding()));
        };
    }

    private void run(String conversation, String key, ConversationService conversations) {
        UnderWay underWay = store.errand(conversation, key).orElse(null);
        if (underWay == null) {
            return;
        }
        JsonNode result = null;
        if (clock.instant().isBefore(underWay.until())) {
            try {
                result = perform(underWay.errand());
            } catch (RuntimeException e) {
                store.errandTried(conversation, key, underWay.attempts() + 1);
                LOG.warn(
                        "errand {} of conversation {} failed at attempt {}",
                        key,
                        conversation,
                        underWay.attempts() + 1,
                        e);
                throw e;
            }
        }
        conversations.came(conversation, key, result);
    }

    /** What a due errand does. */
    @Configuration
    static class Due {

        @Bean
        OneTimeTask<Void> errandTask(
                ObjectProvider<Errands> errands, ObjectProvider<ConversationService> conversations) {
            return Tasks.oneTime(TASK)
                    .onFailure(new FailureHandler.ExponentialBackoffFailureHandler<>(FIRST_PAUSE))
                    .execute((instance, context) -> run(instance, errands.getObject(), conversations.getObject()));
        }

        private static void run(TaskInstance<Void> instance, Errands errands, ConversationService conversations) {
            String id = instance.getId();
            int between = id.indexOf(BETWEEN);
            errands.run(id.substring(0, between), id.substring(between + 1), conversations);
        }
    }
}
