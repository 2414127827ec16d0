package com.shuttle.appointments;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Forgets who booked under an address. Thread-safe. */
@Service
public class BookerErasure {

    private final BookingStore store;

    BookerErasure(BookingStore store) {
        this.store = store;
    }

    /** The times stay taken, as somebody counts on them. @param email in lower case; empty for nobody */
    @Transactional
    public void forget(String email) {
        store.anonymiseOf(email);
    }
}
