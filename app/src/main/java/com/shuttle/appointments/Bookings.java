package com.shuttle.appointments;

import com.shuttle.appointments.Booking.State;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.booking.Reference;
import com.shuttle.core.booking.Slot;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Vault;
import com.shuttle.web.Wanted;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes times for those who want to come. Bookings of one kind follow one another; what keeps two kinds, or two servers, from
 * taking the same person twice is the database, where every five minutes of a person belong to one session. Thread-safe.
 */
@Service
public class Bookings {

    private final Diaries diaries;
    private final BookingStore store;
    private final DiaryStore kinds;
    private final SessionStore sessions;
    private final Seating seating;
    private final BookingMails mails;
    private final Vault vault;
    private final TransactionTemplate transaction;
    private final InstantSource clock;
    private final SecureRandom random = new SecureRandom();

    Bookings(
            Diaries diaries,
            BookingStore store,
            DiaryStore kinds,
            SessionStore sessions,
            Seating seating,
            BookingMails mails,
            Vault vault,
            TransactionTemplate transaction,
            InstantSource clock) {
        this.diaries = diaries;
        this.store = store;
        this.kinds = kinds;
        this.sessions = sessions;
        this.seating = seating;
        this.mails = mails;
        this.vault = vault;
        this.transaction = transaction;
        this.clock = clock;
    }

    // What is free

    /** The free times of a kind that begin within a period, for a party of so many. None where the kind is gone. */
    @Transactional
    public List<Slot> free(String kind, int party, Instant from, Instant until) {
        Optional<Kind> there = diaries.bookable(kind);
        release();
        return there.map(one -> seating.find(one, party, from, until)).orElse(List.of());
    }

    /** When a kind is free, as conversations learn it. */
    @Transactional
    public FreeTimes times(String kind, int party) {
        Optional<Kind> there = diaries.bookable(kind);
        if (there.isEmpty()) {
            return FreeTimes.GONE;
        }
        Instant now = clock.instant();
        List<Instant> starts =
                free(
                                kind,
                                party,
                                now,
                                now.plus(Duration.ofDays(there.get().rules().horizon() + 1L)))
                        .stream()
                        .map(Slot::start)
                        .limit(FreeTimes.MOST)
                        .toList();
        return new FreeTimes(
                there.get().name(), seating.zone(there.get().resources()).getId(), starts);
    }

    /** Lets go of what was held too long. */
    private void release() {
        Instant now = clock.instant();
        for (Booking lapsed : store.lapsed(now)) {
            end(lapsed, diaries.kind(lapsed.kind()), State.EXPIRED, false, now);
            store.note(lapsed.id(), "was let go, as nobody took it", null, now);
        }
    }

    private void end(Booking booking, Kind kind, State state, boolean counts, Instant now) {
        store.session(booking.id()).ifPresent(session -> {
            store.leaves(booking.id());
            sessions.giveBack(session, kind.taking(booking.party()));
        });
        store.state(booking.id(), state, counts, now);
    }

    // Taking

    /** Books a time. */
    public Outcome take(String kind, Instant start, Party party, @Nullable String account) {
        return take(kind, start, party, Duration.ZERO, account);
    }

    /** Books a time, or holds it for so long. @param held zero for a booking */
    Outcome take(String kind, Instant start, Party party, Duration held, @Nullable String account) {
        try {
            return transaction.execute(
                    status -> taken(kind, start, party, Reference.next(random::nextInt), held, account));
        } catch (DuplicateKeyException faster) {
            return transaction.execute(
                    status -> new Outcome.Gone(seating.nearest(diaries.kind(kind), party.many(), start)));
        }
    }

    /**
     * Books a time in the transaction of a conversation's turn.
     *
     * @throws DuplicateKeyException if somebody was faster, or the reference is another's
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public Outcome inTurn(String kind, Instant start, Party party, String reference) {
        return taken(kind, start, party, reference, Duration.ZERO, null);
    }

    private Outcome taken(
            String id, Instant start, Party party, String reference, Duration held, @Nullable String account) {
        Optional<Kind> there = kinds.locked(id);
        if (there.isEmpty()) {
            return new Outcome.Unfit("There is no such appointment any more.");
        }
        Kind kind = there.get();
        Optional<Booking> before = party.key() == null ? Optional.empty() : store.requested(party.key());
        if (before.isPresent()) {
            return new Outcome.Taken(before.get());
        }
        String unfit = unfit(kind, party.many());
        if (!unfit.isEmpty()) {
            return new Outcome.Unfit(unfit);
        }
        release();
        Seating.Placed placed = seating.place(kind, start, party.many(), party.resource());
        if (placed == null) {
            return new Outcome.Gone(seating.nearest(kind, party.many(), start));
        }
        Instant now = clock.instant();
        Booking booking = new Booking(
                Ids.next(),
                reference,
                id,
                placed.resources(),
                start,
                start.plusSeconds(kind.rules().minutes() * 60L),
                held.isZero() ? State.BOOKED : State.HELD,
                held.isZero() ? null : now.plus(held),
                party.many(),
                party.name(),
                party.email(),
                party.phone(),
                party.about(),
                party.zone(),
                party.conversation(),
                0,
                now);
        store.insert(booking, placed.session(), party.key());
        store.note(booking.id(), held.isZero() ? "was booked" : "was held", account, now);
        if (held.isZero()) {
            mails.tell(booking, kind, BookingMails.News.BOOKED, link(booking));
        }
        return new Outcome.Taken(booking);
    }

    private static String unfit(Kind kind, int party) {
        int places = kind.rules().places();
        if (party < 1) {
            return "At least one must come.";
        }
        return places > 1 && party > places ? "There are %d places at the most.".formatted(places) : "";
    }

    /** Makes what is held a booking. Whether it was held still. */
    @Transactional
    public boolean confirm(String id) {
        Booking held = store.locked(id).orElseThrow(() -> new Missing("booking", id));
        Instant until = held.heldUntil();
        if (held.state() != State.HELD || until == null || until.isBefore(clock.instant())) {
            return held.state() == State.BOOKED;
        }
        store.confirm(id, clock.instant());
        store.note(id, "was booked", null, clock.instant());
        mails.tell(booking(id), diaries.kind(held.kind()), BookingMails.News.BOOKED, link(held));
        return true;
    }

