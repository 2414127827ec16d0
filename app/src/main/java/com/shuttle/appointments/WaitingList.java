package com.shuttle.appointments;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import com.shuttle.appointments.WaitingStore.Waiting;
import com.shuttle.core.booking.FreeTimes;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Map;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Those who wait for a time to fall free. The first who fits is held the first time there is, for {@link #HELD}, and told by
 * mail; where they do not take it, it goes to the next. Thread-safe.
 */
@Service
class WaitingList {

    /** For so long a time that fell free is held. */
    static final Duration HELD = Duration.ofHours(4);

    private static final Duration EVERY = Duration.ofMinutes(1);

    private final WaitingStore store;
    private final Availability availability;
    private final Bookings bookings;
    private final Diaries diaries;
    private final BookingMails mails;
    private final InstantSource clock;

    WaitingList(
            WaitingStore store,
            Availability availability,
            Bookings bookings,
            Diaries diaries,
            BookingMails mails,
            InstantSource clock) {
        this.availability = availability;
        this.store = store;
        this.bookings = bookings;
        this.diaries = diaries;
        this.mails = mails;
        this.clock = clock;
    }

    /** Puts somebody at its end, once for each kind and address. */
    @Transactional
    void join(String kind, Party party) {
        if (diaries.bookable(kind).isPresent() && !store.waits(kind, party.email())) {
            store.insert(kind, party, clock.instant());
        }
    }

    /** Offers what has fallen free. @return how many were told */
    int serve() {
        int told = 0;
        for (Waiting waiting : store.all()) {
            if (offer(waiting)) {
                told++;
            }
        }
        return told;
    }

    private boolean offer(Waiting waiting) {
        FreeTimes free = availability.times(waiting.kind(), waiting.party().many(), "");
        if (free.starts().isEmpty()) {
            return false;
        }
        Instant start = free.starts().getFirst();
        if (!(bookings.take(waiting.kind(), start, waiting.party(), HELD, null)
                instanceof Outcome.Taken(Booking booking))) {
            return false;
        }
        store.offered(waiting.id(), booking.id());
        mails.tell(booking, diaries.kind(waiting.kind()), BookingMails.News.OFFERED, bookings.link(booking));
        return true;
    }

    /** How many wait, by the kinds' ids. */
    Map<String, Integer> counts() {
        return store.counts();
    }

    /** Forgets who waits because of a conversation. */
    @Transactional
    void forget(String conversation) {
        store.deleteOf(conversation);
    }

    /** When it is looked at. */
    @Configuration
    static class Regularly {

        @Bean
        RecurringTask<Void> waitingListServing(ObjectProvider<WaitingList> list) {
            return Tasks.recurring("waiting-list", FixedDelay.of(EVERY))
                    .execute((instance, context) -> list.getObject().serve());
        }
    }
}
