package com.shuttle.studio;

import com.shuttle.chat.EventStreams;
import com.shuttle.chat.LiveHub;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Who has which flow open, and at which step. Kept in memory only: a page tells every few seconds that it is still there,
 * and is forgotten when it no longer does. Thread-safe.
 */
@Component
class Companions {

    /** How long a page counts as open after it last said so. */
    static final Duration STAYS = Duration.ofSeconds(40);

    /**
     * One open page.
     *
     * @param page made up by the page, to know itself by
     * @param step id of the step worked at; empty for none
     */
    record Companion(String page, String name, String step) {}

    /** @param edit number of the flow's present edit; @param by the page that made it */
    record News(List<Companion> here, long edits, String by) {}

    private record Seen(Companion companion, Instant at) {}

    private static final class Room {
        final Map<String, Seen> pages = new LinkedHashMap<>();
        long version = 1;
        long edits;
        String by = "";
    }

    private final Map<String, Room> rooms = new ConcurrentHashMap<>();
    private final LiveHub hub;
    private final EventStreams streams;
    private final InstantSource clock;

    Companions(LiveHub hub, EventStreams streams, InstantSource clock) {
        this.hub = hub;
        this.streams = streams;
        this.clock = clock;
    }

    private static String topic(String bot, String flow) {
        return "flow " + bot + " " + flow;
    }

    /** A page says that it is there; tells the others when that is news to them. */
    void here(String bot, String flow, Companion companion) {
        Room room = rooms.computeIfAbsent(topic(bot, flow), t -> new Room());
        boolean news;
        synchronized (room) {
            Seen before = room.pages.put(companion.page(), new Seen(companion, clock.instant()));
            news = forgetOld(room) || before == null || !before.companion().equals(companion);
            room.version += news ? 1 : 0;
        }
        if (news) {
            hub.tell(topic(bot, flow));
        }
    }

    /** A page was closed. */
    void left(String bot, String flow, String page) {
        Room room = rooms.computeIfAbsent(topic(bot, flow), t -> new Room());
        synchronized (room) {
            room.pages.remove(page);
            room.version++;
        }
        hub.tell(topic(bot, flow));
    }

    /** The flow was edited from a page. */
    void edited(String bot, String flow, String page) {
        Room room = rooms.computeIfAbsent(topic(bot, flow), t -> new Room());
        synchronized (room) {
            room.version++;
            room.edits++;
            room.by = page;
        }
        hub.tell(topic(bot, flow));
    }

    /** What a page is to know now. */
    News news(String bot, String flow) {
        Room room = rooms.computeIfAbsent(topic(bot, flow), t -> new Room());
        synchronized (room) {
            forgetOld(room);
            return new News(room.pages.values().stream().map(Seen::companion).toList(), room.edits, room.by);
        }
    }

    /** Tells a page whenever there is news. */
    SseEmitter stream(String bot, String flow) {
        return streams.open(topic(bot, flow), 0, last -> {
            Room room = rooms.computeIfAbsent(topic(bot, flow), t -> new Room());
            synchronized (room) {
                return room.version > last
                        ? List.of(new EventStreams.Item(room.version, Map.of("news", room.version)))
                        : List.of();
            }
        });
    }

    private boolean forgetOld(Room room) {
        Instant limit = clock.instant().minus(STAYS);
        return room.pages.values().removeIf(seen -> seen.at().isBefore(limit));
    }
}
