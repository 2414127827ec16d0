package com.shuttle.services;

import com.shuttle.web.AfterCommit;
import com.shuttle.web.Checked;
import com.shuttle.web.Outgoing;
import java.time.InstantSource;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Hosts of the own network that an administrator lets services be called at. Thread-safe. */
@Service
public class Hosts {

    private final HostStore store;
    private final Outgoing outgoing;
    private final InstantSource clock;

    Hosts(HostStore store, Outgoing outgoing, InstantSource clock) {
        this.store = store;
        this.outgoing = outgoing;
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    void tell() {
        outgoing.allow(Set.copyOf(store.hosts()));
    }

    List<String> hosts() {
        return store.hosts();
    }

    /** @param account of whoever allows it */
    @Transactional
    public Checked<String> allow(String written, String account) {
        String host = written.strip().toLowerCase(Locale.ROOT);
        if (!host.matches("[a-z0-9.:_-]{1,200}")) {
            return Checked.bad("host", "A host is a name like records.office.example, without http and path.");
        }
        if (!store.hosts().contains(host)) {
            store.insert(host, account, clock.instant());
            AfterCommit.run(this::tell);
        }
        return Checked.good(host);
    }

    @Transactional
    public void forbid(String host) {
        store.delete(host);
        AfterCommit.run(this::tell);
    }
}
