package com.shuttle.core.engine.steps;

import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.booking.Reference;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.Appointment;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Wish;
import com.shuttle.core.reading.WishReader;
import com.shuttle.core.reading.WishTold;
import com.shuttle.core.reading.Words;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Offers three free times at first, others for whatever the visitor wishes, and books the one that is picked. What is free is
 * asked anew in every turn, so that a time which somebody else has taken meanwhile is no longer offered. The options that were
 * offered last are all that it remembers.
 */
final class AppointmentPlayer extends Player {

    private static final String OTHERS = "others";
    private static final String NONE = "none";
    private static final int SUGGESTED = 3;

    private static final Finder LATER = Finder.of(
            "\\b(?:later|other times?|others|another (?:time|day|one)|something else|anything else|more(?: times)?|different (?:time|day))\\b");
    private static final Finder EARLIER = Finder.of("\\b(?:earlier|sooner)\\b");
    private static final Finder WEEK_AFTER =
            Finder.of("\\b(?:week|one) after(?: that| this)?\\W*$|\\bfollowing week\\b");
    private static final Finder LEAVES_IT = Finder.of(
            "\\b(?:never ?mind|forget (?:it|that)|leave it|no (?:appointment|booking)|don'?t (?:want|need) (?:an?|any|the|to)|not (?:now|today|interested|any ?more))\\b");

    private final Appointment step;

    AppointmentPlayer(Appointment step, Course course) {
        super(course);
        this.step = step;
    }

    // What is free, on the visitor's clock

    private FreeTimes free() {
        return run.ask(new Query.Times(step.of(), party()));
    }

    private int party() {
        String text = plain(step.party()).replaceAll("[^0-9]", "");
        return text.isEmpty() || text.length() > 4 ? 1 : Math.max(1, Integer.parseInt(text));
    }

    private String plain(String text) {
        return Texts.unescaped(run.filled(text)).strip();
    }

    private ZoneId zone(FreeTimes free) {
        return Zones.firstKnown(run.visit().zone(), free.zone());
    }

    private List<LocalDateTime> local(FreeTimes free) {
        ZoneId zone = zone(free);
        return free.starts().stream()
                .map(start -> LocalDateTime.ofInstant(start, zone))
                .toList();
    }

    private List<Instant> fitting(FreeTimes free, Wish wish) {
        List<LocalDateTime> local = local(free);
        List<LocalDateTime> fits = wish.fits(local);
        return fits.stream()
                .map(local::indexOf)
                .distinct()
                .map(free.starts()::get)
                .toList();
    }

    // Offering

    @Override
    public void enter() {
        FreeTimes free = free();
        if (free.starts().isEmpty()) {
            run.trace("nothing free", free.name().isEmpty() ? "the kind of appointment is gone" : free.name());
            course.leave(step, Appointment.NOTHING_FREE);
            return;
        }
        String words = run.takeOpenWords();
        Optional<Wish> said = words == null
                ? Optional.empty()
                : WishReader.read(words, run.around().context());
        List<Instant> fits = said.map(wish -> fitting(free, wish)).orElse(List.of());
        offer(free, fits.isEmpty() ? free.starts() : fits, step.ask());
    }

    private void offer(FreeTimes free, List<Instant> from, List<String> words) {
        List<Offer> offers = new ArrayList<>();
        suggested(from, zone(free)).forEach(start -> offers.add(new Offer(id(start), told(start, free))));
        offers.add(new Offer(OTHERS, AppointmentWords.OTHER_TIMES));
        offers.add(new Offer(NONE, AppointmentWords.NO_TIME));
        run.sayOneOf(words, offers, Look.PLAIN);
        run.await(new Awaiting.Pick(offers, 0));
    }

    /** The first of three days, where there are so many; else the first, the middle one and the last. */
    private static List<Instant> suggested(List<Instant> from, ZoneId zone) {
        List<Instant> firsts = new ArrayList<>();
        for (Instant start : from) {
            boolean sameDay = !firsts.isEmpty()
                    && firsts.getLast()
                            .atZone(zone)
                            .toLocalDate()
                            .equals(start.atZone(zone).toLocalDate());
            if (!sameDay) {
                firsts.add(start);
            }
        }
        if (firsts.size() >= SUGGESTED || from.size() <= SUGGESTED) {
            return (from.size() <= SUGGESTED ? from : firsts)
                    .stream().limit(SUGGESTED).toList();
        }
        return List.of(from.getFirst(), from.get(from.size() / 2), from.getLast());
    }

    private static String id(Instant start) {
        return "t" + start.getEpochSecond() / 60;
    }

    private static @Nullable Instant start(String option) {
        return option.matches("t\\d{1,12}") ? Instant.ofEpochSecond(Long.parseLong(option.substring(1)) * 60) : null;
    }

    /** A time on the visitor's clock, and on that of the place where it is another. */
    private String told(Instant start, FreeTimes free) {
        ZoneId own = zone(free);
        ZoneId there = Zones.firstKnown(free.zone());
        String time = AppointmentWords.moment(start.atZone(own));
        boolean same = own.getRules().getOffset(start).equals(there.getRules().getOffset(start));
        return same ? time : time + " (" + start.atZone(there).toLocalTime() + " " + there.getId() + ")";
    }

