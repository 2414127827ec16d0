package com.shuttle.appointments;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reminds by mail, a day before, of what was not booked or moved just then. A reminder is noted in the transaction that has it
 * sent, so that each is sent once whatever happens.
 */
@Service
class Reminders {

    private static final Duration BEFORE = Duration.ofHours(24);
    private static final Duration SETTLED = Duration.ofHours(2);
    private static final Duration EVERY = Duration.ofMinutes(10);

    private final BookingStore store;
    private final Bookings bookings;
    private final Diaries diaries;
    private final BookingMails mails;
    private final InstantSource clock;

    Reminders(BookingStore store, Bookings bookings, Diaries diaries, BookingMails mails, InstantSource clock) {
        this.store = store;
        this.bookings = bookings;
        this.diaries = diaries;
        this.mails = mails;
        this.clock = clock;
    }

    /** Sends what is due. @return how many were reminded */
    @Transactional
    int send() {
        Instant now = clock.instant();
        int sent = 0;
        for (Booking booking : store.unreminded(now, now.plus(BEFORE), now.minus(SETTLED))) {
            if (store.reminded(booking.id(), now)) {
                mails.tell(booking, diaries.kind(booking.kind()), BookingMails.News.REMINDER, bookings.link(booking));
                sent++;
            }
        }
        return sent;
    }

    /** When it is looked for. */
    @Configuration
    static class Regularly {

        @Bean
        RecurringTask<Void> appointmentReminders(ObjectProvider<Reminders> reminders) {
            return Tasks.recurring("appointment-reminders", FixedDelay.of(EVERY))
                    .execute((instance, context) -> reminders.getObject().send());
        }
    }
}
