package com.shuttle.chat;

import static java.util.Objects.requireNonNull;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.boot.config.DbSchedulerCustomizer;
import com.github.kagkarlsson.scheduler.task.CompletionHandler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.shuttle.core.conversation.Errand;
import com.shuttle.model.Helper;
import com.shuttle.web.AfterCommit;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Qualifier;
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
    private static final double GROWTH = 1.5;
    private static final int DONE = 0;

    /** So long after an attempt should have ended its server has ended, and the errand is taken up by another. */
    private static final int LOST_SECONDS = 15;

    private final ConversationStore store;
    private final ObjectProvider<Scheduler> scheduler;
    private final ObjectProvider<ConversationService> conversations;
    /** The wall's: an errand takes its time now, whatever time its turn is played at. */
    private final InstantSource clock;

    private final Map<Class<?>, ErrandRunner<?>> runners = new HashMap<>();

    Errands(
            ConversationStore store,
            ObjectProvider<Scheduler> scheduler,
            ObjectProvider<ConversationService> conversations,
            @Qualifier("clock") InstantSource clock,
            List<ErrandRunner<?>> all) {
        this.store = store;
        this.scheduler = scheduler;
        this.conversations = conversations;
        this.clock = clock;
        all.forEach(runner -> runners.put(runner.type(), runner));
        for (Class<?> type : Errand.class.getPermittedSubclasses()) {
            if (!runners.containsKey(type)) {
                throw new IllegalStateException("no runner of " + type.getSimpleName());
            }
        }
    }

    /**
     * An errand that is under way.
     *
     * @param seconds that one attempt may take, settled when the errand was sent: whatever changes meanwhile, an attempt ends
     *     before it is taken for lost
     */
    record UnderWay(Errand errand, int seconds, int attempts, Instant until) {}

    /**
     * Sends an errand when the present transaction is committed: at once, on a thread of its own. The scheduler only takes it up
     * where nothing has come of that for so long that the server must have ended.
     */
    void send(String conversation, Errand errand) {
        int seconds = seconds(runner(errand), errand);
        Instant now = clock.instant();
        store.insertErrand(conversation, new UnderWay(errand, seconds, 0, now.plusSeconds(errand.limit())));
        TaskInstance<Void> instance =
                TASK.instance(conversation + BETWEEN + errand.key()).build();
        scheduler.getObject().scheduleIfNotExists(instance, now.plusSeconds(seconds + LOST_SECONDS));
        AfterCommit.run(() -> Thread.startVirtualThread(() -> first(conversation, errand.key(), instance)));
    }

    private void first(String conversation, String key, TaskInstance<Void> instance) {
        int attempts = run(conversation, key, conversations.getObject());
        if (attempts == DONE) {
            scheduler.getObject().cancel(instance);
        } else {
            scheduler.getObject().reschedule(instance, clock.instant().plus(pause(attempts)));
        }
    }

    /** Before the attempt after so many: half as long again each time. */
    private static Duration pause(int attempts) {
        return Duration.ofMillis((long) (FIRST_PAUSE.toMillis() * Math.pow(GROWTH, attempts - 1)));
    }

    private ErrandRunner<?> runner(Errand errand) {
        return requireNonNull(runners.get(errand.getClass()));
    }

    private static <E extends Errand> int seconds(ErrandRunner<E> runner, Errand errand) {
        return runner.seconds(runner.type().cast(errand));
    }

    /** Does an errand for the first time. Null where nothing came of it. */
    public @Nullable JsonNode perform(String conversation, Errand errand) {
        try {
            return perform(conversation, errand, 1, seconds(runner(errand), errand));
        } catch (ErrandRunner.Again again) {
            return null;
        }
    }

    private @Nullable JsonNode perform(String conversation, Errand errand, int attempt, int seconds)
            throws ErrandRunner.Again {
        return run(
                runner(errand),
                errand,
                new ErrandRunner.Attempt(conversation, attempt, clock.instant().plusSeconds(seconds)));
    }

    private static <E extends Errand> @Nullable JsonNode run(
            ErrandRunner<E> runner, Errand errand, ErrandRunner.Attempt attempt) throws ErrandRunner.Again {
        return runner.run(runner.type().cast(errand), attempt);
    }

    /**
     * An attempt is counted before it is made, so that one which a server did not survive is known.
     *
     * @return how many there were where there is to be another, {@link #DONE} otherwise
     */
    private int run(String conversation, String key, ConversationService conversations) {
        UnderWay underWay = store.errand(conversation, key).orElse(null);
        if (underWay == null) {
            return DONE;
        }
        int attempt = underWay.attempts() + 1;
        JsonNode result = null;
        if (clock.instant().isBefore(underWay.until())) {
            store.errandTried(conversation, key, attempt);
            try {
                result = perform(conversation, underWay.errand(), attempt, underWay.seconds());
            } catch (ErrandRunner.Again again) {
                return attempt;
            } catch (RuntimeException e) {
                LOG.warn("errand {} of conversation {} failed at attempt {}", key, conversation, attempt, e);
                return attempt;
            }
        }
        conversations.came(conversation, key, result);
        return DONE;
    }

    /** Asks the language model. */
    @Component
    static class Consults implements ErrandRunner<Errand.Consult> {

        private final Helper helper;

        Consults(Helper helper) {
            this.helper = helper;
        }

        @Override
        public Class<Errand.Consult> type() {
            return Errand.Consult.class;
        }

        @Override
        public JsonNode run(Errand.Consult consult, Attempt attempt) {
            return JsonMapper.shared().valueToTree(helper.help(consult.question(), consult.finding()));
        }
    }

    /** What a due errand does. */
    @Configuration
    static class Due {

        /** Whatever waits for something outside holds no thread of the machine, so that nothing else has to wait for it. */
        @Bean
        DbSchedulerCustomizer manyAtOnce() {
            return new DbSchedulerCustomizer() {
                @Override
                public Optional<ExecutorService> executorService() {
                    return Optional.of(Executors.newVirtualThreadPerTaskExecutor());
                }
            };
        }

        @Bean
        CustomTask<Void> errandTask(
                ObjectProvider<Errands> errands,
                ObjectProvider<ConversationService> conversations,
                InstantSource clock) {
            return Tasks.custom(TASK).execute((instance, context) -> {
                int attempts = run(instance.getId(), errands.getObject(), conversations.getObject());
                return attempts == DONE
                        ? new CompletionHandler.OnCompleteRemove<>()
                        : (complete, operations) ->
                                operations.reschedule(complete, clock.instant().plus(pause(attempts)));
            });
        }

        private static int run(String id, Errands errands, ConversationService conversations) {
            int between = id.indexOf(BETWEEN);
            return errands.run(id.substring(0, between), id.substring(between + 1), conversations);
        }
    }
}
