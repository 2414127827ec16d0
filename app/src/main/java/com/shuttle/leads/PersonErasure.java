package com.shuttle.leads;

import com.shuttle.appointments.BookerErasure;
import com.shuttle.chat.ErasureService;
import com.shuttle.notices.Letters;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Erases a person everywhere: their conversations with files and answers, what those saved of them in tables, bookings under their
 * address, mails to them, follow-ups that are due, and the lead. That it was done is kept, nothing else. Thread-safe.
 */
@Service
public class PersonErasure {

    private final PersonStore people;
    private final ErasureService erasure;
    private final BookerErasure bookings;
    private final Letters letters;

    PersonErasure(PersonStore people, ErasureService erasure, BookerErasure bookings, Letters letters) {
        this.people = people;
        this.erasure = erasure;
        this.bookings = bookings;
        this.letters = letters;
    }

    /** All of it, or nothing. Somebody who is not there any more is left in peace. */
    @Transactional
    public void erase(String id, String account) {
        Person person = people.find(id).orElse(null);
        if (person == null) {
            return;
        }
        erasure.eraseAll(people.conversations(id), account);
        bookings.forget(person.email());
        letters.forgetTo(person.email(), id);
        people.delete(id);
        erasure.noted(id, person.bot(), account);
    }
}
