package bench;

import com.shuttle.appointments.Availability;
import com.shuttle.appointments.Bookings;
import com.shuttle.appointments.Diaries;
import com.shuttle.appointments.Diary;
import com.shuttle.appointments.Kind;
import com.shuttle.appointments.Outcome;
import com.shuttle.appointments.Party;
import com.shuttle.core.bench.Figure;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.OpenHours;
import com.shuttle.core.booking.Rules;
import com.shuttle.core.booking.Slot;
import com.shuttle.core.calendar.WeekHours.Span;
import com.shuttle.web.Ids;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.LongAdder;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** Bookings a second, each in a transaction of its own, beside bare inserts of such rows in theirs. */
public final class BookingBench {

    private static final int AT_ONCE = 8;
    private static final int PLACES = 1000;
    private static final long ROUND_NANOS = 6_000_000_000L;

    private BookingBench() {}

    public static void main(String[] args) throws Exception {
        try (ConfigurableApplicationContext server = ServerWithin.start()) {
            Diaries diaries = server.getBean(Diaries.class);
            Availability availability = server.getBean(Availability.class);
            Bookings bookings = server.getBean(Bookings.class);
            List<Span> day = List.of(Span.of("08:00-18:00").orElseThrow());
            Map<DayOfWeek, List<Span>> week =
                    Stream.of(DayOfWeek.values()).collect(Collectors.toMap(one -> one, one -> day));
            List<String> kinds = new ArrayList<>();
            List<String> single = new ArrayList<>();
            List<List<Slot>> free = new ArrayList<>();
            Rules rules = new Rules(30, 0, 0, 0, 60, 30, PLACES, 0, false);
            Rules one = new Rules(30, 0, 0, 0, 60, 30, 1, 0, false);
            for (int i = 0; i < AT_ONCE; i++) {
                String room = diaries.keep(
                        new Diary("", Diary.Type.ROOM, "Room " + i, new OpenHours(ZoneOffset.UTC, week, Map.of())));
                kinds.add(diaries.keep(new Kind("", "Talk " + i, "", "", rules, Chooser.By.IN_TURN, List.of(room))));
                String desk = diaries.keep(
                        new Diary("", Diary.Type.ROOM, "Desk " + i, new OpenHours(ZoneOffset.UTC, week, Map.of())));
                single.add(diaries.keep(new Kind("", "Visit " + i, "", "", one, Chooser.By.IN_TURN, List.of(desk))));
                Instant now = Instant.now();
                free.add(availability.free(kinds.get(i), 1, now, now.plus(Duration.ofDays(50))));
            }
            IntConsumer book = n -> {
                int which = n % AT_ONCE;
                Instant start = free.get(which).get(n / AT_ONCE / PLACES).start();
                Party party = new Party(1, "", "Somebody", "", "", "", "", null, null);
                if (!(bookings.take(kinds.get(which), start, party, null) instanceof Outcome.Taken)) {
                    throw new IllegalStateException("not booked");
                }
            };
            IntConsumer alone = n -> {
                int which = n % AT_ONCE;
                List<Slot> slots = free.get(which);
                Party party = new Party(1, "", "Somebody", "", "", "", "", null, null);
                bookings.take(
                        single.get(which), slots.get(n / AT_ONCE % slots.size()).start(), party, null);
            };
            JdbcTemplate plain = server.getBean(JdbcTemplate.class);
            TransactionTemplate transaction = server.getBean(TransactionTemplate.class);
            IntConsumer insert = n -> transaction.executeWithoutResult(status -> plain.update(
                    "insert into booking (id, reference, kind_id, resources, starts_at, ends_at, state, party, name, email,"
                            + " phone, about, zone, changes, made_at, updated_at) values (?, ?, ?, '[]', now(), now(),"
                            + " 'cancelled', 1, 'Somebody', '', '', '', '', 0, now(), now())",
                    Ids.next(),
                    Ids.next().substring(0, 10),
                    kinds.getFirst()));
            rate(book);
            double own = rate(book);
            double asked = rate(alone);
            rate(insert);
            double bare = rate(insert);
            String part = "Bookings, " + AT_ONCE + " at once, beside bare inserts";
            Figure.of(part, "places of a group", own, "/s")
                    .beside(bare)
                    .ratioAtLeast(0.4)
                    .tell();
            Figure.of(part, "single times, asked for and booked", asked, "/s")
                    .beside(bare)
                    .ratioAtLeast(0.4)
                    .tell();
        }
        System.exit(0);
    }

    private static int done;

    private static double rate(IntConsumer act) throws Exception {
        LongAdder many = new LongAdder();
        int from = done;
        long end = System.nanoTime() + ROUND_NANOS;
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<?>> all = new ArrayList<>();
            for (int i = 0; i < AT_ONCE; i++) {
                int first = from + i;
                all.add(threads.submit(() -> {
                    for (int n = first; System.nanoTime() < end; n += AT_ONCE) {
                        act.accept(n);
                        many.increment();
                    }
                }));
            }
            for (Future<?> one : all) {
                one.get();
            }
        }
        done += (int) (many.sum() / AT_ONCE + 1) * AT_ONCE * 2;
        return many.sum() / (ROUND_NANOS / 1e9);
    }
}
