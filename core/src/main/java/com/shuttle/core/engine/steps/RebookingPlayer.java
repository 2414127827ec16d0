package com.shuttle.core.engine.steps;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
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
import com.shuttle.core.reading.Words;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Finds what is booked by its reference and the visitor's address, and moves it or calls it off. */
final class RebookingPlayer extends SlotPlayer {

    private static final String MOVE = "move";
    private static final String CALL_OFF = "call_off";

    private final Appointment step;

    RebookingPlayer(Appointment step, Course course) {
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

    private BookingFound found() {
        return run.ask(new Query.Booked(plain(step.named()), plain(step.email())));
    }

    @Override
    TimesOffered times(String with) {
        BookingFound found = found();
        return new TimesOffered(
                run.ask(new Query.Times(found.kind(), found.party(), with)),
                run.visit().zone(),
                found.kind(),
                found.party(),
                with);
    }

    /** Asks what is to become of what is booked. */
    @Override
    public void enter() {
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
        FreeTimes there = new FreeTimes(found.name(), found.zone(), List.of(), List.of());
        String when = new TimesOffered(there, run.visit().zone(), found.kind(), found.party(), "").told(found.start());
        run.sayOneOf(List.of(AppointmentWords.found(found.name(), when)), offers, Look.PLAIN);
        run.await(new Awaiting.Slot(offers, 0, "", "", 1, ""));
    }

    @Override
    @Nullable
    Heard hearFirst(Awaiting.Slot slot, String text) {
        return AppointmentSayings.CALLS_OFF.in(Words.normal(text))
                ? Heard.of(new TimesMove.CallOff(), "calls it off", "")
                : null;
    }

    @Override
    public void perform(Move.OfStep move) {
        if (move instanceof TimesMove.CallOff) {
            callOff();
        } else {
            super.perform(move);
        }
    }

    @Override
    boolean pickOwn(Awaiting.Slot slot, String option) {
        switch (option) {
            case CALL_OFF -> callOff();
            case MOVE -> move();
            default -> {
                return false;
            }
        }
        return true;
    }

    private void move() {
        TimesOffered times = times("");
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

    @Override
    void noneLeft() {
        run.say(AppointmentWords.NOTHING_ELSE);
        course.leave(step, Appointment.DECLINED);
    }

    @Override
    void take(TimesOffered times, Awaiting.Slot slot, Instant start) {
        run.await(null);
        run.carryOut(new Deed.Rebook(found().id(), start));
        run.trace("moved", times.told(start));
        run.say(AppointmentWords.moved(times.told(start)));
        keep(step.time(), times.told(start));
        course.leave(step, Appointment.CHANGED);
    }
}
