package com.shuttle.services;

import com.shuttle.core.service.Service;
import com.shuttle.core.service.ServiceChecks;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Length;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Sent;
import com.shuttle.web.Vault;
import com.shuttle.web.Wanted;
import java.net.URI;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.annotation.Transactional;

/** The services there are, and how one gets in. Thread-safe. */
@org.springframework.stereotype.Service
public class Catalogue {

    private final ServiceStore store;
    private final Vault vault;
    private final InstantSource clock;

    Catalogue(ServiceStore store, Vault vault, InstantSource clock) {
        this.store = store;
        this.vault = vault;
        this.clock = clock;
    }

    Page<StoredService> services(Wanted wanted) {
        return store.services(wanted);
    }

    /** All that can be called, by name. */
    public List<StoredService> published() {
        return store.published();
    }

    /** @throws Missing if there is no such service */
    public StoredService service(String id) {
        return store.service(id).orElseThrow(() -> new Missing("service", id));
    }

    /** What a service is called; empty where it is gone. */
    public String nameOf(String id) {
        return store.service(id).map(one -> one.draft().name()).orElse("");
    }

    /** What can be called under an id; empty where that is gone or was never published. */
    Optional<StoredService> callable(String id) {
        return store.service(id).filter(StoredService::live);
    }

    /** Begins a service that asks for what lies at a connection's address. */
    @Transactional
    public Checked<String> create(String name, String connection) {
        if (name.isBlank() || !Length.NAME.holds(name)) {
            return Checked.bad("name", "Please give it a name of up to %d characters.".formatted(Length.NAME.most()));
        }
        if (store.connection(connection).isEmpty()) {
            return Checked.bad("connection", "Please choose where it is.");
        }
        return Checked.good(add(Service.named(name.strip()), connection));
    }

    /** Adds a draft. @return its id */
    @Transactional
    public String add(Service draft, String connection) {
        String id = Ids.next();
        store.insert(id, connection, draft, clock.instant());
        return id;
    }

    /** Keeps a draft, whatever it still lacks; a name it must have. */
    @Transactional
    public Checked<StoredService> save(String id, Service draft, String connection) {
        StoredService before = service(id);
        if (draft.name().isBlank() || !Length.NAME.holds(draft.name())) {
            return Checked.bad("name", "Please give it a name of up to %d characters.".formatted(Length.NAME.most()));
        }
        if (draft.json().length() > Length.ARTICLE.most()) {
            return Checked.bad("body", "This is too long.");
        }
        String kept = store.connection(connection).isPresent() ? connection : before.connection();
        if (!draft.equals(before.draft()) || !kept.equals(before.connection())) {
            store.update(id, kept, draft, clock.instant());
        }
        return Checked.good(service(id));
    }

    /** What the draft lacks before it can be published, by the place. */
    Map<String, String> faults(StoredService service) {
        Map<String, String> faults = new LinkedHashMap<>(ServiceChecks.faults(service.draft()));
        try {
            URI.create(connection(service.connection()).address()
                    + service.draft().request().path().replaceAll("\\{\\{[^}]*}}", "x"));
        } catch (IllegalArgumentException e) {
            faults.putIfAbsent("path", "With what goes in, this is no address.");
        }
        return faults;
    }

    /** Publishes the draft; from now on it is what bots call. */
    @Transactional
    public Checked<Integer> publish(String id, @Nullable String account) {
        StoredService service = service(id);
        Map<String, String> faults = faults(service);
        if (!faults.isEmpty()) {
            return new Checked.Bad<>(faults);
        }
        if (service.live() && !service.changed()) {
            return Checked.good(service.version());
        }
        store.publish(id, service.version() + 1, service.draft(), account, clock.instant());
        return Checked.good(service.version() + 1);
    }

    /** What publishing the draft takes away from those who call the service, in words; empty for nothing. */
    List<String> takenAway(StoredService service) {
        Service live = service.published();
        if (live == null) {
            return List.of();
        }
        Service draft = service.draft();
        List<String> gone = new ArrayList<>();
        live.inputs().stream()
                .filter(input -> draft.input(input.key()).isEmpty())
                .forEach(input -> gone.add("the input " + input.key()));
        live.outputs().stream()
                .filter(output -> draft.output(output.key()).isEmpty())
                .forEach(output -> gone.add("the output " + output.key()));
        live.results().stream()
                .filter(result ->
                        draft.results().stream().noneMatch(one -> one.key().equals(result.key())))
                .forEach(result -> gone.add("the result " + result.name()));
        return gone;
    }

    /** Takes an earlier publication as the draft. */
    @Transactional
    public void draftFrom(String id, int version) {
        StoredService service = service(id);
        store.version(id, version)
                .ifPresent(earlier -> store.update(id, service.connection(), earlier, clock.instant()));
    }

    @Transactional
    public void delete(String id) {
        service(id);
        store.deleted(id, clock.instant());
    }

    @Transactional
    public void bringBack(String id) {
        store.deleted(id, null);
    }

    // Connections

    List<Connection> connections() {
        return store.connections();
    }

    /** @throws Missing if there is no such connection */
    Connection connection(String id) {
        return store.connection(id).orElseThrow(() -> new Missing("connection", id));
    }

    List<String> usersOf(String connection) {
        return store.usersOf(connection);
    }

    /** Keeps a connection as a form has it. @param id empty for a new one */
    @Transactional
    Sent<String> keep(String id, Map<String, String> form) {
        if (!id.isEmpty() && !store.lockConnection(id)) {
            throw new Missing("connection", id);
        }
        Map<String, String> now = id.isEmpty() ? Map.of() : ConnectionController.form(connection(id));
        return Sent.merged(form, now, fields -> keep(ConnectionController.typed(id, fields)));
    }

    /**
     * Keeps a connection.
     *
     * @param wanted with its secret in the clear; an empty one keeps what there is, as long as that goes the same way
     */
    @Transactional
    Checked<String> keep(Connection wanted) {
        Connection there = wanted.id().isEmpty()
                ? null
                : store.connection(wanted.id()).orElseThrow(() -> new Missing("connection", wanted.id()));
        boolean same = there != null && there.goesTo().equals(wanted.goesTo());
        String sealed = wanted.kind() == Connection.Kind.NONE
                ? ""
                : !wanted.secret().isBlank()
                        ? vault.seal(wanted.secret().strip())
                        : same && there != null ? there.secret() : "";
        if (wanted.checked(!sealed.isEmpty()) instanceof Checked.Bad<Connection>(Map<String, String> errors)) {
            return new Checked.Bad<>(errors);
        }
        String id = there == null ? Ids.next() : there.id();
        store.keep(new Connection(
                id,
                wanted.name(),
                wanted.address(),
                wanted.kind(),
                wanted.who(),
                wanted.tokenAddress(),
                wanted.scope(),
                sealed,
                clock.instant()));
        return Checked.good(id);
    }

    /** Makes a connection. @return its id */
    @Transactional
    public Checked<String> connect(NewConnection wanted) {
        return keep(new Connection(
                "",
                wanted.name(),
                wanted.address(),
                Connection.Kind.of(wanted.kind()),
                wanted.who(),
                wanted.tokenAddress(),
                "",
                wanted.secret(),
                clock.instant()));
    }

    /** Removes a connection that no service uses. @return the services that still use it */
    @Transactional
    List<String> deleteConnection(String id) {
        List<String> users = store.usersOf(id);
        if (users.isEmpty()) {
            store.deleteConnection(id);
        }
        return users;
    }
}
