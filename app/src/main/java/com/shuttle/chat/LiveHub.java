package com.shuttle.chat;

import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** Tells whoever watches a topic that there is something new to read. Carries no data. Thread-safe. */
@Component
public class LiveHub {

    /** The topic of all that the inbox shows. */
    public static final String INBOX = "inbox";

    private final Map<String, Set<Runnable>> watchers = new ConcurrentHashMap<>();

    /** The topic of one conversation. */
    public static String conversation(String id) {
        return "conversation " + id;
    }

    /** Watches a topic until the returned handle is closed. */
    public Watch watch(String topic, Runnable onNews) {
        Runnable own = onNews::run;
        watchers.computeIfAbsent(topic, t -> ConcurrentHashMap.newKeySet()).add(own);
        return () -> watchers.computeIfPresent(topic, (t, all) -> {
            all.remove(own);
            return all.isEmpty() ? null : all;
        });
    }

    /** Tells all who watch a topic. A watcher that fails does not keep the others from hearing. */
    public void tell(String topic) {
        for (Runnable watcher : watchers.getOrDefault(topic, Set.of())) {
            Thread.startVirtualThread(watcher);
        }
    }

    /** A watch that can be given up. */
    @FunctionalInterface
    public interface Watch extends AutoCloseable {
        @Override
        void close();
    }
}
