package com.shuttle.core.engine.steps;

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
import com.shuttle.core.flow.Appointment;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Wish;
import com.shuttle.core.reading.Words;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Books the time that is picked. Where name or address are not known yet, the time is held for {@link #HELD} while they are
 * asked for; a hold that ran out is told only where somebody else has taken the time.
 */
final class BookingPlayer extends SlotPlayer {

    /** For so long a time is kept from others while its details are typed. */
    static final Duration HELD = Duration.ofMinutes(10);

    private static final String WAIT = "wait";
    private static final String ANYBODY = "anybody";
    private static final String PERSON = "p";
    private static final String ANOTHER = "another";

    private final Asking asking = new Asking(run);

    private final Appointment step;

    BookingPlayer(Appointment step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    List<String> ask() {
        return step.ask();
    }

    @Override
    void declined() {
        run.await(null);
        course.leave(step, Appointment.DECLINED);
    }

    @Override
    TimesOffered times(String with) {
        int party = party();
        return new TimesOffered(
                run.ask(new Query.Times(step.of(), party, with)), run.visit().zone(), step.of(), party, with);
    }

    private int party() {
        String text = plain(step.party()).replaceAll("[^0-9]", "");
        return text.isEmpty() || text.length() > 4 ? 1 : Math.max(1, Integer.parseInt(text));
    }

    // Offering

    @Override
    public void enter() {
        TimesOffered times = times(plain(step.with()));
        if (times.none()) {
            String why = times.free().name().isEmpty()
                    ? "the kind of appointment is gone"
                    : times.free().name();
            run.trace("nothing free", times.with().isEmpty() ? why : why + ", with " + times.with());
            nothingFree(times);
            return;
        }
        List<String> people = times.free().people();
        if (step.choose() && times.with().isEmpty() && people.size() > 1) {
            List<Offer> offers = Stream.concat(
                            IntStream.range(0, people.size()).mapToObj(i -> new Offer(PERSON + i, people.get(i))),
                            Stream.of(new Offer(ANYBODY, AppointmentWords.ANYBODY)))
                    .toList();
            run.sayOneOf(List.of(AppointmentWords.WITH_WHOM), offers, Look.PLAIN);
            run.await(new Awaiting.Slot(offers, 0, "", "", times.party(), ""));
            return;
        }
        offerFirst(times, step.ask());
    }

    /** The first times, or those that fit what was said before the step was reached. */
    private void offerFirst(TimesOffered times, List<String> ask) {
        String words = run.takeOpenWords();
        List<Wish> said = words == null ? List.of() : read(words).stream().toList();
        List<Instant> fits = said.isEmpty() ? List.of() : times.fitting(said);
        boolean fit = !fits.isEmpty();
        offer(times, fit ? fits : times.starts(), ask, fit && words != null ? words : "");
    }

    /** Offers the waiting list, where there is an address to write to. */
    private void nothingFree(TimesOffered times) {
        boolean there = !times.free().name().isEmpty();
        if (!there || !step.waits() || plain(step.email()).isEmpty()) {
            noneLeft();
            return;
        }
        List<Offer> offers =
                List.of(new Offer(WAIT, AppointmentWords.WAIT), new Offer(NONE, AppointmentWords.LEAVE_OUT));
        run.sayOneOf(List.of(AppointmentWords.ASK_TO_WAIT), offers, Look.PLAIN);
        run.await(new Awaiting.Slot(offers, 0, "", "", times.party(), times.with()));
    }

    @Override
    void noneLeft() {
        run.await(null);
        course.leave(step, Appointment.NOTHING_FREE);
    }

    private void waitFor(int many) {
        run.await(null);
        run.carryOut(new Deed.WaitFor(
                step.of(),
                many,
                plain(step.who()),
                plain(step.email()),
                run.visit().zone()));
        run.say(AppointmentWords.WAITS);
        course.leave(step, Appointment.NOTHING_FREE);
    }

    /** Offers the times of somebody, or of all where that has none. */
    private void with(Awaiting.Slot slot, String who) {
        TimesOffered times = times(who);
        if (!times.none()) {
            offerFirst(times, who.isEmpty() ? step.ask() : List.of(AppointmentWords.withWhom(who)));
            return;
        }
        TimesOffered all = times("");
        again(all, all.starts(), AppointmentWords.notWith(who), slot.wish());
    }

    // Hearing

    @Override
    @Nullable
    Heard hearFirst(Awaiting.Slot slot, String text) {
        if (slot.offers(WAIT)) {
            Boolean yes = yesOrNo(text);
            return yes == null ? null : Heard.of(new TimesMove.Wait(slot.party(), yes), "the waiting list", "");
        }
        String who = step.choose() ? named(slot, text) : "";
        return who.isEmpty() ? null : Heard.of(new TimesMove.With(slot, who), "whom it is with", who);
    }

    /** Whom of several a message names, by their whole name or by a part that only they have; empty for nobody. */
    private String named(Awaiting.Slot slot, String text) {
        List<String> said = Words.of(text);
        List<String> people = times(slot.with()).free().people();
        List<String> named = people.stream()
                .filter(person -> Words.of(person).stream()
                        .anyMatch(part -> said.contains(part)
                                && people.stream()
                                                .filter(other -> Words.of(other).contains(part))
                                                .count()
                                        == 1))
                .toList();
        return named.size() == 1 ? named.getFirst() : "";
    }

    @Override
    boolean pickOwn(Awaiting.Slot slot, String option) {
        if (option.equals(WAIT)) {
            waitFor(slot.party());
        } else if (option.equals(NONE) && slot.offers(WAIT)) {
            noneLeft();
        } else if (option.equals(ANYBODY)) {
            with(slot, "");
        } else if (option.matches(PERSON + "\\d{1,4}")) {
            with(
                    slot,
                    slot.offers().stream()
                            .filter(offer -> offer.id().equals(option))
                            .map(Offer::label)
                            .findFirst()
                            .orElse(""));
        } else {
            return false;
        }
        return true;
    }

    // Taking

    @Override
    void take(TimesOffered times, Awaiting.Slot slot, Instant start) {
        String reference = Reference.next(run::pick);
        List<BookingDetail> missing = missing();
        if (missing.isEmpty()) {
            book(times, start, reference);
            return;
        }
        run.carryOut(new Deed.Hold(
                step.of(),
                start,
                times.party(),
                times.with(),
                reference,
                run.visit().zone(),
                Math.toIntExact(HELD.toSeconds())));
        run.trace("held", times.told(start) + ", " + reference);
        run.say(AppointmentWords.held(
                times.told(start), run.around().now().plus(HELD).toLocalTime()));
        ask(missing.getFirst(), slot, start, reference);
    }

    /** What is not known yet of whoever comes, in the order in which it is asked for. */
    private List<BookingDetail> missing() {
        List<BookingDetail> unknown = unknown();
        new KnownAtArrival(run).take(unknown);
        return unknown.isEmpty() ? unknown : unknown();
    }

    private List<BookingDetail> unknown() {
        return step.details().entrySet().stream()
                .filter(detail -> plain("{{" + detail.getKey() + "}}").isEmpty())
                .map(detail -> new BookingDetail(
                        detail.getKey(),
                        detail.getValue(),
                        detail.getValue() == ValueType.EMAIL ? AppointmentWords.ASK_EMAIL : AppointmentWords.ASK_NAME))
                .toList();
    }

    private void ask(BookingDetail detail, Awaiting.Slot slot, Instant start, String reference) {
        List<Offer> offers = List.of(new Offer(ANOTHER, AppointmentWords.ANOTHER_TIME));
        run.sayOneOf(List.of(detail.ask()), offers, Look.PLAIN);
        run.await(new Awaiting.Held(detail.type(), offers, 0, slot, start, reference));
    }

    @Override
    public @Nullable Wanted wanted(Awaiting awaiting) {
        return awaiting instanceof Awaiting.Held
                ? missing().stream().findFirst().orElse(null)
                : null;
    }

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        return awaiting instanceof Awaiting.Held held ? hearDetails(held, text) : super.hear(awaiting, text);
    }

    private @Nullable Heard hearDetails(Awaiting.Held held, String text) {
        String low = Words.normal(text);
        if (AppointmentSayings.LEAVES_IT.in(low)) {
            return Heard.of(new TimesMove.LetGo(held), "declined", "no appointment");
        }
        Map<String, Value> given = new LinkedHashMap<>();
        for (BookingDetail detail : missing()) {
            if (asking.read(detail, text) instanceof Reading.Given(Value value, int start, int end)
                    && !value.shown().isBlank()) {
                given.put(detail.variable(), value);
            }
        }
        Wish wish = read(text).filter(one -> !one.equals(Wish.ANY)).orElse(null);
        if (given.isEmpty() && wish != null) {
            return Heard.of(new TimesMove.AnotherWished(held, text, wish), WISH, text);
        }
        if (given.isEmpty()) {
            return AppointmentSayings.LATER.in(low) ? Heard.of(new TimesMove.Another(held), WISH, "others") : null;
        }
        return Heard.of(
                new TimesMove.Details(held, given), "details of the appointment", String.join(", ", given.keySet()));
    }

    @Override
    public void perform(Move.OfStep move) {
        switch (move) {
            case TimesMove.Wait(int party, boolean wanted) -> {
                if (wanted) {
                    waitFor(party);
                } else {
                    noneLeft();
                }
            }
            case TimesMove.With(Awaiting.Slot slot, String who) -> with(slot, who);
            case TimesMove.LetGo(Awaiting.Held held) -> {
                letGo(held);
                declined();
            }
            case TimesMove.Another(Awaiting.Held held) -> anotherTime(held);
            case TimesMove.AnotherWished(Awaiting.Held held, String said, Wish wish) -> {
                letGo(held);
                wished(held.slot(), said, wish);
            }
            case TimesMove.Details(Awaiting.Held held, Map<String, Value> values) -> {
                values.forEach(run.facts::set);
                known(held);
            }
            default -> super.perform(move);
        }
    }

    /** Asks for what is missing still, or books. */
    private void known(Awaiting.Held held) {
        List<BookingDetail> missing = missing();
        if (!missing.isEmpty()) {
            ask(missing.getFirst(), held.slot(), held.start(), held.reference());
            return;
        }
        TimesOffered times = times(held.slot().with());
        if (run.ask(new Query.Held(held.reference()))) {
            book(times, held.start(), held.reference());
        } else if (times.starts().contains(held.start())) {
            run.trace("the hold ran out", "and the time is still free");
            book(times, held.start(), Reference.next(run::pick));
        } else {
            run.trace("the hold ran out", "and somebody has taken the time");
            again(
                    times,
                    times.from(held.start()),
                    AppointmentWords.tooLate(times.told(held.start())),
                    held.slot().wish());
        }
    }

    private void letGo(Awaiting.Held held) {
        run.carryOut(new Deed.LetGo(held.reference()));
    }

    private void anotherTime(Awaiting.Held held) {
        letGo(held);
        TimesOffered times = times(held.slot().with());
        again(times, times.starts(), AppointmentWords.THESE_TIMES, held.slot().wish());
    }

    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        if (awaiting instanceof Awaiting.Held held) {
            anotherTime(held);
        } else {
            super.pick(awaiting, options);
        }
    }

    private void book(TimesOffered times, Instant start, String reference) {
        run.await(null);
        run.carryOut(new Deed.Book(
                step.of(),
                start,
                times.party(),
                times.with(),
                reference,
                plain(step.who()),
                plain(step.email()),
                plain(step.phone()),
                plain(step.about()),
                run.visit().zone()));
        run.trace("booked", times.told(start) + ", " + reference);
        run.say(AppointmentWords.booked(times.told(start), reference));
        keep(step.reference(), reference);
        keep(step.time(), times.told(start));
        course.leave(step, Appointment.BOOKED);
    }

    @Override
    public void putAgain(Awaiting awaiting) {
        if (awaiting instanceof Awaiting.Held held) {
            missing().stream()
                    .findFirst()
                    .ifPresent(detail -> run.sayOneOf(List.of(detail.ask()), held.offers(), Look.PLAIN));
        } else {
            super.putAgain(awaiting);
        }
    }
}