    // Changing

    /** Moves a booking to another time; where that cannot be, it stays where it is. */
    public Outcome change(String id, Instant start, @Nullable String account) {
        try {
            return transaction.execute(status -> {
                Outcome outcome = changed(id, start, account);
                if (!(outcome instanceof Outcome.Taken)) {
                    status.setRollbackOnly();
                }
                return outcome;
            });
        } catch (DuplicateKeyException faster) {
            Booking booking = booking(id);
            return transaction.execute(
                    status -> new Outcome.Gone(seating.nearest(diaries.kind(booking.kind()), booking.party(), start)));
        }
    }

    /**
     * Moves a booking in the transaction of a conversation's turn.
     *
     * @throws DuplicateKeyException if somebody was faster
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public Outcome changeInTurn(String id, Instant start) {
        return changed(id, start, null);
    }

    private Outcome changed(String id, Instant start, @Nullable String account) {
        Kind kind = kinds.locked(booking(id).kind()).orElse(null);
        Booking booking = store.locked(id).orElseThrow(() -> new Missing("booking", id));
        if (kind == null || !booking.state().standing()) {
            return new Outcome.Unfit("This appointment can no longer be changed; it is "
                    + booking.state().label() + ".");
        }
        if (booking.start().equals(start)) {
            return new Outcome.Taken(booking);
        }
        store.session(id).ifPresent(session -> {
            store.leaves(id);
            sessions.giveBack(session, kind.taking(booking.party()));
        });
        Seating.Placed placed = seating.place(kind, start, booking.party(), "");
        if (placed == null) {
            return new Outcome.Gone(seating.nearest(kind, booking.party(), start));
        }
        Instant now = clock.instant();
        Instant end = start.plusSeconds(kind.rules().minutes() * 60L);
        store.move(id, placed.session(), placed.resources(), start, end, now);
        store.note(id, "was moved from " + booking.start() + " to " + start, account, now);
        Booking moved = booking(id);
        mails.tell(moved, kind, BookingMails.News.MOVED, link(moved));
        return new Outcome.Taken(moved);
    }

    /** Calls a booking off. Whether it was standing. */
    @Transactional
    public boolean cancel(String id, @Nullable String account) {
        Kind kind = diaries.kind(booking(id).kind());
        Booking booking = store.locked(id).orElseThrow(() -> new Missing("booking", id));
        if (!booking.state().standing()) {
            return false;
        }
        Instant now = clock.instant();
        end(booking, kind, State.CANCELLED, true, now);
        store.note(id, "was cancelled", account, now);
        mails.tell(booking(id), kind, BookingMails.News.CANCELLED, "");
        return true;
    }

    /** Notes whether somebody came. */
    @Transactional
    public void mark(String id, boolean came, @Nullable String account) {
        Booking booking = store.locked(id).orElseThrow(() -> new Missing("booking", id));
        if (booking.state() == State.CANCELLED || booking.state() == State.EXPIRED) {
            return;
        }
        store.state(id, came ? State.DONE : State.NO_SHOW, false, clock.instant());
        store.note(id, came ? "came" : "did not come", account, clock.instant());
    }

    // Finding

    /** @throws Missing if there is no such booking */
    public Booking booking(String id) {
        return store.booking(id).orElseThrow(() -> new Missing("booking", id));
    }

    /** What a visitor can name by its reference and their own address; empty where either is another's. */
    public Optional<Booking> named(String reference, String email) {
        return store.byReference(Reference.of(reference))
                .filter(booking -> !email.isBlank() && booking.email().equalsIgnoreCase(email.strip()));
    }

    /** The same, as conversations learn it; none for what is over. */
    public BookingFound found(String reference, String email) {
        return named(reference, email)
                .filter(booking ->
                        booking.state() == State.BOOKED && booking.start().isAfter(clock.instant()))
                .map(booking -> new BookingFound(
                        booking.id(),
                        booking.kind(),
                        diaries.kind(booking.kind()).name(),
                        seating.zone(booking.resources()).getId(),
                        booking.start(),
                        booking.party()))
                .orElse(BookingFound.NONE);
    }

    Page<Booking> bookings(Wanted wanted) {
        return store.bookings(wanted);
    }

    List<Booking> between(Instant from, Instant until) {
        return store.between(from, until);
    }

    List<Booking> with(String resource, Instant from, Instant until) {
        return store.with(resource, from, until);
    }

    List<BookingStore.Past> past(String id) {
        return store.past(id);
    }

    /** Bookings that were made in a conversation. */
    public List<Booking> of(String conversation) {
        return store.of(conversation);
    }

    /** Forgets who booked in a conversation; the times stay taken, as somebody counts on them. */
    @Transactional
    public void forget(String conversation) {
        store.anonymise(conversation);
    }

    // The link in the mail

    /** The path at which whoever has it changes and cancels a booking, without signing in. */
    public String link(Booking booking) {
        return "/booking/" + booking.id() + "/" + vault.sign("booking " + booking.id());
    }

    /** Whether a link's key is that of a booking. */
    boolean opens(String id, String key) {
        return vault.signed("booking " + id, key);
    }
}
