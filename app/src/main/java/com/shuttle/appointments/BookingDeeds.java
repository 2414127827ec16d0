package com.shuttle.appointments;

import com.shuttle.chat.DeedHandler;
import com.shuttle.chat.Forgets;
import com.shuttle.chat.Overtaken;
import com.shuttle.chat.Times;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Deed;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DuplicateKeyException;

/** What conversations learn of free times and book. */
@Configuration
class BookingDeeds {

    @Bean
    Times times(Bookings bookings) {
        return new Times() {
            @Override
            public FreeTimes free(String kind, int party) {
                return bookings.times(kind, party);
            }

            @Override
            public BookingFound booked(String reference, String email) {
                return bookings.found(reference, email);
            }
        };
    }

    @Bean
    DeedHandler<Deed.Rebook> rebooking(Bookings bookings) {
        return DeedHandler.of(Deed.Rebook.class, (conversation, one, at) -> {
            try {
                if (!(bookings.changeInTurn(one.booking(), one.start()) instanceof Outcome.Taken)) {
                    throw new Overtaken("the time is no longer free");
                }
            } catch (DuplicateKeyException faster) {
                throw new Overtaken("the time is no longer free");
            }
        });
    }

    @Bean
    DeedHandler<Deed.CallOff> callingOff(Bookings bookings) {
        return DeedHandler.of(Deed.CallOff.class, (conversation, one, at) -> bookings.cancel(one.booking(), null));
    }

    @Bean
    Forgets forgettingBookings(Bookings bookings, WaitingList list) {
        return conversation -> {
            bookings.forget(conversation.id());
            list.forget(conversation.id());
        };
    }

    @Bean
    DeedHandler<Deed.WaitFor> waiting(WaitingList list) {
        return DeedHandler.of(
                Deed.WaitFor.class,
                (conversation, one, at) -> list.join(
                        one.kind(),
                        new Party(
                                one.party(),
                                "",
                                one.name(),
                                one.email(),
                                "",
                                "",
                                one.zone(),
                                conversation.id(),
                                null)));
    }

    /** The turn was worked out while the time was free; where it no longer is, the turn is to be worked out anew. */
    @Bean
    DeedHandler<Deed.Book> booking(Bookings bookings) {
        return DeedHandler.of(Deed.Book.class, (conversation, book, at) -> {
            Party party = new Party(
                    book.party(),
                    "",
                    book.name(),
                    book.email(),
                    book.phone(),
                    book.about(),
                    book.zone(),
                    conversation.id(),
                    null);
            try {
                if (!(bookings.inTurn(book.kind(), book.start(), party, book.reference()) instanceof Outcome.Taken)) {
                    throw new Overtaken("the time is no longer free");
                }
            } catch (DuplicateKeyException faster) {
                throw new Overtaken("the time is no longer free");
            }
        });
    }
}
