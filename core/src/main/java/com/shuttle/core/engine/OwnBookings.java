package com.shuttle.core.engine;

import com.shuttle.core.acts.Kind;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.listening.BookingRequest;
import com.shuttle.core.listening.Clauses;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.WishReader;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Bookings moved, cancelled and recalled at any moment, whatever step the conversation stands at. Only bots that book listen
 * for it: for what this visitor has booked, or where nothing is known of that, for a booking that the message names as one. For
 * one turn.
 */
final class OwnBookings {

    private final TurnRun run;
    private final Walker walker;

    OwnBookings(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    /**
     * What a message wants of a booking; null for nothing of that, or while times are being chosen, where it is meant for them.
     *
     * @param acts      what the message does, by which it may be one in whatever words
     * @param questions the visitor's own, of which one that is surely known is no request where no booking is known
     */
    @Nullable
    Heard request(String text, Questions questions, ClauseActs acts) {
        Awaiting awaiting = run.awaiting();
        boolean choosing = awaiting instanceof Awaiting.Slot
                || awaiting instanceof Awaiting.Held
                || awaiting instanceof Awaiting.Own;
        if (choosing || !run.playbook.books()) {
            return null;
        }
        BookingFound[] own = run.ask(new Query.OwnBookings(run.visit().visitor()));
        boolean surely = acts.mean(Kind.BOOKING, ClauseActs.SURE);
        if (own.length == 0 && acts.whole().kind() == Kind.RECAP) {
            return null;
        }
        if (own.length == 0 && !surely && (!BookingRequest.namesBooking(text) || questions.known(text))) {
            return null;
        }
        List<Span> clauses = clauses(text);
        List<Span> others = new ArrayList<>();
        BookingRequest wanted = null;
        for (Span span : clauses) {
            String clause = text.substring(span.start(), span.end()).strip();
            BookingRequest wants =
                    wanted == null ? BookingRequest.in(clause, run.around().meaning()) : null;
            boolean when = WishReader.read(clause, run.around().context()).isPresent();
            if (wants == null && !when) {
                others.add(span);
            }
            wanted = wants == null ? wanted : wants;
        }
        if (wanted == null && surely) {
            wanted = BookingRequest.nearest(text, run.around().meaning());
            others.clear();
        }
        if (wanted == null) {
            return null;
        }
        BookingRequest wants = wanted;
        String said = Span.words(text, Span.minus(Span.all(text), others));
        Heard heard = Heard.of(new TalkMove.SeeToBooking(wants, said), "about a booking", wants.key())
                .as(Strengths.WHOLE_REQUEST);
        return others.isEmpty() ? heard : heard.of(Span.minus(Span.all(text), others));
    }

    /** A message cut into what it asks and what it tells. */
    private static List<Span> clauses(String text) {
        List<Span> asked =
                Clauses.questions(text).stream().map(Clauses.Clause::span).toList();
        List<Span> all = new ArrayList<>(asked);
        Span.minus(Span.all(text), asked).stream()
                .filter(span -> !text.substring(span.start(), span.end()).isBlank())
                .forEach(all::add);
        return all.stream().sorted(Comparator.comparingInt(Span::start)).toList();
    }
}
