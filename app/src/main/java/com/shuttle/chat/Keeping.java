package com.shuttle.chat;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import com.shuttle.bots.BotPurge;
import java.time.Duration;
import java.time.InstantSource;
import java.time.LocalTime;
import java.util.List;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;

/**
 * Once a night erases the conversations that have been kept for as long as they are to be, and purges the bots that were
 * deleted {@link #DELETED} ago. Some conversations at a time in a transaction of their own, so that a night's work that is
 * broken off goes on the next night.
 */
@Service
public class Keeping {

    /** For how long a deleted bot can be brought back. */
    public static final Duration DELETED = Duration.ofDays(30);

    private static final Logger LOG = LoggerFactory.getLogger(Keeping.class);
    private static final LocalTime AT = LocalTime.of(3, 20);
    private static final int AT_ONCE = 100;

    private final ErasureService erasure;
    private final BotPurge purge;
    private final InstantSource clock;

    Keeping(ErasureService erasure, BotPurge purge, InstantSource clock) {
        this.erasure = erasure;
        this.purge = purge;
        this.clock = clock;
    }

    /** Does what is due now. */
    public void tidy() {
        int erased = eraseAll(() -> erasure.due(AT_ONCE));
        int purged = 0;
        for (String bot : purge.deletedBefore(clock.instant().minus(DELETED))) {
            erased += eraseAll(() -> erasure.ofBot(bot, AT_ONCE));
            purge.purge(bot);
            purged++;
        }
        if (erased + purged > 0) {
            LOG.info("Erased {} conversations whose time had come, purged {} deleted bots", erased, purged);
        }
    }

    private int eraseAll(Supplier<List<String>> some) {
        int erased = 0;
        for (List<String> ids = some.get(); !ids.isEmpty(); ids = some.get()) {
            erasure.eraseAll(ids, "");
            erased += ids.size();
        }
        return erased;
    }

    /** When it is done. */
    @Configuration
    static class Nightly {

        @Bean
        RecurringTask<Void> nightlyKeeping(ObjectProvider<Keeping> keeping) {
            return Tasks.recurring("keeping", Schedules.daily(AT))
                    .execute((instance, context) -> keeping.getObject().tidy());
        }
    }
}
