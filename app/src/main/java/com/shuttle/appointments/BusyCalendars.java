package com.shuttle.appointments;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import com.shuttle.core.booking.BusyFeed;
import com.shuttle.core.booking.Resource.Busy;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Outgoing;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Calendars elsewhere, read at intervals through the one guarded way out. Where one cannot be read, what it said last holds on,
 * and the page of its person says so. Thread-safe.
 */
@Service
public class BusyCalendars {

    private static final Logger LOG = LoggerFactory.getLogger(BusyCalendars.class);
    private static final Duration EVERY = Duration.ofMinutes(15);
    private static final Duration AHEAD = Duration.ofDays(400);
    private static final int LONGEST_ADDRESS = 1000;
    private static final int MOST = 5;

    private final BusyStore store;
    private final DiaryStore diaries;
    private final Outgoing outgoing;
    private final TransactionTemplate transaction;
    private final InstantSource clock;

    BusyCalendars(
            BusyStore store,
            DiaryStore diaries,
            Outgoing outgoing,
            TransactionTemplate transaction,
            InstantSource clock) {
        this.store = store;
        this.diaries = diaries;
        this.outgoing = outgoing;
        this.transaction = transaction;
        this.clock = clock;
    }

    List<BusyCalendar> of(String resource) {
        return store.calendars(resource);
    }

    /** Adds one that can be read now. @return how many busy times it has */
    public Checked<Integer> add(String resource, String address) {
        if (address.isBlank() || address.length() > LONGEST_ADDRESS) {
            return Checked.bad("calendar", "Please give the address of a calendar.");
        }
        if (store.calendars(resource).size() >= MOST) {
            return Checked.bad("calendar", "Up to %d calendars can be read.".formatted(MOST));
        }
        try {
            Outgoing.Fetched fetched = fetched(address.strip(), "");
            List<Busy> busy = busy(resource, fetched);
            String id = Ids.next();
            transaction.executeWithoutResult(status -> {
                store.insert(id, resource, address.strip());
                store.read(id, busy, fetched.etag(), clock.instant());
            });
            return Checked.good(busy.size());
        } catch (Outgoing.Refused | BusyFeed.Unreadable unfit) {
            return Checked.bad("calendar", String.valueOf(unfit.getMessage()));
        }
    }

    void remove(String resource, String id) {
        transaction.executeWithoutResult(status -> store.delete(resource, id));
    }

    /** Reads all of them once. */
    void readAll() {
        store.calendars(null).forEach(this::read);
    }

    private void read(BusyCalendar calendar) {
        try {
            Outgoing.Fetched fetched = fetched(calendar.address(), calendar.known(clock.instant()));
            if (fetched.bytes() == null) {
                transaction.executeWithoutResult(status -> store.same(calendar.id(), clock.instant()));
                return;
            }
            List<Busy> busy = busy(calendar.resource(), fetched);
            transaction.executeWithoutResult(
                    status -> store.read(calendar.id(), busy, fetched.etag(), clock.instant()));
        } catch (Outgoing.Refused | BusyFeed.Unreadable unfit) {
            LOG.info("calendar {} could not be read", calendar.id());
            transaction.executeWithoutResult(
                    status -> store.failed(calendar.id(), String.valueOf(unfit.getMessage()), clock.instant()));
        }
    }

    private Outgoing.Fetched fetched(String address, String etag) throws Outgoing.Refused {
        return outgoing.fetch(address.replaceFirst("^webcal:", "https:"), etag);
    }

    private List<Busy> busy(String resource, Outgoing.Fetched fetched) throws BusyFeed.Unreadable {
        byte[] bytes = fetched.bytes() == null ? new byte[0] : fetched.bytes();
        ZoneId own = diaries.diaries(List.of(resource)).stream()
                .map(diary -> diary.hours().zone())
                .findFirst()
                .orElse(ZoneOffset.UTC);
        Instant now = clock.instant();
        return BusyFeed.read(new String(bytes, StandardCharsets.UTF_8), own, now.minus(EVERY), now.plus(AHEAD));
    }

    /** When they are read. */
    @Configuration
    static class Regularly {

        @Bean
        RecurringTask<Void> busyCalendarReading(ObjectProvider<BusyCalendars> calendars) {
            return Tasks.recurring("busy-calendars", FixedDelay.of(EVERY))
                    .execute((instance, context) -> calendars.getObject().readAll());
        }
    }
}
