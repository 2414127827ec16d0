package com.shuttle.studio;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** What one rehearsal has booked; it stands in no other calendar. Immutable. */
record RehearsedCalendar(List<Booked> all) {

    static final RehearsedCalendar EMPTY = new RehearsedCalendar(List.of());

    /** @param held whether it is only held */
    record Booked(String kind, Instant start, int party, String reference, String email, boolean held) {}

    RehearsedCalendar {
        all = List.copyOf(all);
    }

    /** The same after what a turn does. A booking is named by its reference. */
    RehearsedCalendar after(List<? extends Effect> effects) {
        List<Booked> after = new ArrayList<>(all);
        for (Effect effect : effects) {
            switch (effect) {
                case Deed.Hold hold -> after.add(of(hold));
                case Deed.Book book -> {
                    after.removeIf(one -> one.reference().equals(book.reference()));
                    after.add(
                            new Booked(book.kind(), book.start(), book.party(), book.reference(), book.email(), false));
                }
                case Deed.LetGo let -> after.removeIf(one -> one.reference().equals(let.reference()));
                case Deed.CallOff off -> after.removeIf(one -> one.reference().equals(off.booking()));
                case Deed.Rebook move ->
                    after.replaceAll(one -> one.reference().equals(move.booking()) ? moved(one, move.start()) : one);
                default -> {}
            }
        }
        return new RehearsedCalendar(after);
    }

    private static Booked of(Deed.Hold hold) {
        return new Booked(hold.kind(), hold.start(), hold.party(), hold.reference(), "", true);
    }

    private static Booked moved(Booked one, Instant start) {
        return new Booked(one.kind(), start, one.party(), one.reference(), one.email(), one.held());
    }

    boolean holds(String reference) {
        return named(reference).filter(Booked::held).isPresent();
    }

    private Optional<Booked> named(String reference) {
        return all.stream().filter(one -> one.reference().equals(reference)).findFirst();
    }

    /** What is free of a kind where this rehearsal's own bookings are taken too. */
    FreeTimes without(FreeTimes free, String kind) {
        List<Instant> taken = all.stream()
                .filter(one -> one.kind().equals(kind))
                .map(Booked::start)
                .toList();
        return new FreeTimes(
                free.name(),
                free.zone(),
                free.starts().stream().filter(start -> !taken.contains(start)).toList(),
                free.people());
    }

    /** What it booked under a reference for an address; empty where it did not. @param free of its kind */
    Optional<BookingFound> found(String reference, String email, Function<String, FreeTimes> free) {
        return named(reference)
                .filter(one -> !one.held() && one.email().equalsIgnoreCase(email))
                .map(one -> found(one, free));
    }

    /** What it has booked, soonest first. @param free of a kind */
    List<BookingFound> own(Function<String, FreeTimes> free) {
        return all.stream()
                .filter(one -> !one.held())
                .sorted(Comparator.comparing(Booked::start))
                .map(one -> found(one, free))
                .toList();
    }

    private static BookingFound found(Booked one, Function<String, FreeTimes> free) {
        FreeTimes of = free.apply(one.kind());
        return new BookingFound(
                one.reference(), one.kind(), of.name(), of.zone(), one.start(), one.party(), one.reference());
    }
}
