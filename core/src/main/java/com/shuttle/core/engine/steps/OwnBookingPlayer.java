package com.shuttle.core.engine.steps;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.booking.Reference;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.TimesMove;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.listening.BookingRequest;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Wish;
import com.shuttle.core.reading.WishReader;
import com.shuttle.core.reading.Words;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Moves, cancels or recalls what a visitor has booked, aside of the step that the conversation stands at, and goes back to that.
 * Of several bookings it asks which; one that nobody knows of is found by its reference and address; nothing is cancelled
 * without a yes.
 */
public final class OwnBookingPlayer extends SlotPlayer {

    private static final String CALL_OFF = "call_off";
    private static final String WHICH = "booking:";
    private static final Pattern REFERENCE = Pattern.compile("\\b[A-Za-z0-9]{3}[- ]?[A-Za-z0-9]{4}\\b");

    private Awaiting.Own own;

    public OwnBookingPlayer(Awaiting.Own own, Course course) {
        super(course);
        this.own = own;
    }

    /** Takes up what a visitor wants of a booking. @param said in their words */
    public static void begin(BookingRequest wants, String said, Course course) {
        Awaiting before = course.run().awaiting();
        Awaiting resumes = before instanceof Awaiting.Suggestion suggestion ? suggestion.resumes() : before;
        Awaiting.Own own = new Awaiting.Own(offering(List.of()), wants.key(), "", "", said, resumes);
        new OwnBookingPlayer(own, course).chooseBooking();
    }

    private static Awaiting.Slot offering(List<Offer> offers) {
        return new Awaiting.Slot(offers, 0, "", "", 1, "");
    }

    // Which booking

    private List<BookingFound> theirs() {
        return List.of(run.ask(new Query.OwnBookings(run.visit().visitor())));
    }

    /** The booking that this is about; none where it has gone meanwhile. */
    private BookingFound found() {
        return own.email().isEmpty()
                ? theirs().stream()
                        .filter(one -> one.reference().equals(own.reference()))
                        .findFirst()
                        .orElse(BookingFound.NONE)
                : run.ask(new Query.Booked(own.reference(), own.email()));
    }

    private void chooseBooking() {
        List<BookingFound> theirs = theirs();
        List<BookingFound> meant = meant(theirs, own.said());
        if (theirs.isEmpty()) {
            askFor(AppointmentWords.WHICH_REFERENCE);
        } else if (meant.size() == 1) {
            about(meant.getFirst(), "");
        } else if (wants() == BookingRequest.RECALL) {
            meant.forEach(this::recall);
            goOn();
        } else {
            List<Offer> offers = new ArrayList<>();
            meant.forEach(one -> offers.add(new Offer(WHICH + one.reference(), one.name() + ", " + told(one))));
            offers.add(new Offer(NONE, AppointmentWords.LEAVE));
            run.sayOneOf(List.of(AppointmentWords.WHICH_BOOKING), offers, Look.PLAIN);
            await(offering(offers));
        }
    }

    /** Those of several that a message names by a word of their kind or by their day; all where it names none. */
    private List<BookingFound> meant(List<BookingFound> theirs, String said) {
        if (theirs.size() < 2) {
            return theirs;
        }
        List<String> words = Words.of(said);
        List<BookingFound> named = theirs.stream()
                .filter(one -> Words.of(one.name()).stream().anyMatch(words::contains)
                        || words.contains(one.reference().toLowerCase(Locale.ROOT)))
                .toList();
        Wish wish = read(said).orElse(Wish.ANY);
        List<BookingFound> then = !wish.namesDay()
                ? List.of()
                : theirs.stream()
                        .filter(one -> !wish.fits(List.of(local(one))).isEmpty())
                        .toList();
        return !named.isEmpty() ? named : !then.isEmpty() ? then : theirs;
    }

    private void askFor(String words) {
        List<Offer> offers = List.of(new Offer(NONE, AppointmentWords.LEAVE_OUT));
        run.sayOneOf(List.of(words), offers, Look.PLAIN);
        await(offering(offers));
    }

    // What is done with it

    private BookingRequest wants() {
        return BookingRequest.of(own.wants());
    }

    /** @param email it was named with; empty for one that is known to be theirs */
    private void about(BookingFound booking, String email) {
        own = new Awaiting.Own(own.slot(), own.wants(), booking.reference(), email, own.said(), own.resumes());
        switch (wants()) {
            case RECALL -> {
                recall(booking);
                goOn();
            }
            case CANCEL -> confirm(booking);
            case MOVE -> move(booking);
        }
    }

    private void recall(BookingFound booking) {
        run.trace("recalled", booking.reference());
        run.say(AppointmentWords.recalled(booking.name(), told(booking), booking.reference()));
    }

    private void confirm(BookingFound booking) {
        List<Offer> offers =
                List.of(new Offer(CALL_OFF, AppointmentWords.CALL_OFF), new Offer(NONE, AppointmentWords.LEAVE));
        run.sayOneOf(List.of(AppointmentWords.reallyCancel(booking.name(), told(booking))), offers, Look.PLAIN);
        await(offering(offers));
    }

    /** What is booked stands for what is offered: "a bit later" and "at four instead" are said of it. */
    private void move(BookingFound booking) {
        TimesOffered times = times("");
        Awaiting.Slot booked =
                new Awaiting.Slot(times.offers(List.of(booking.start())), 0, "", booking.kind(), booking.party(), "");
        Heard heard = times.none() ? null : hearWish(booked, own.said(), Words.normal(own.said()));
        if (heard == null) {
            again(times, times.starts(), AppointmentWords.INSTEAD, "");
        } else {
            perform((Move.OfStep) heard.move());
        }
    }

