package com.shuttle.appointments;

import com.shuttle.chat.DeedHandler;
import com.shuttle.chat.Forgets;
import com.shuttle.chat.Overtaken;
import com.shuttle.chat.Times;
import com.shuttle.core.conversation.Deed;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DuplicateKeyException;

/** What conversations learn of free times and book. */
@Configuration
class BookingDeeds {

    @Bean
    Times times(Bookings bookings) {
        return bookings::times;
    }

    @Bean
    Forgets forgettingBookings(Bookings bookings) {
        return conversation -> bookings.forget(conversation.id());
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
