package com.shuttle.appointments;

import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Requests that bear a key, so that one which comes again books nothing more (the draft "The Idempotency-Key HTTP Header Field"
 * of the IETF's HTTPAPI group). Thread-safe.
 */
@Component
class KeyedRequests {

    private final BookingStore store;

    KeyedRequests(BookingStore store) {
        this.store = store;
    }

    /** What a request with the same key came to; empty where none did. Another request under its key is refused. */
    Optional<Outcome> before(String kind, Instant start, Party party) {
        return party.key() == null
                ? Optional.empty()
                : store.requested(party.key()).map(there -> {
                    if (!there.print().isEmpty() && !there.print().equals(party.print(kind, start))) {
                        return new Outcome.Unfit("This Idempotency-Key was used for another request.");
                    }
                    return there.booking().state().standing()
                            ? new Outcome.Taken(there.booking())
                            : new Outcome.Unfit("What was booked with this Idempotency-Key is %s by now."
                                    .formatted(there.booking().state().label()));
                });
    }
}
