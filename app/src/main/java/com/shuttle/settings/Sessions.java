package com.shuttle.settings;

import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Length;
import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Who is signed in where: in memory as the sessions themselves are, and kept with them over a restart. Thread-safe. */
@Component
class Sessions {

    /** A session ends after this, however busily it is used. */
    static final Duration LONGEST = Duration.ofHours(24);

    /** Beyond the longest idle time, so that what is over is forgotten. */
    private static final Duration FORGOTTEN = Duration.ofHours(13);

    private static final String KEY = "sessionKey";

    /**
     * One sign-in.
     *
     * @param key     names it, but does not open it
     * @param account whose
     * @param browser as it calls itself
     */
    record Entry(String key, String account, String browser, Instant since, Instant last) {}

    private final Map<String, Entry> entries = new ConcurrentHashMap<>();
    private final InstantSource clock;

    private final Path file;

    Sessions(InstantSource clock, @Value("${shuttle.data}") Path data) {
        this.clock = clock;
        this.file = data.resolve("sessions").resolve("signed-in.json");
    }

    /** Knows again who was signed in when the server stopped. */
    @PostConstruct
    void recall() throws IOException {
        if (Files.isRegularFile(file)) {
            Json.readAll(Files.readString(file), Entry.class).forEach(entry -> entries.put(entry.key(), entry));
            Files.delete(file);
        }
    }

    /** Keeps who is signed in while the server is down; whose session is over by then is not let in. */
    @PreDestroy
    void keep() throws IOException {
        Files.createDirectories(file.getParent());
        Files.writeString(file, Json.write(List.copyOf(entries.values())));
    }

    /** Notes a request of somebody who is signed in; false where the session is over. */
    boolean seen(HttpSession session, String account, String browser) {
        Instant now = clock.instant();
        if (!(session.getAttribute(KEY) instanceof String key)) {
            String made = Ids.next();
            session.setAttribute(KEY, made);
            entries.values().removeIf(entry -> entry.last().plus(FORGOTTEN).isBefore(now));
            entries.put(made, new Entry(made, account, shortened(browser), now, now));
            return true;
        }
        Entry entry = entries.computeIfPresent(key, (k, e) -> new Entry(k, e.account(), e.browser(), e.since(), now));
        return entry != null
                && entry.account().equals(account)
                && entry.since().plus(LONGEST).isAfter(now);
    }

    private static String shortened(String browser) {
        return Length.LINE.cut(browser);
    }

    /** The sign-ins of an account, the latest used first. */
    List<Entry> of(String account) {
        return entries.values().stream()
                .filter(entry -> entry.account().equals(account))
                .sorted(Comparator.comparing(Entry::last).reversed())
                .toList();
    }

    /** The key of a session; empty before its first request. */
    static String key(HttpSession session) {
        return session.getAttribute(KEY) instanceof String key ? key : "";
    }

    /** Ends a sign-in of an account at its next request. */
    void end(String account, String key) {
        entries.computeIfPresent(key, (k, entry) -> entry.account().equals(account) ? null : entry);
    }

    /** Ends all sign-ins of an account but one. @param but its key; empty for none */
    void endAll(String account, String but) {
        entries.values()
                .removeIf(
                        entry -> entry.account().equals(account) && !entry.key().equals(but));
    }
}