    private void callOff() {
        BookingFound booking = found();
        if (!booking.none()) {
            run.carryOut(new Deed.CallOff(booking.id()));
            run.trace("called off", booking.reference());
        }
        run.say(AppointmentWords.CALLED_OFF);
        goOn();
    }

    /** Back to what was awaited before. */
    private void goOn() {
        run.await(own.resumes());
        course.putAgain();
    }

    private String told(BookingFound booking) {
        return here(booking, List.of()).told(booking.start());
    }

    private LocalDateTime local(BookingFound booking) {
        return LocalDateTime.ofInstant(booking.start(), here(booking, List.of()).zone());
    }

    private TimesOffered here(BookingFound booking, List<Instant> starts) {
        FreeTimes there = new FreeTimes(booking.name(), booking.zone(), starts, List.of());
        return new TimesOffered(there, run.visit().zone(), booking.kind(), booking.party(), "");
    }

    // As one who offers times

    @Override
    List<String> ask() {
        return List.of(AppointmentWords.INSTEAD);
    }

    @Override
    public void enter() {
        chooseBooking();
    }

    /** The talk is of when it takes place, so that whatever names a time wishes it. */
    @Override
    protected Optional<Wish> read(String text) {
        return WishReader.readKnown(text, run.around().context());
    }

    @Override
    TimesOffered times(String with) {
        BookingFound booking = found();
        FreeTimes free = run.ask(new Query.Times(booking.kind(), booking.party(), with));
        return new TimesOffered(free, run.visit().zone(), booking.kind(), booking.party(), with);
    }

    @Override
    protected void await(Awaiting.Slot slot) {
        run.await(new Awaiting.Own(slot, own.wants(), own.reference(), own.email(), own.said(), own.resumes()));
    }

    @Override
    protected Awaiting.@Nullable Slot slot(Awaiting awaiting) {
        return awaiting instanceof Awaiting.Own asked ? asked.slot() : null;
    }

    @Override
    void take(TimesOffered times, Awaiting.Slot slot, Instant start) {
        run.carryOut(new Deed.Rebook(found().id(), start));
        run.trace("moved", times.told(start));
        run.say(AppointmentWords.moved(times.told(start)));
        goOn();
    }

    @Override
    void declined() {
        run.say(AppointmentWords.STAYS);
        goOn();
    }

    @Override
    void noneLeft() {
        run.say(AppointmentWords.NOTHING_ELSE);
        goOn();
    }

    @Override
    @Nullable
    Heard hearFirst(Awaiting.Slot slot, String text) {
        if (found().none()) {
            return slot.offers().size() > 1 ? hearWhich(text) : hearReference(text);
        }
        if (slot.offers(CALL_OFF)) {
            Boolean yes = read(text).isPresent() ? null : yesOrNo(text);
            return yes == null
                    ? null
                    : Heard.of(yes ? new TimesMove.CallOff() : new TimesMove.Decline(), "cancels it", "");
        }
        return AppointmentSayings.CALLS_OFF.in(Words.normal(text))
                ? Heard.of(new TimesMove.AskCallOff(), "calls it off", "")
                : null;
    }

    private @Nullable Heard hearWhich(String text) {
        List<BookingFound> meant = meant(theirs(), text);
        return meant.size() == 1
                ? Heard.of(
                        new TimesMove.About(meant.getFirst()),
                        "which booking",
                        meant.getFirst().reference())
                : null;
    }

    private @Nullable Heard hearReference(String text) {
        Matcher named = REFERENCE.matcher(text);
        String reference = own.reference();
        while (named.find() && reference.isEmpty()) {
            reference = Reference.of(named.group());
        }
        String email = Reader.reply(ValueType.EMAIL, text, run.around().context())
                        instanceof Reading.Given(Value value, int start, int end)
                ? value.shown()
                : knownAddress();
        if (reference.isEmpty()) {
            return null;
        }
        return Heard.of(new TimesMove.Named(reference, email), "a booking by its reference", reference);
    }

    @Override
    public void perform(Move.OfStep move) {
        switch (move) {
            case TimesMove.CallOff() -> callOff();
            case TimesMove.AskCallOff() -> confirm(found());
            case TimesMove.About(BookingFound booking) -> about(booking, "");
            case TimesMove.Named(String reference, String email) -> named(reference, email);
            default -> super.perform(move);
        }
    }

    private void named(String reference, String email) {
        own = new Awaiting.Own(own.slot(), own.wants(), reference, email, own.said(), own.resumes());
        BookingFound booking = email.isEmpty() ? BookingFound.NONE : run.ask(new Query.Booked(reference, email));
        if (!booking.none()) {
            about(booking, email);
        } else if (email.isEmpty()) {
            askFor(AppointmentWords.WHICH_ADDRESS);
        } else {
            own = new Awaiting.Own(own.slot(), own.wants(), "", "", own.said(), own.resumes());
            askFor(AppointmentWords.NO_SUCH_BOOKING);
        }
    }

    /** The visitor's own address, where they have told it. */
    private String knownAddress() {
        return run.playbook.variables().entrySet().stream()
                .filter(variable -> variable.getValue() == ValueType.EMAIL)
                .map(Map.Entry::getKey)
                .map(run.facts::value)
                .filter(Objects::nonNull)
                .map(Value::shown)
                .findFirst()
                .orElse("");
    }

    @Override
    boolean pickOwn(Awaiting.Slot slot, String option) {
        if (option.equals(CALL_OFF)) {
            callOff();
        } else if (option.startsWith(WHICH)) {
            String reference = option.substring(WHICH.length());
            theirs().stream()
                    .filter(one -> one.reference().equals(reference))
                    .findFirst()
                    .ifPresentOrElse(one -> about(one, ""), this::declined);
        } else {
            return false;
        }
        return true;
    }
}
