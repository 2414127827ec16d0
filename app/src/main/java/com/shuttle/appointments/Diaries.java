package com.shuttle.appointments;

import com.shuttle.core.booking.Resource;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Vault;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Kinds of appointment, and the people and rooms they are with. Thread-safe. */
@Service
public class Diaries {

    private final DiaryStore store;
    private final SessionStore sessions;
    private final BusyStore calendars;
    private final Vault vault;
    private final InstantSource clock;

    Diaries(DiaryStore store, SessionStore sessions, BusyStore calendars, Vault vault, InstantSource clock) {
        this.store = store;
        this.calendars = calendars;
        this.vault = vault;
        this.sessions = sessions;
        this.clock = clock;
    }

    /** All kinds, by name. */
    public List<Kind> kinds() {
        return store.kinds();
    }

    /** One that is there or was. @throws Missing if there never was */
    public Kind kind(String id) {
        return store.kind(id).orElseThrow(() -> new Missing("kind of appointment", id));
    }

    /** One that can be booked; empty where it is gone. */
    public Optional<Kind> bookable(String id) {
        return store.bookable(id);
    }

    /** The kind of a name, in any case of letters. */
    Optional<Kind> named(String name) {
        return store.kinds().stream()
                .filter(kind -> kind.name().equalsIgnoreCase(name.strip()))
                .findFirst();
    }

    public List<Diary> diaries() {
        return store.diaries();
    }

    /** Those of these ids that are there, by name. */
    List<Diary> diaries(List<String> ids) {
        return store.diaries(ids);
    }

    /** @throws Missing if there is no such person or room */
    public Diary diary(String id) {
        return store.diaries(List.of(id)).stream().findFirst().orElseThrow(() -> new Missing("person or room", id));
    }

    public String nameOf(String resource) {
        return store.nameOf(resource);
    }

    /** Names of several, as people say them. */
    public String namesOf(List<String> resources) {
        return resources.stream().map(store::nameOf).collect(Collectors.joining(", "));
    }

    /** Keeps a kind; one without an id is new. @return its id */
    @Transactional
    public String keep(Kind kind) {
        Kind kept = kind.id().isEmpty()
                ? new Kind(
                        Ids.next(), kind.name(), kind.about(), kind.place(), kind.rules(), kind.by(), kind.resources())
                : kind;
        store.keep(kept, clock.instant());
        return kept.id();
    }

    /** Keeps a person or room; one without an id is new. @return its id */
    @Transactional
    public String keep(Diary diary) {
        Diary kept = diary.id().isEmpty()
                ? new Diary(Ids.next(), diary.type(), diary.name(), diary.hours(), diary.skills())
                : diary;
        store.keep(kept, clock.instant());
        return kept.id();
    }

    /** What was booked stays booked; nobody else can book it. */
    @Transactional
    public void deleteKind(String id) {
        store.deleteKind(id, clock.instant());
    }

    @Transactional
    public void bringKindBack(String id) {
        store.deleteKind(id, null);
    }

    /** Bookings with them stay, as whoever has them must be told; nobody new is booked with them. */
    @Transactional
    public void deleteDiary(String id) {
        store.deleteDiary(id, clock.instant());
    }

    @Transactional
    public void bringDiaryBack(String id) {
        store.deleteDiary(id, null);
    }

    // Their own calendars

    /** The path at which a person's calendar program reads their bookings; whoever has it reads them. */
    String feed(String id) {
        int number = store.feed(id).orElseThrow(() -> new Missing("person or room", id));
        return "/calendar/" + id + "/" + vault.sign(feedOf(id, number)) + ".ics";
    }

    boolean opensFeed(String id, String key) {
        return store.feed(id)
                .filter(number -> vault.signed(feedOf(id, number), key))
                .isPresent();
    }

    private static String feedOf(String id, int number) {
        return "calendar " + id + " " + number;
    }

    /** Gives it another address; the one before opens nothing any more. */
    @Transactional
    void renewFeed(String id) {
        store.renewFeed(id);
    }

    /**
     * The people and rooms of a kind that are still there, with what they are taken for.
     *
     * @param with an id, a name or a skill; empty for all, and of no meaning to a kind that needs all
     */
    List<Resource> resources(Kind kind, String with, Instant from, Instant until) {
        List<Diary> there = store.diaries(kind.resources()).stream()
                .filter(diary -> kind.rules().all() || diary.suits(with))
                .toList();
        List<String> ids = there.stream().map(Diary::id).toList();
        Map<String, List<Resource.Busy>> busy = sessions.busy(ids, from, until);
        calendars
                .busy(ids, from, until)
                .forEach((id, more) ->
                        busy.computeIfAbsent(id, none -> new ArrayList<>()).addAll(more));
        return there.stream()
                .map(diary -> new Resource(diary.id(), diary.hours(), busy.getOrDefault(diary.id(), List.of())))
                .toList();
    }
}
