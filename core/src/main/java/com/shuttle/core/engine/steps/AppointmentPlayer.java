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
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.Appointment;
import com.shuttle.core.flow.Option;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Wish;
import com.shuttle.core.reading.WishReader;
import com.shuttle.core.reading.WishTold;
import com.shuttle.core.reading.Words;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Offers three free times at first, others for whatever the visitor wishes, and books the one that is picked. What is free is
 * asked anew in every turn, so that a time which somebody else has taken meanwhile is no longer offered. A wish that names no day
 * ("in the afternoon", "the earliest") narrows the one before.
 */
final class AppointmentPlayer extends Player {

    private static final String MOVE = "move";
    private static final String CALL_OFF = "call_off";
    private static final String WAIT = "wait";
    private static final String OTHERS = "others";
    private static final String NONE = "none";

    private final Appointment step;

    AppointmentPlayer(Appointment step, Course course) {
        super(course);
        this.step = step;
    }

    private boolean books() {
        return step.does() == Appointment.Does.BOOK;
    }

    private TimesOffered times() {
        BookingFound found = books() ? BookingFound.NONE : found();
        String kind = books() ? step.of() : found.kind();
        int many = books() ? party() : found.party();
        return new TimesOffered(
                run.ask(new Query.Times(kind, many)), run.visit().zone(), kind, many);
    }

    private BookingFound found() {
        return run.ask(new Query.Booked(plain(step.named()), plain(step.email())));
    }

    private int party() {
        String text = plain(step.party()).replaceAll("[^0-9]", "");
        return text.isEmpty() || text.length() > 4 ? 1 : Math.max(1, Integer.parseInt(text));
    }

    private String plain(String text) {
        return Texts.unescaped(run.filled(text)).strip();
    }

    private Optional<Wish> read(String text) {
        return WishReader.read(text, run.around().context());
    }

    // Offering

    @Override
    public void enter() {
        if (!books()) {
            look();
            return;
        }
        TimesOffered times = times();
        if (times.none()) {
            String why = times.free().name().isEmpty()
                    ? "the kind of appointment is gone"
                    : times.free().name();
            run.trace("nothing free", why);
            nothingFree(times);
            return;
        }
        String words = run.takeOpenWords();
        List<Wish> said = words == null ? List.of() : read(words).stream().toList();
        List<Instant> fits = said.isEmpty() ? List.of() : times.fitting(said);
        boolean fit = !fits.isEmpty();
        offer(times, fit ? fits : times.starts(), step.ask(), fit && words != null ? words : "");
    }

