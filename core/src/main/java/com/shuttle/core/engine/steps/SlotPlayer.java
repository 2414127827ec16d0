package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TimesMove;
import com.shuttle.core.flow.Option;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Wish;
import com.shuttle.core.reading.WishReader;
import com.shuttle.core.reading.WishTold;
import com.shuttle.core.reading.Words;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Offers three free times at first, and others for whatever the visitor wishes. What is free is asked anew in every turn, so that
 * a time which somebody else has taken meanwhile is no longer offered. A wish that names no day ("in the afternoon", "the
 * earliest") narrows the one before.
 */
abstract class SlotPlayer extends Player {

    static final String NONE = "none";

    /** Who understood a wish, for the trace. */
    static final String WISH = "a wish for a time";

    private static final String OTHERS = "others";

    SlotPlayer(Course course) {
        super(course);
    }

    /** The words that times are offered with. */
    abstract List<String> ask();

    /** None is wanted. */
    abstract void declined();

    /** What is free now. @param with whom it is wished with; empty for anybody */
    abstract TimesOffered times(String with);

    /** A time was picked that is free. */
    abstract void take(TimesOffered times, Awaiting.Slot slot, Instant start);

    /** Nothing is free any more. */
    abstract void noneLeft();

    /** What a message says that is not about times; null where it says nothing of that. */
    abstract @Nullable Heard hearFirst(Awaiting.Slot slot, String text);

    /** An option was picked that is no time. Whether it was one of this step's own. */
    abstract boolean pickOwn(Awaiting.Slot slot, String option);

    protected String plain(String text) {
        return Texts.unescaped(run.filled(text)).strip();
    }

    protected Optional<Wish> read(String text) {
        return WishReader.read(text, run.around().context());
    }

    protected void keep(String variable, String text) {
        if (!variable.isBlank()) {
            run.facts.set(variable, new Value.Text(text));
        }
    }

    // Offering

    protected void offer(TimesOffered times, List<Instant> from, List<String> words, String wish) {
        List<Offer> offers = new ArrayList<>(times.offers(from));
        offers.add(new Offer(OTHERS, AppointmentWords.OTHER_TIMES));
        offers.add(new Offer(NONE, AppointmentWords.NO_TIME));
        boolean silent = words.stream().allMatch(String::isBlank);
        run.sayOneOf(silent ? List.of(AppointmentWords.THESE_TIMES) : words, offers, Look.PLAIN);
        await(new Awaiting.Slot(offers, 0, wish, times.kind(), times.party(), times.with()));
    }

    /** Waits for one of these. */
    protected void await(Awaiting.Slot slot) {
        run.await(slot);
    }

    /** What is offered, within what is awaited; null where that is something else. */
    protected Awaiting.@Nullable Slot slot(Awaiting awaiting) {
        return awaiting instanceof Awaiting.Slot slot ? slot : null;
    }

    /** Offers times, or all there are where these are none; leaves where nothing is free any more. */
    protected void again(TimesOffered times, List<Instant> from, String words, String wish) {
        if (times.none()) {
            run.await(null);
            noneLeft();
        } else {
            offer(times, from.isEmpty() ? times.starts() : from, List.of(words), wish);
        }
    }

    // Hearing

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        Awaiting.Slot slot = slot(awaiting);
        if (slot == null) {
            return null;
        }
        Heard first = hearFirst(slot, text);
        if (first != null) {
            return first;
        }
        String low = Words.normal(text);
        if (AppointmentSayings.LEAVES_IT.in(low)) {
            return Heard.of(new TimesMove.Decline(), "declined", "no appointment");
        }
        Heard shown = hearShown(slot, text, low);
        return shown == null ? hearWish(slot, text, low) : shown;
    }

    /** What a message says of the times that are shown. */
    private @Nullable Heard hearShown(Awaiting.Slot slot, String text, String low) {
        List<Instant> shown = TimesOffered.shown(slot);
        if (shown.isEmpty()) {
            return null;
        }
        if (shown.size() == 1 && !wishesOther(slot, text) && Boolean.TRUE.equals(yesOrNo(text))) {
            return Heard.of(new TimesMove.Take(slot, shown.getFirst()), "yes to the time", "");
        }
        for (int i = 0; i < Math.min(AppointmentSayings.PLACES.size(), shown.size()); i++) {
            int place = i;
            if (AppointmentSayings.PLACES.get(i).in(low)) {
                return byPlace(slot, shown.get(place));
            }
        }
        if (AppointmentSayings.LAST_SHOWN.in(low)) {
            return byPlace(slot, shown.getLast());
        }
        return AppointmentSayings.WEEK_AFTER.in(low)
                ? Heard.of(new TimesMove.WeekAfter(slot, shown.getFirst()), WISH, "the week after")
                : null;
    }

    /** Whether a message names a time that is none of those shown: "yes, but at four" takes none of them. */
    private boolean wishesOther(Awaiting.Slot slot, String text) {
        Optional<Wish> wish = read(text);
        return wish.isPresent()
                && !wish.get().equals(Wish.ANY)
                && times(slot.with()).fitting(List.of(wish.get())).stream()
                        .noneMatch(TimesOffered.shown(slot)::contains);
    }

    private Heard byPlace(Awaiting.Slot slot, Instant start) {
        return Heard.of(new TimesMove.Take(slot, start), "answer to the times", "by its place");
    }

    protected @Nullable Heard hearWish(Awaiting.Slot slot, String text, String low) {
        Optional<Wish> wish = read(text);
        if (wish.isPresent() && !wish.get().equals(Wish.ANY)) {
            String told = WishTold.told(wish.get(), run.around().context().now().toLocalDate());
            return Heard.of(new TimesMove.Wished(slot, text, wish.get()), WISH, told);
        }
        if (wish.isPresent()) {
            return Heard.of(new TimesMove.Any(slot), WISH, "any");
        }
        if (TimesOffered.shown(slot).size() > 1 && Boolean.TRUE.equals(yesOrNo(text))) {
            return Heard.of(new TimesMove.AskWhich(slot), "unclear", "yes to several times");
        }
        if (AppointmentSayings.LATER.in(low)) {
            return Heard.of(new TimesMove.Others(slot), WISH, "others");
        }
        if (OptionMatcher.match(
                        text, Offers.asOffered(slot.offers()), run.around().context(), Meaning.NONE)
                instanceof OptionMatcher.Match.One(Option option, String by)) {
            return Heard.of(new StepMove.Pick(slot, List.of(option.id()), ""), "answer to the times", by);
        }
        if (AppointmentSayings.EARLIER.in(low)) {
            return Heard.of(new TimesMove.Earlier(slot), WISH, "earlier");
        }
        return saysNo(text) ? Heard.of(new TimesMove.Others(slot), WISH, "others") : null;
    }

    @Override
    public void perform(Move.OfStep move) {
        switch (move) {
            case TimesMove.Take(Awaiting.Slot slot, Instant start) -> book(slot, start);
            case TimesMove.Wished(Awaiting.Slot slot, String said, Wish wish) -> wished(slot, said, wish);
            case TimesMove.Any(Awaiting.Slot slot) -> any(slot);
            case TimesMove.Others(Awaiting.Slot slot) -> others(slot);
            case TimesMove.Earlier(Awaiting.Slot slot) -> earlier(slot);
            case TimesMove.WeekAfter(Awaiting.Slot slot, Instant shown) -> weekAfter(slot, shown);
            case TimesMove.AskWhich(Awaiting.Slot slot) ->
                run.sayOneOf(List.of(Phrasebook.WHICH), slot.offers(), Look.PLAIN);
            case TimesMove.Decline() -> declined();
            case StepMove.Pick(Awaiting offered, List<String> ids, String said, boolean guessed) -> pick(offered, ids);
            default -> super.perform(move);
        }
    }

    private List<Wish> before(Awaiting.Slot slot) {
        return slot.wish().lines().flatMap(line -> read(line).stream()).toList();
    }

    /**
     * Another time than was offered: within what was wished before, where that has such times; else at that hour on the day that
     * the talk is of; else on any day, which is said.
     */
    protected void wished(Awaiting.Slot slot, String text, Wish wish) {
        TimesOffered times = times(slot.with());
        List<Instant> shown = TimesOffered.shown(slot);
        List<Wish> before = before(slot);
        List<Instant> narrowed = wish.namesDay() ? List.of() : times.fitting(append(before, wish));
        List<Instant> anyDay = times.fitting(List.of(wish));
        List<LocalDate> days = wish.namesDay() || !narrowed.isEmpty() ? List.of() : times.daysSpokenOf(before, shown);
        List<Instant> thatDay = times.on(days, anyDay);
        List<Instant> fits = !narrowed.isEmpty() ? narrowed : !thatDay.isEmpty() ? thatDay : anyDay;
        String kept = narrowed.isEmpty() || slot.wish().isEmpty() ? text : slot.wish() + "\n" + text;
        List<Instant> meant = fits.stream().filter(shown::contains).toList();
        if (wish.pick() == Wish.Pick.ALL && meant.size() == 1 && fits.size() <= shown.size()) {
            book(slot, meant.getFirst());
        } else if (fits.isEmpty()) {
            again(times, times.nearest(wish), AppointmentWords.NOTHING_THEN, "");
        } else if (!days.isEmpty() && thatDay.isEmpty()) {
            again(times, fits, AppointmentWords.OTHER_DAYS, kept);
        } else {
            again(times, fits, fits.size() == 1 ? AppointmentWords.ONE_TIME : AppointmentWords.THESE_TIMES, kept);
        }
    }

    private static List<Wish> append(List<Wish> before, Wish wish) {
        return Stream.concat(before.stream(), Stream.of(wish)).toList();
    }

    /** Whoever takes any time is offered the first. */
    private void any(Awaiting.Slot slot) {
        TimesOffered times = times(slot.with());
        List<Instant> wished = times.fitting(before(slot));
        List<Instant> from = wished.isEmpty() ? times.starts() : wished;
        again(times, from.stream().limit(1).toList(), AppointmentWords.ONE_TIME, slot.wish());
    }

    private void others(Awaiting.Slot slot) {
        TimesOffered times = times(slot.with());
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
        TimesOffered times = times(slot.with());
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

    private void weekAfter(Awaiting.Slot slot, Instant shown) {
        TimesOffered times = times(slot.with());
        List<Instant> after = times.fromWeekAfter(shown);
        again(times, after, after.isEmpty() ? AppointmentWords.NO_LATER : AppointmentWords.THESE_TIMES, "");
    }

    // Taking

    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        String option = options.getFirst();
        Instant start = TimesOffered.start(option);
        Awaiting.Slot slot = slot(awaiting);
        if (slot == null) {
            declined();
        } else if (start != null) {
            book(slot, start);
        } else if (!pickOwn(slot, option)) {
            if (option.equals(OTHERS)) {
                others(slot);
            } else {
                declined();
            }
        }
    }

    protected void book(Awaiting.Slot slot, Instant start) {
        TimesOffered times = times(slot.with());
        if (times.starts().contains(start)) {
            take(times, slot, start);
        } else {
            run.trace("no longer free", times.told(start));
            again(times, times.from(start), AppointmentWords.TAKEN_MEANWHILE, slot.wish());
        }
    }

    @Override
    public void putAgain(Awaiting awaiting) {
        sayShorter(ask(), awaiting.offers(), Look.PLAIN);
    }
}
