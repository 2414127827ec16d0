package com.shuttle.appointments;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import com.shuttle.core.booking.BusyFeed;
import com.shuttle.core.booking.Resource.Busy;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Outgoing;
import java.net.URI;
import java.net.URISyntaxException;
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

    /** Adds one, which is read at once on a thread of its own. @return its id */
    public Checked<String> add(String resource, String address) {
        String there = address.strip();
        if (there.length() > LONGEST_ADDRESS || !isAddress(there)) {
            return Checked.bad(
                    "calendar", "Please give the address of a calendar, like https://calendar.example/a.ics.");
        }
        String id = Ids.next();
        boolean added = Boolean.TRUE.equals(transaction.execute(status -> store.insertUpTo(MOST, id, resource, there)));
        if (!added) {
            return Checked.bad("calendar", "Up to %d calendars can be read.".formatted(MOST));
        }
        Thread.startVirtualThread(() -> store.calendars(resource).stream()
                .filter(one -> one.id().equals(id))
                .forEach(this::read));
        return Checked.good(id);
    }

    private static boolean isAddress(String text) {
        try {
            URI uri = new URI(text.contains("://") ? text : "https://" + text);
            return uri.getHost() != null
                    && uri.getHost().contains(".")
                    && uri.getScheme().matches("(?i)https?|webcal");
        } catch (URISyntaxException none) {
            return false;
        }
    }

    void remove(String resource, String id) {
        transaction.executeWithoutResult(status -> store.delete(resource, id));
    }

    /** Reads all of them once. */
    void readAll() {
        store.calendars(null).forEach(this::read);
    }

    /** Whatever one of them is like, the others are read. */
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
            failed(calendar, String.valueOf(unfit.getMessage()));
        } catch (RuntimeException ours) {
            LOG.warn("calendar {} could not be read", calendar.id(), ours);
            failed(calendar, "Something went wrong here.");
        }
    }

    private void failed(BusyCalendar calendar, String why) {
        transaction.executeWithoutResult(status -> store.failed(calendar.id(), why, clock.instant()));
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