    // Hearing

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        if (!(awaiting instanceof Awaiting.Pick pick)) {
            return null;
        }
        List<Instant> shown = shown(pick);
        String low = Words.normal(text);
        if (LEAVES_IT.in(low)) {
            return new Heard("declined", "no appointment", () -> declined());
        }
        if (shown.size() == 1 && Boolean.TRUE.equals(yesOrNo(text))) {
            return new Heard("yes to the time", "", () -> book(shown.getFirst()));
        }
        if (WEEK_AFTER.in(low) && !shown.isEmpty()) {
            return new Heard("a wish for a time", "the week after", () -> weekAfter(shown.getFirst()));
        }
        Optional<Wish> wish = WishReader.read(text, run.around().context());
        boolean any = wish.isPresent()
                && wish.get().any().isEmpty()
                && wish.get().not().isEmpty()
                && wish.get().pick() == Wish.Pick.ALL;
        if (wish.isPresent() && !any) {
            return new Heard(
                    "a wish for a time",
                    WishTold.told(wish.get(), run.around().context().now().toLocalDate()),
                    () -> wished(wish.get(), shown));
        }
        OptionMatcher.Match match = OptionMatcher.match(
                text, Offers.asOffered(pick.offers()), run.around().context(), Meaning.NONE);
        if (match instanceof OptionMatcher.Match.One(var option, String by)) {
            return new Heard("answer to the times", by, () -> pick(pick, List.of(option.id())));
        }
        if (EARLIER.in(low)) {
            return new Heard("a wish for a time", "earlier", () -> earlier(shown));
        }
        if (LATER.in(low) || saysNo(text) || any) {
            return new Heard("a wish for a time", "others", () -> others(shown));
        }
        return null;
    }

    private static List<Instant> shown(Awaiting.Pick pick) {
        return pick.offers().stream()
                .map(offer -> start(offer.id()))
                .filter(Objects::nonNull)
                .toList();
    }

    private void wished(Wish wish, List<Instant> shown) {
        FreeTimes free = free();
        List<Instant> fits = fitting(free, wish);
        List<Instant> meant = fits.stream().filter(shown::contains).toList();
        if (meant.size() == 1 && fits.size() <= shown.size()) {
            book(meant.getFirst());
        } else if (fits.size() == 1) {
            offer(free, fits, List.of(AppointmentWords.ONE_TIME));
        } else if (!fits.isEmpty()) {
            offer(free, fits, List.of(AppointmentWords.THESE_TIMES));
        } else {
            nothingThen(free, wish);
        }
    }

    /** Nothing fits a wish: what comes next after its first day, or what there is. */
    private void nothingThen(FreeTimes free, Wish wish) {
        if (free.starts().isEmpty()) {
            course.leave(step, Appointment.NOTHING_FREE);
            return;
        }
        ZoneId zone = zone(free);
        Instant from = wish.any().stream()
                .flatMap(window -> window.days().stream())
                .map(days -> days.from().atStartOfDay(zone).toInstant())
                .min(Instant::compareTo)
                .orElse(Instant.MIN);
        List<Instant> after =
                free.starts().stream().filter(start -> !start.isBefore(from)).toList();
        offer(free, after.isEmpty() ? last(free.starts()) : after, List.of(AppointmentWords.NOTHING_THEN));
    }

    private static List<Instant> last(List<Instant> starts) {
        return starts.subList(Math.max(0, starts.size() - SUGGESTED), starts.size());
    }

    private void others(List<Instant> shown) {
        FreeTimes free = free();
        Instant from = shown.isEmpty() ? Instant.MIN : shown.getLast();
        List<Instant> after =
                free.starts().stream().filter(start -> start.isAfter(from)).toList();
        again(free, after, after.isEmpty() ? AppointmentWords.NO_LATER : AppointmentWords.THESE_TIMES);
    }

    private void earlier(List<Instant> shown) {
        FreeTimes free = free();
        Instant until = shown.isEmpty() ? Instant.MAX : shown.getFirst();
        List<Instant> before =
                free.starts().stream().filter(start -> start.isBefore(until)).toList();
        again(free, last(before), before.isEmpty() ? AppointmentWords.NO_EARLIER : AppointmentWords.THESE_TIMES);
    }

    private void weekAfter(Instant first) {
        FreeTimes free = free();
        ZoneId zone = zone(free);
        var day = first.atZone(zone).toLocalDate();
        Instant monday = day.minusDays(day.getDayOfWeek().getValue() - 1L)
                .plusWeeks(1)
                .atStartOfDay(zone)
                .toInstant();
        List<Instant> after =
                free.starts().stream().filter(start -> !start.isBefore(monday)).toList();
        again(free, after, after.isEmpty() ? AppointmentWords.NO_LATER : AppointmentWords.THESE_TIMES);
    }

    private void again(FreeTimes free, List<Instant> times, String words) {
        if (free.starts().isEmpty()) {
            course.leave(step, Appointment.NOTHING_FREE);
        } else {
            offer(free, times.isEmpty() ? free.starts() : times, List.of(words));
        }
    }

    // Taking

    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        String option = options.getFirst();
        Instant start = start(option);
        if (start != null) {
            book(start);
        } else if (option.equals(OTHERS) && awaiting instanceof Awaiting.Pick pick) {
            others(shown(pick));
        } else {
            declined();
        }
    }

    private void declined() {
        run.await(null);
        course.leave(step, Appointment.DECLINED);
    }

    private void book(Instant start) {
        FreeTimes free = free();
        if (!free.starts().contains(start)) {
            run.trace("no longer free", told(start, free));
            List<Instant> near =
                    free.starts().stream().filter(one -> one.isAfter(start)).toList();
            again(free, near, AppointmentWords.TAKEN_MEANWHILE);
            return;
        }
        String reference = Reference.next(run::pick);
        run.await(null);
        run.carryOut(new Deed.Book(
                step.of(),
                start,
                party(),
                reference,
                plain(step.name()),
                plain(step.email()),
                plain(step.phone()),
                plain(step.about()),
                run.visit().zone()));
        run.trace("booked", told(start, free) + ", " + reference);
        run.say(AppointmentWords.booked(told(start, free), reference));
        keep(step.reference(), reference);
        keep(step.time(), told(start, free));
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
