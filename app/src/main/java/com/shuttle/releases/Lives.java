package com.shuttle.releases;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import com.shuttle.bots.BotDeleted;
import com.shuttle.web.AfterCommit;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Which release of a bot is live: a pointer with a history, moved at once or at a time. Another server hears of a move within
 * {@link #KNOWN_FOR}. Thread-safe.
 */
@Component
class Lives {

    private static final Duration KNOWN_FOR = Duration.ofSeconds(5);
    private static final Duration EVERY = Duration.ofSeconds(10);

    /** For so long something was live. @param by a person's name; empty where unknown @param planned whether it was set for then */
    public record Spell(int number, String by, Instant since, boolean planned) {}

    /** A release that goes live later. @param account who wanted it; null where unknown */
    public record Plan(String bot, String release, @Nullable String account, Instant due) {}

    private final LiveStore store;
    private final InstantSource clock;
    private final Cache<String, String> known =
            Caffeine.newBuilder().maximumSize(1000).expireAfterWrite(KNOWN_FOR).build();

    Lives(LiveStore store, InstantSource clock) {
        this.store = store;
        this.clock = clock;
    }

    /** Id of the release that new conversations begin with; empty before the first one. */
    Optional<String> live(String bot) {
        String id = known.getIfPresent(bot);
        if (id != null) {
            return Optional.of(id);
        }
        Optional<String> found = store.live(bot);
        found.ifPresent(release -> known.put(bot, release));
        return found;
    }

    @EventListener
    void gone(BotDeleted bot) {
        known.invalidate(bot.id());
    }

    /** Makes a release live; one that was planned is no longer. */
    @Transactional
    void goLive(String bot, String release, @Nullable String account) {
        store.unplan(bot);
        move(bot, release, account, false);
    }

    private void move(String bot, String release, @Nullable String account, boolean planned) {
        store.goLive(bot, release, account, planned, clock.instant());
        AfterCommit.run(() -> known.invalidate(bot));
    }

    /** Has a release go live at a time, in the place of what was planned before. */
    @Transactional
    void plan(Plan plan) {
        store.plan(plan);
    }

    @Transactional
    void unplan(String bot) {
        store.unplan(bot);
    }

    Optional<Plan> planned(String bot) {
        return store.planned(bot);
    }

    List<Spell> spells(String bot) {
        return store.spells(bot);
    }

    /** Makes live what is due. @return how many were */
    @Transactional
    int serve() {
        List<Plan> due = store.due(clock.instant());
        for (Plan plan : due) {
            // Of several servers one takes the plan away, and only that one moves the pointer.
            if (store.unplan(plan.bot())) {
                move(plan.bot(), plan.release(), plan.account(), true);
            }
        }
        return due.size();
    }

    /** When what is due is looked for. */
    @Configuration
    static class Regularly {

        @Bean
        RecurringTask<Void> releasesGoingLive(ObjectProvider<Lives> lives) {
            return Tasks.recurring("releases-going-live", FixedDelay.of(EVERY))
                    .execute((instance, context) -> lives.getObject().serve());
        }
    }
}
