package com.shuttle.appointments;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.Rules;
import com.shuttle.web.Sent;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.servlet.mvc.support.RedirectAttributesModelMap;

/** What holds of a booking whatever comes after: its key, its places, and how much one may hold. */
@ServerTest
class BookingTermsTest {

    private static final Instant FROM = Instant.now().plus(Duration.ofDays(3)).truncatedTo(ChronoUnit.DAYS);

    private final Diaries diaries;
    private final Availability availability;
    private final Bookings bookings;
    private final FormerBookings former;
    private final OwnBookingController own;
    private final SetUpForms forms;
    private final TestData data;
    private final TransactionTemplate transaction;

    BookingTermsTest(
            Diaries diaries,
            Availability availability,
            Bookings bookings,
            FormerBookings former,
            OwnBookingController own,
            SetUpForms forms,
            TestData data,
            TransactionTemplate transaction) {
        this.diaries = diaries;
        this.availability = availability;
        this.bookings = bookings;
        this.former = former;
        this.own = own;
        this.forms = forms;
        this.data = data;
        this.transaction = transaction;
    }

    private String person() {
        return Calendars.person(diaries, data.name("Ann"));
    }

    private String kind(int places) {
        Rules rules = new Rules(60, 0, 0, 0, 60, 30, places, 0, false);
        return diaries.keep(new Kind("", data.name("Visit"), "", "", rules, Chooser.By.IN_TURN, List.of(person())));
    }

    private static Party party(int many) {
        return new Party(many, "", "Dana", "dana@mill.example", "", "", "", null, null);
    }

    private List<Instant> free(String kind) {
        return Calendars.free(availability, kind, FROM);
    }

    private static Party keyed(String key, String name) {
        return new Party(1, "", name, "dana@mill.example", "", "", "", null, key);
    }

    /** The same request twelve times at once is one booking for each of them. */
    @Test
    void identicalRequestsAtOnceAreAllToldOfTheOneBooking() throws Exception {
        String kind = kind(1);
        Instant start = free(kind).getFirst();
        String key = data.name("request");
        List<Outcome> outcomes = new ArrayList<>();
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<Outcome>> all = IntStream.range(0, 12)
                    .mapToObj(i -> threads.submit(() -> bookings.take(kind, start, keyed(key, "Dana"), null)))
                    .toList();
            for (Future<Outcome> one : all) {
                outcomes.add(one.get());
            }
        }
        assertThat(outcomes).allMatch(Outcome.Taken.class::isInstance);
        assertThat(outcomes.stream()
                        .map(one -> ((Outcome.Taken) one).booking().id())
                        .distinct())
                .hasSize(1);
    }

    @Test
    void aKeyBelongsToOneRequestAndToWhatStandsOfIt() {
        String kind = kind(1);
        Instant start = free(kind).getFirst();
        String key = data.name("request");
        Booking booking = ((Outcome.Taken) bookings.take(kind, start, keyed(key, "Dana"), null)).booking();
        assertThat(bookings.take(kind, start, keyed(key, "Ida"), null))
                .isEqualTo(new Outcome.Unfit("This Idempotency-Key was used for another request."));
        assertThat(bookings.take(kind, free(kind).getLast(), keyed(key, "Dana"), null))
                .isInstanceOf(Outcome.Unfit.class);
        bookings.cancel(booking.id(), null);
        assertThat(bookings.take(kind, start, keyed(key, "Dana"), null)).isInstanceOf(Outcome.Unfit.class);
    }

    @Test
    void aKindWithFewerPlacesGivesBackWhatWasBookedOfMore() {
        String id = kind(8);
        Instant start = free(id).getFirst();
        Booking booking = ((Outcome.Taken) bookings.take(id, start, party(5), null)).booking();
        Kind kind = diaries.kind(id);
        Rules rules = kind.rules();
        diaries.keep(new Kind(
                id,
                kind.name(),
                "",
                "",
                new Rules(rules.minutes(), 0, 0, 0, 60, 30, 1, 0, false),
                kind.by(),
                kind.resources()));
        bookings.cancel(booking.id(), null);
        assertThat(free(id)).contains(start);
    }

    @Test
    void nobodyComesByTheMillion() {
        String kind = kind(1);
        assertThat(bookings.take(kind, free(kind).getFirst(), party(Integer.MAX_VALUE), null))
                .isInstanceOf(Outcome.Unfit.class);
    }

    /** One visitor, or one address, holds a few times; the oldest are free again. */
    @Test
    void nobodyHoldsEveryTime() {
        String kind = kind(1);
        List<Instant> free = free(kind);
        List<String> held = new ArrayList<>();
        Bot bot = data.released(TestData.flow("main", "{'kind':'message','id':'a','say':['Hi.']}"));
        for (int i = 0; i < 9; i++) {
            int at = i;
            String conversation = data.conversations
                    .begin(bot.id(), "", "", "web", "")
                    .orElseThrow()
                    .conversation();
            Party party = new Party(1, "", "", "", "", "", "", conversation, null);
            String reference = "HLD-" + kind.substring(0, 3) + i;
            held.add(reference);
            transaction.executeWithoutResult(status -> bookings.heldInTurn(
                    kind,
                    free.get(2 * at),
                    party,
                    reference,
                    Duration.ofMinutes(10),
                    new Holder("caller " + kind, "")));
        }
        assertThat(held.stream().filter(bookings::holds)).containsExactlyElementsOf(held.subList(3, 9));
        assertThat(free(kind)).contains(free.get(0), free.get(4)).doesNotContain(free.get(6), free.get(16));
    }

    /** What was already is neither moved nor cancelled by the link in its mail. */
    @Test
    void aLinkChangesNothingThatIsOver() {
        String kind = kind(1);
        Instant start = FROM.minus(Duration.ofDays(10)).plus(Duration.ofHours(10));
        assertThat(former.take(kind, start, party(1), Booking.State.BOOKED, start.minus(Duration.ofDays(1))))
                .isTrue();
        Booking booking = bookings.between(start, start.plusSeconds(1)).stream()
                .filter(one -> one.kind().equals(kind))
                .findFirst()
                .orElseThrow();
        String key = bookings.link(booking).replaceFirst(".*/", "");
        RedirectAttributesModelMap flash = new RedirectAttributesModelMap();
        own.cancel(booking.id(), key, flash);
        assertThat(flash.getFlashAttributes().get("said").toString()).contains("was already");
        own.move(booking.id(), key, free(kind).getFirst().toString(), flash);
        assertThat(bookings.booking(booking.id())).isEqualTo(booking);
    }

    @Test
    void aKindIsWithThoseWhoAreThere() {
        String ann = person();
        Map<String, String> form = KindForm.form(KindForm.BLANK);
        form.put("name", "Visit");
        assertThat(forms.kind("", form, List.of(ann, "nobody")))
                .isInstanceOfSatisfying(
                        Sent.Kept.class,
                        kept -> assertThat(((Kind) kept.value()).resources()).containsExactly(ann));
        assertThat(forms.kind("", form, List.of("nobody")))
                .isInstanceOfSatisfying(
                        Sent.Refused.class,
                        refused ->
                                assertThat(refused.errors().keySet().toString()).isEqualTo("[resources]"));
    }
}
