package com.shuttle.appointments;

import com.shuttle.chat.DeedHandler;
import com.shuttle.chat.Forgets;
import com.shuttle.chat.Overtaken;
import com.shuttle.chat.Times;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Deed;
import com.shuttle.web.Callers;
import com.shuttle.web.Vault;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DuplicateKeyException;

/** What conversations learn of free times and book. */
@Configuration
class BookingDeeds {

    @Bean
    Times times(Bookings bookings, Availability availability) {
        return new Times() {
            @Override
            public FreeTimes free(String kind, int party, String with) {
                return availability.times(kind, party, with);
            }

            @Override
            public FreeTimes free(String kind, int party, String with, Instant now) {
                return availability.times(kind, party, with, now);
            }

            @Override
            public FreeTimes first(String name) {
                return availability.named(name);
            }

            @Override
            public BookingFound booked(String reference, String email) {
                return bookings.found(reference, email);
            }

            @Override
            public List<BookingFound> own(String conversation, String visitor) {
                return bookings.own(conversation, visitor);
            }

            @Override
            public boolean held(String reference) {
                return bookings.holds(reference);
            }
        };
    }

    private interface Write {
        Outcome outcome();
    }

    /** The turn was worked out while the time was free; where it no longer is, the turn is to be worked out anew. */
    private static void written(Write write) {
        try {
            if (write.outcome() instanceof Outcome.Taken) {
                return;
            }
        } catch (DuplicateKeyException faster) {
            throw new Overtaken("the time is no longer free");
        }
        throw new Overtaken("the time is no longer free");
    }

    @Bean
    DeedHandler<Deed.Rebook> rebooking(Bookings bookings) {
        return DeedHandler.of(
                Deed.Rebook.class,
                (conversation, one, at) -> written(() -> bookings.changeInTurn(one.booking(), one.start())));
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

    @Bean
    DeedHandler<Deed.Hold> holding(Bookings bookings, Vault vault) {
        return DeedHandler.of(Deed.Hold.class, (conversation, one, at) -> {
            Party party = new Party(one.party(), one.with(), "", "", "", "", one.zone(), conversation.id(), null);
            Duration held = Duration.ofSeconds(one.seconds());
            String caller = Callers.present();
            Holder holder = new Holder(caller.isEmpty() ? "" : vault.sign("holder " + caller), conversation.visitor());
            written(() -> bookings.heldInTurn(one.kind(), one.start(), party, one.reference(), held, holder));
        });
    }

    @Bean
    DeedHandler<Deed.LetGo> lettingGo(Bookings bookings) {
        return DeedHandler.of(Deed.LetGo.class, (conversation, one, at) -> bookings.letGo(one.reference()));
    }

    @Bean
    DeedHandler<Deed.Book> booking(Bookings bookings) {
        return DeedHandler.of(Deed.Book.class, (conversation, book, at) -> {
            Party party = new Party(
                    book.party(),
                    book.with(),
                    book.name(),
                    book.email(),
                    book.phone(),
                    book.about(),
                    book.zone(),
                    conversation.id(),
                    null);
            written(() -> bookings.inTurn(book.kind(), book.start(), party, book.reference()));
        });
    }
}
