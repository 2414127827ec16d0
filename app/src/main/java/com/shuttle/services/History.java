package com.shuttle.services;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;

/** What calls of services came to, without anything that visitors said. Thread-safe. */
@Component
class History {

    private final CallStore store;

    History(CallStore store) {
        this.store = store;
    }

    /**
     * A call that was made.
     *
     * @param status of the reply; 0 where none came
     * @param result its name; empty where it failed
     * @param why    it failed
     */
    record PastCall(String conversation, Instant at, int millis, int status, String result, String why) {

        public boolean failed() {
            return result.isEmpty();
        }
    }

    void note(String service, PastCall call) {
        store.note(service, call);
    }

    /** The latest calls of a service, newest first. */
    List<PastCall> calls(String service) {
        return store.calls(service);
    }
}