    /** Offers the waiting list, where there is an address to write to. */
    private void nothingFree(TimesOffered times) {
        boolean there = !times.free().name().isEmpty();
        if (!there || !step.waits() || plain(step.email()).isEmpty()) {
            course.leave(step, Appointment.NOTHING_FREE);
            return;
        }
        List<Offer> offers =
                List.of(new Offer(WAIT, AppointmentWords.WAIT), new Offer(NONE, AppointmentWords.LEAVE_OUT));
        run.sayOneOf(List.of(AppointmentWords.ASK_TO_WAIT), offers, Look.PLAIN);
        run.await(new Awaiting.Slot(offers, 0, "", "", times.party()));
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

    /** Finds what is booked, and asks what is to become of it. */
    private void look() {
        BookingFound found = found();
        if (found.none()) {
            run.trace("nothing booked", "under this reference for this address");
            course.leave(step, Appointment.NOT_FOUND);
            return;
        }
        List<Offer> offers = List.of(
                new Offer(MOVE, AppointmentWords.MOVE),
                new Offer(CALL_OFF, AppointmentWords.CALL_OFF),
                new Offer(NONE, AppointmentWords.LEAVE));
        FreeTimes there = new FreeTimes(found.name(), found.zone(), List.of());
        String when = new TimesOffered(there, run.visit().zone(), found.kind(), found.party()).told(found.start());
        run.sayOneOf(List.of(AppointmentWords.found(found.name(), when)), offers, Look.PLAIN);
        run.await(new Awaiting.Slot(offers, 0, "", "", 1));
    }

    private void move() {
        TimesOffered times = times();
        again(
                times,
                times.starts(),
                step.ask().stream().filter(one -> !one.isBlank()).findFirst().orElse(AppointmentWords.THESE_TIMES),
                "");
    }

    private void callOff() {
        run.await(null);
        run.carryOut(new Deed.CallOff(found().id()));
        run.trace("called off", plain(step.named()));
        run.say(AppointmentWords.CALLED_OFF);
        course.leave(step, Appointment.CANCELLED);
    }

    private void offer(TimesOffered times, List<Instant> from, List<String> words, String wish) {
        List<Offer> offers = new ArrayList<>(times.offers(from));
        offers.add(new Offer(OTHERS, AppointmentWords.OTHER_TIMES));
        offers.add(new Offer(NONE, AppointmentWords.NO_TIME));
        run.sayOneOf(words, offers, Look.PLAIN);
        run.await(new Awaiting.Slot(offers, 0, wish, times.kind(), times.party()));
    }

    /** Offers times, or all there are where these are none; leaves where nothing is free any more. */
    private void again(TimesOffered times, List<Instant> from, String words, String wish) {
        if (times.none()) {
            run.await(null);
            if (!books()) {
                run.say(AppointmentWords.NOTHING_ELSE);
            }
            course.leave(step, books() ? Appointment.NOTHING_FREE : Appointment.DECLINED);
        } else {
            offer(times, from.isEmpty() ? times.starts() : from, List.of(words), wish);
        }
    }

    // Hearing

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        if (!(awaiting instanceof Awaiting.Slot slot)) {
            return null;
        }
        if (slot.offers(WAIT)) {
            Boolean yes = yesOrNo(text);
            return yes == null
                    ? null
                    : new Heard("the waiting list", "", yes ? () -> waitFor(slot.party()) : this::noTime);
        }
        List<Instant> shown = TimesOffered.shown(slot);
        String low = Words.normal(text);
        if (!books() && AppointmentSayings.CALLS_OFF.in(low)) {
            return new Heard("calls it off", "", this::callOff);
        }
        if (AppointmentSayings.LEAVES_IT.in(low)) {
            return new Heard("declined", "no appointment", this::declined);
        }
        if (shown.size() == 1 && Boolean.TRUE.equals(yesOrNo(text))) {
            return new Heard("yes to the time", "", () -> book(slot, shown.getFirst()));
        }
        for (int i = 0; i < Math.min(AppointmentSayings.PLACES.size(), shown.size()); i++) {
            int place = i;
            if (AppointmentSayings.PLACES.get(i).in(low)) {
                return new Heard("answer to the times", "by its place", () -> book(slot, shown.get(place)));
            }
        }
        if (AppointmentSayings.LAST_SHOWN.in(low) && !shown.isEmpty()) {
            return new Heard("answer to the times", "by its place", () -> book(slot, shown.getLast()));
        }
        if (AppointmentSayings.WEEK_AFTER.in(low) && !shown.isEmpty()) {
            return new Heard("a wish for a time", "the week after", () -> weekAfter(shown.getFirst()));
        }
        Optional<Wish> wish = read(text);
        if (wish.isPresent() && !wish.get().equals(Wish.ANY)) {
            String told = WishTold.told(wish.get(), run.around().context().now().toLocalDate());
            return new Heard("a wish for a time", told, () -> wished(slot, text, wish.get()));
        }
        if (wish.isPresent()) {
            return new Heard("a wish for a time", "any", () -> any(slot));
        }
        if (shown.size() > 1 && Boolean.TRUE.equals(yesOrNo(text))) {
            return new Heard(
                    "unclear",
                    "yes to several times",
                    () -> run.sayOneOf(List.of(Phrasebook.WHICH), slot.offers(), Look.PLAIN));
        }
        if (AppointmentSayings.LATER.in(low)) {
            return new Heard("a wish for a time", "others", () -> others(slot));
        }
        if (OptionMatcher.match(
                        text, Offers.asOffered(slot.offers()), run.around().context(), Meaning.NONE)
                instanceof OptionMatcher.Match.One(Option option, String by)) {
            return new Heard("answer to the times", by, () -> pick(slot, List.of(option.id())));
        }
        if (AppointmentSayings.EARLIER.in(low)) {
            return new Heard("a wish for a time", "earlier", () -> earlier(slot));
        }
        return saysNo(text) ? new Heard("a wish for a time", "others", () -> others(slot)) : null;
    }

    private List<Wish> before(Awaiting.Slot slot) {
        return slot.wish().lines().flatMap(line -> read(line).stream()).toList();
    }

