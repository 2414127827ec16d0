package com.shuttle.appointments;

import com.shuttle.appointments.Booking.State;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.Reference;
import com.shuttle.core.booking.Rules;
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
    private final Letting letting;
    private final KeyedRequests requests;
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
            Letting letting,
            KeyedRequests requests,
            Seating seating,
            BookingMails mails,
            Vault vault,
            TransactionTemplate transaction,
            InstantSource clock) {
        this.diaries = diaries;
        this.store = store;
        this.kinds = kinds;
        this.letting = letting;
        this.requests = requests;
        this.seating = seating;
        this.mails = mails;
        this.vault = vault;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Books a time. */
    public Outcome take(String kind, Instant start, Party party, @Nullable String account) {
        return take(kind, start, party, Duration.ZERO, account);
    }

    /** Books a time, or holds it for so long. @param held zero for a booking */
    Outcome take(String kind, Instant start, Party party, Duration held, @Nullable String account) {
        Outcome outcome;
        try {
            outcome = transaction.execute(
                    status -> taken(kind, start, party, Reference.next(random::nextInt), held, Holder.NOBODY, account));
        } catch (DuplicateKeyException faster) {
            outcome = transaction.execute(
                    status -> new Outcome.Gone(seating.nearest(diaries.kind(kind), party.many(), start)));
        }
        // The same request may have been faster than itself.
        return outcome instanceof Outcome.Gone
                ? requests.before(kind, start, party).orElse(outcome)
                : outcome;
    }

    /**
     * Books a time in the transaction of a conversation's turn.
     *
     * @throws DuplicateKeyException if somebody was faster, or the reference is another's
     */
    @Transactional(propagation = Propagation.MANDATORY)
    Outcome inTurn(String kind, Instant start, Party party, String reference) {
        return store.byReference(reference)
                .filter(held -> held.state() == State.HELD)
                .map(held -> confirmed(held, party))
                .orElseGet(() -> taken(kind, start, party, reference, Duration.ZERO, Holder.NOBODY, null));
    }

    /**
     * Holds a time in the transaction of a conversation's turn. Where its holder has others, the oldest of too many is let go.
     *
     * @throws DuplicateKeyException as for {@link #inTurn}
     */
    @Transactional(propagation = Propagation.MANDATORY)
    Outcome heldInTurn(String kind, Instant start, Party party, String reference, Duration held, Holder holder) {
        Outcome outcome = taken(kind, start, party, reference, held, holder, null);
        if (party.conversation() != null) {
            letting.beyond(Holder.MOST, store.heldIn(party.conversation(), holder.visitor()));
        }
        if (!holder.caller().isEmpty()) {
            letting.beyond(Holder.MOST_OF_A_CALLER, store.heldBy(holder.caller()));
        }
        return outcome;
    }

    /** Whether the time under a reference is held still. */
    boolean holds(String reference) {
        return store.byReference(reference)
                .filter(booking -> booking.state() == State.HELD)
                .isPresent();
    }

    /** Gives a time back that is held; nothing where it is held no longer. */
    @Transactional
    void letGo(String reference) {
        store.byReference(reference)
                .filter(booking -> booking.state() == State.HELD)
                .ifPresent(held -> {
                    letting.end(held, State.EXPIRED, false);
                    store.note(held.id(), "was let go by the visitor", null, clock.instant());
                });
    }

    private Outcome taken(
            String id,
            Instant start,
            Party party,
            String reference,
            Duration held,
            Holder holder,
            @Nullable String account) {
        Optional<Kind> there = kinds.bookable(id);
        if (there.isEmpty()) {
            return new Outcome.Unfit("There is no such appointment any more.");
        }
        Kind kind = there.get();
        Optional<Outcome> before = requests.before(id, start, party);
        if (before.isPresent()) {
            return before.get();
        }
        String unfit = unfit(kind, party.many());
        if (!unfit.isEmpty()) {
            return new Outcome.Unfit(unfit);
        }
        Seating.Placed placed = placed(kind, start, party);
        if (placed == null) {
            return new Outcome.Gone(seating.nearest(kind, party.many(), start));
        }
        Instant now = clock.instant();
        State state = held.isZero() ? State.BOOKED : State.HELD;
        Instant until = held.isZero() ? null : now.plus(held);
        Booking booking = Booking.of(kind, placed.resources(), start, party, reference, state, until, now);
        store.insert(
                booking,
                new BookingStore.Terms(
                        placed.session(),
                        kind.taking(party.many()),
                        party.key(),
                        party.key() == null ? null : party.print(id, start),
                        holder.caller()));
        store.note(booking.id(), held.isZero() ? "was booked" : "was held", account, now);
        if (held.isZero()) {
            mails.tell(booking, kind, BookingMails.News.BOOKED, link(booking));
        }
        return new Outcome.Taken(booking);
    }

    /** A place among others needs no lock, since the session's own row keeps count; all else follows one another. */
    private Seating.@Nullable Placed placed(Kind kind, Instant start, Party party) {
        Seating.Placed joined = seating.join(kind, start, party.many(), party.with());
        if (joined != null || kinds.locked(kind.id()).isEmpty()) {
            return joined;
        }
        return placed(kind, start, party.many(), party.with());
    }

    /** Where there is no place, one may still be held that was to be let go. */
    private Seating.@Nullable Placed placed(Kind kind, Instant start, int many, String with) {
        Seating.Placed placed = seating.place(kind, start, many, with);
        return placed == null && letting.lapsed() ? seating.place(kind, start, many, with) : placed;
    }

    private static String unfit(Kind kind, int party) {
        int places = kind.rules().places();
        if (party < 1 || party > Rules.MOST_PLACES) {
            return "From one to %,d may come.".formatted(Rules.MOST_PLACES);
        }
        return places > 1 && party > places ? "There are %d places at the most.".formatted(places) : "";
    }

    /** Makes what is held a booking. Whether it was held still. */
    @Transactional
    boolean confirm(String id) {
        Booking held = store.locked(id).orElseThrow(() -> new Missing("booking", id));
        if (held.state() == State.HELD) {
            confirmed(
                    held,
                    new Party(
                            held.party(),
                            "",
                            held.name(),
                            held.email(),
                            held.phone(),
                            held.about(),
                            held.zone(),
                            held.conversation(),
                            null));
        }
        return held.state().standing();
    }

    private Outcome confirmed(Booking held, Party party) {
        Instant now = clock.instant();
        store.confirm(held.id(), party, now);
        store.note(held.id(), "was booked", null, now);
        Booking booked = booking(held.id());
        mails.tell(booked, diaries.kind(held.kind()), BookingMails.News.BOOKED, link(held));
        return new Outcome.Taken(booked);
    }

    // Changing

    /** Moves a booking to another time; where that cannot be, it stays where it is. */
    public Outcome change(String id, Instant start, @Nullable String account) {
        return change(id, start, "", account);
    }

    /** The same, to somebody. @param with as in {@link Party} */
    Outcome change(String id, Instant start, String with, @Nullable String account) {
        try {
            return transaction.execute(status -> {
                Outcome outcome = changed(id, start, with, account);
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
        return changed(id, start, "", null);
    }

    private Outcome changed(String id, Instant start, String with, @Nullable String account) {
        Kind kind = kinds.locked(booking(id).kind()).orElse(null);
        Booking booking = store.locked(id).orElseThrow(() -> new Missing("booking", id));
        if (kind == null || !booking.state().standing()) {
            return new Outcome.Unfit("This appointment can no longer be changed; it is "
                    + booking.state().label() + ".");
        }
        if (booking.start().equals(start)
                && (with.isEmpty() || booking.resources().contains(with))) {
            return new Outcome.Taken(booking);
        }
        letting.leave(booking);
        Seating.Placed placed = placed(kind, start, booking.party(), with);
        if (placed == null) {
            return new Outcome.Gone(seating.nearest(kind, booking.party(), start));
        }
        Instant now = clock.instant();
        Instant end = start.plusSeconds(kind.rules().minutes() * 60L);
        store.move(id, placed.session(), kind.taking(booking.party()), placed.resources(), start, end, now);
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
        letting.end(booking, State.CANCELLED, true);
        store.note(id, "was cancelled", account, now);
        mails.tell(booking(id), kind, BookingMails.News.CANCELLED, "");
        return true;
    }

    /** Notes whether somebody came. */
    @Transactional
    public void mark(String id, boolean came, @Nullable String account) {
        Booking booking = store.locked(id).orElseThrow(() -> new Missing("booking", id));
        if (booking.state() != State.CANCELLED && booking.state() != State.EXPIRED) {
            store.state(id, came ? State.DONE : State.NO_SHOW, false, clock.instant());
            store.note(id, came ? "came" : "did not come", account, clock.instant());
        }
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
                .map(this::asFound)
                .orElse(BookingFound.NONE);
    }

    /** What is booked to come in a conversation, or in any of the same visitor; soonest first. @param visitor may be empty */
    public List<BookingFound> own(String conversation, String visitor) {
        return store.toCome(conversation, visitor, clock.instant()).stream()
                .map(this::asFound)
                .toList();
    }

    private BookingFound asFound(Booking booking) {
        return new BookingFound(
                booking.id(),
                booking.kind(),
                diaries.kind(booking.kind()).name(),
                seating.zone(booking.resources()).getId(),
                booking.start(),
                booking.party(),
                booking.reference());
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

    /** Bookings that were made in a conversation, or for this address; empty for none. */
    public List<Booking> of(String conversation, String email) {
        return store.of(conversation, email);
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