    private void wished(Awaiting.Slot slot, String text, Wish wish) {
        TimesOffered times = times();
        List<Instant> shown = TimesOffered.shown(slot);
        List<Wish> together = new ArrayList<>(before(slot));
        together.add(wish);
        boolean noDay = wish.any().stream()
                .allMatch(window -> window.days().isEmpty() && window.weekdays().isEmpty());
        List<Instant> narrowed = noDay ? times.fitting(together) : List.of();
        List<Instant> fits = narrowed.isEmpty() ? times.fitting(List.of(wish)) : narrowed;
        String kept = narrowed.isEmpty() || slot.wish().isEmpty() ? text : slot.wish() + "\n" + text;
        List<Instant> meant = fits.stream().filter(shown::contains).toList();
        boolean named = wish.pick() == Wish.Pick.ALL && meant.size() == 1 && fits.size() <= shown.size();
        if (named) {
            book(slot, meant.getFirst());
        } else if (fits.isEmpty()) {
            again(times, times.nearest(wish), AppointmentWords.NOTHING_THEN, "");
        } else {
            again(times, fits, fits.size() == 1 ? AppointmentWords.ONE_TIME : AppointmentWords.THESE_TIMES, kept);
        }
    }

    /** Whoever takes any time is offered the first. */
    private void any(Awaiting.Slot slot) {
        TimesOffered times = times();
        List<Instant> wished = times.fitting(before(slot));
        List<Instant> from = wished.isEmpty() ? times.starts() : wished;
        again(times, from.stream().limit(1).toList(), AppointmentWords.ONE_TIME, slot.wish());
    }

    private void others(Awaiting.Slot slot) {
        TimesOffered times = times();
        List<Instant> shown = TimesOffered.shown(slot);
        Instant last = shown.isEmpty() ? Instant.MIN : shown.getLast();
        List<Instant> wished = times.fitting(before(slot)).stream()
                .filter(start -> start.isAfter(last))
                .toList();
        List<Instant> after = wished.isEmpty()
                ? times.starts().stream().filter(start -> start.isAfter(last)).toList()
                : wished;
        again(
                times,
                after,
                after.isEmpty() ? AppointmentWords.NO_LATER : AppointmentWords.THESE_TIMES,
                wished.isEmpty() ? "" : slot.wish());
    }

    private void earlier(Awaiting.Slot slot) {
        TimesOffered times = times();
        List<Instant> shown = TimesOffered.shown(slot);
        Instant first = shown.isEmpty() ? Instant.MAX : shown.getFirst();
        List<Instant> before =
                times.starts().stream().filter(start -> start.isBefore(first)).toList();
        again(
                times,
                TimesOffered.last(before),
                before.isEmpty() ? AppointmentWords.NO_EARLIER : AppointmentWords.THESE_TIMES,
                "");
    }

    private void weekAfter(Instant shown) {
        TimesOffered times = times();
        List<Instant> after = times.fromWeekAfter(shown);
        again(times, after, after.isEmpty() ? AppointmentWords.NO_LATER : AppointmentWords.THESE_TIMES, "");
    }

    // Taking

    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        String option = options.getFirst();
        Instant start = TimesOffered.start(option);
        if (!(awaiting instanceof Awaiting.Slot slot)) {
            declined();
        } else if (option.equals(NONE)) {
            if (slot.offers(WAIT)) {
                noTime();
            } else {
                declined();
            }
        } else if (start != null) {
            book(slot, start);
        } else if (option.equals(WAIT)) {
            waitFor(slot.party());
        } else if (option.equals(CALL_OFF)) {
            callOff();
        } else if (option.equals(MOVE)) {
            move();
        } else {
            others(slot);
        }
    }

    private void noTime() {
        run.await(null);
        course.leave(step, Appointment.NOTHING_FREE);
    }

    private void declined() {
        run.await(null);
        course.leave(step, Appointment.DECLINED);
    }

    private void book(Awaiting.Slot slot, Instant start) {
        TimesOffered times = times();
        if (!times.starts().contains(start)) {
            run.trace("no longer free", times.told(start));
            again(times, times.from(start), AppointmentWords.TAKEN_MEANWHILE, slot.wish());
            return;
        }
        run.await(null);
        if (!books()) {
            run.carryOut(new Deed.Rebook(found().id(), start));
            run.trace("moved", times.told(start));
            run.say(AppointmentWords.moved(times.told(start)));
            keep(step.time(), times.told(start));
            course.leave(step, Appointment.CHANGED);
            return;
        }
        String reference = Reference.next(run::pick);
        run.carryOut(new Deed.Book(
                step.of(),
                start,
                party(),
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

    private void keep(String variable, String text) {
        if (!variable.isBlank()) {
            run.facts.set(variable, new Value.Text(text));
        }
    }

    @Override
    public void putAgain(Awaiting awaiting) {
        sayShorter(step.ask(), awaiting.offers(), Look.PLAIN);
    }
}
