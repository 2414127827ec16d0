package com.shuttle.leads;

import com.shuttle.core.people.Identity;
import com.shuttle.core.reading.Words;
import com.shuttle.leads.HistoryStore.Said;
import com.shuttle.leads.LeadChanged.What;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Missing;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people do with leads: each change is noted with how it is undone. Thread-safe. */
@Service
public class LeadService {

    private static final int LONGEST_NOTE = 2000;
    private static final int MOST_TAGS = 20;
    private static final int LONGEST_TAG = 40;

    private final PersonStore people;
    private final HistoryStore history;
    private final LeadSetUp setUp;
    private final Merging merging;
    private final Owners owners;
    private final ApplicationEventPublisher events;
    private final InstantSource clock;

    LeadService(
            PersonStore people,
            HistoryStore history,
            LeadSetUp setUp,
            Merging merging,
            Owners owners,
            ApplicationEventPublisher events,
            InstantSource clock) {
        this.people = people;
        this.history = history;
        this.setUp = setUp;
        this.merging = merging;
        this.owners = owners;
        this.events = events;
        this.clock = clock;
    }

    /** @throws Missing if there is no such person */
    public Person person(String id) {
        return people.find(id).orElseThrow(() -> new Missing("lead", id));
    }

    public Optional<Person> find(String id) {
        return people.find(id);
    }

    /** Who a conversation was with, where that is known. */
    public Optional<Person> ofConversation(String conversation) {
        return people.ofConversation(conversation);
    }

    /** Whether a lead was made in a conversation, or came back in it. */
    public boolean isOf(String conversation) {
        return people.ofConversation(conversation)
                .filter(person -> person.leadAt() != null)
                .isPresent();
    }

    /** Leads met first by a bot that were made or met again since. */
    public int since(String bot, Instant since) {
        return people.since(bot, since);
    }

    /** Ids of somebody's conversations, latest first. */
    public List<String> conversations(String person) {
        return people.conversations(person);
    }

    /** Values of the organisation's own fields, by their keys. */
    public Map<String, String> fields(String person) {
        return history.fields(person);
    }

    /**
     * Changes what is known of somebody.
     *
     * @param version of the person as whoever changes them saw them
     * @param wanted  field to value; fields that are not named stay
     */
    @Transactional
    public Checked<Person> edit(String id, int version, Map<String, String> wanted, String region, String account) {
        Person before = person(id);
        if (before.version() != version) {
            return Checked.bad("form", "Somebody else has changed this lead meanwhile. Look at it as it is now.");
        }
        Checked.Errors errors = new Checked.Errors();
        Map<String, String> fitting = new LinkedHashMap<>();
        for (LeadField field : setUp.fields()) {
            if (wanted.containsKey(field.id())) {
                String written = Words.clean(wanted.get(field.id())).strip();
                errors.require(field.fault(written, region).isEmpty(), field.id(), field.fault(written, region));
                fitting.put(field.always() ? field.id() : "field:" + field.id(), normal(field, written, region));
            }
        }
        String email = fitting.getOrDefault("email", before.email());
        errors.require(
                email.isEmpty()
                        || people.at(email, "").stream()
                                .allMatch(one -> one.id().equals(id)),
                "email",
                "Somebody else has this email. Merge the two if they are one.");
        Optional<Checked<Person>> bad = errors.bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        return Checked.good(change(before, fitting, PersonEvent.Kind.EDITED, account));
    }

    private static String normal(LeadField field, String written, String region) {
        return switch (field.kind()) {
            case EMAIL -> Identity.email(written);
            case PHONE -> written.isEmpty() ? "" : Identity.phone(written, region);
            case YES_NO -> written.toLowerCase(java.util.Locale.ROOT);
            case TEXT, NUMBER, DATE -> written;
        };
    }

    /** What became of a state that was to be changed. @param lead as it is now @param moved whether it was */
    public record Moved(Person lead, boolean moved) {}

    /** Gives a lead another state. @param from that whoever moves it saw; empty for whatever it is */
    @Transactional
    public Moved move(String id, String from, String to, String account) {
        Person before = person(id);
        if (!setUp.isState(to) || !from.isEmpty() && !from.equals(before.state())) {
            return new Moved(before, false);
        }
        return new Moved(change(before, Map.of("state", to), PersonEvent.Kind.STATE, account), true);
    }

    /** Gives a lead to an account, or to nobody. */
    @Transactional
    public Person own(String id, String owner, String account) {
        return change(person(id), Map.of("owner", owner), PersonEvent.Kind.OWNER, account);
    }

    /** Gives a lead to the next of a team. */
    @Transactional
    public Person ownInTurn(String id, String team, String account) {
        String owner = owners.inTurn(team);
        return owner.isEmpty() ? person(id) : own(id, owner, account);
    }

    /** Sets the tags. @param written separated by commas */
    @Transactional
    public Person tag(String id, String written, String account) {
        return change(person(id), Map.of("tags", tags(written)), PersonEvent.Kind.EDITED, account);
    }

    /** Adds a tag to those there are. */
    @Transactional
    public Person addTag(String id, String tag, String account) {
        String all = String.join(",", person(id).tags()) + "," + tag;
        return tag(id, all, account);
    }

    private static String tags(String written) {
        List<String> tags = new ArrayList<>();
        for (String tag : Words.clean(written).split(",")) {
            String bare = tag.strip().replaceAll("\\s+", " ");
            boolean known = tags.stream().anyMatch(bare::equalsIgnoreCase);
            if (!bare.isEmpty() && bare.length() <= LONGEST_TAG && !known && tags.size() < MOST_TAGS) {
                tags.add(bare);
            }
        }
        return String.join(",", tags);
    }

    /** Keeps a note. */
    @Transactional
    public Checked<String> note(String id, String words, String account) {
        String bare = Words.clean(words).strip();
        if (bare.isEmpty() || bare.length() > LONGEST_NOTE) {
            return Checked.bad("note", "Please write a note of up to " + LONGEST_NOTE + " characters.");
        }
        happened(person(id), PersonEvent.Kind.NOTE, bare, account, null);
        return Checked.good(bare);
    }

    /** Lets no more mail go to somebody. @param why {@code unsubscribed} or {@code bounced} @return whether any might before */
    @Transactional
    public boolean stopMail(String id, String why) {
        Person before = people.find(id).orElse(null);
        if (before == null || before.stoppedAt() != null) {
            return false;
        }
        PersonDraft draft = new PersonDraft(before);
        draft.stoppedAt = clock.instant();
        draft.stoppedWhy = why;
        people.update(draft.done());
        happened(
                before,
                PersonEvent.Kind.CONSENT,
                why.equals("bounced") ? "mail came back; none is sent any more" : "wanted no more mail",
                "",
                null);
        return true;
    }

    /** Keeps what happened to somebody elsewhere, such as a mail. */
    @Transactional
    public void noteMail(String id, String words) {
        people.find(id).ifPresent(person -> happened(person, PersonEvent.Kind.MAIL, words, "", null));
    }

    /** How a change is undone. */
    record Undo(Map<String, String> fields) {}

    /** Undoes a change. @return what cannot be done, as a sentence; empty where it was done */
    @Transactional
    public String undo(String event, String account) {
        PersonEvent done = history.event(event).orElseThrow(() -> new Missing("change", event));
        String undo = done.undo();
        Person person = person(done.person());
        if (undo == null || !history.undone(event)) {
            return "This was undone already.";
        }
        if (done.kind() == PersonEvent.Kind.MERGED) {
            Merging.Undo two = Json.read(undo, Merging.Undo.class);
            merging.split(person, two);
            happened(
                    person, PersonEvent.Kind.EDITED, "parted from " + two.went().called() + " again", account, null);
            return "";
        }
        change(person, Json.read(undo, Undo.class).fields(), done.kind(), account);
        return "";
    }

    /** Makes one of two. @param id who stays @param other who goes @throws Missing if there is not either */
    @Transactional
    public Person merge(String id, String other, String account) {
        if (id.equals(other)) {
            return person(id);
        }
        return merging.merge(person(id), person(other), setUp.own(), account, clock.instant());
    }

    /** Sets fields, keeps what they were, and tells of it. */
    private Person change(Person before, Map<String, String> wanted, PersonEvent.Kind kind, String account) {
        Map<String, String> own = history.fields(before.id());
        Map<String, String> were = new LinkedHashMap<>();
        PersonDraft draft = new PersonDraft(before);
        wanted.forEach((field, value) -> {
            String was = field.startsWith("field:") ? own.getOrDefault(field.substring(6), "") : value(before, field);
            if (!was.equals(value)) {
                were.put(field, was);
                set(draft, before, field, value, account);
            }
        });
        if (were.isEmpty()) {
            return before;
        }
        Person after = draft.done();
        people.update(after);
        happened(after, kind, words(were, wanted), account, Json.write(new Undo(were)));
        if (were.containsKey("state")) {
            events.publishEvent(new LeadChanged(What.STATE, after, were.get("state")));
        }
        if (were.containsKey("owner")) {
            events.publishEvent(new LeadChanged(What.OWNER, after, were.get("owner")));
        }
        return person(before.id());
    }

    private static String value(Person person, String field) {
        return switch (field) {
            case "state" -> person.state();
            case "owner" -> person.owner();
            case "tags" -> String.join(",", person.tags());
            default -> PersonDraft.field(person, field);
        };
    }

    private void set(PersonDraft draft, Person before, String field, String value, String account) {
        switch (field) {
            case "state" -> draft.state = value;
            case "owner" -> draft.owner = value;
            case "tags" ->
                draft.tags = Arrays.stream(value.split(","))
                        .filter(tag -> !tag.isEmpty())
                        .toList();
            default -> {
                Instant now = clock.instant();
                if (field.startsWith("field:")) {
                    String key = field.substring(6);
                    setUp.own().stream()
                            .filter(own -> own.id().equals(key))
                            .findFirst()
                            .ifPresent(own -> history.field(before.id(), key, value, own.figure(value)));
                    history.said(before.id(), new Said(key, value, "", account, now));
                } else {
                    draft.field(field, value);
                    history.said(before.id(), new Said(field, value, "", account, now));
                }
            }
        }
    }

    private String words(Map<String, String> were, Map<String, String> wanted) {
        List<String> all = new ArrayList<>();
        were.forEach((field, was) -> {
            String now = wanted.getOrDefault(field, "");
            all.add(
                    switch (field) {
                        case "state" ->
                            setUp.state(was).name() + " → " + setUp.state(now).name();
                        case "owner" -> "owner " + owners.name(was) + " → " + owners.name(now);
                        default -> name(field) + " " + shown(was) + " → " + shown(now);
                    });
        });
        return String.join("; ", all);
    }

    private String name(String field) {
        String key = field.startsWith("field:") ? field.substring(6) : field;
        return setUp.fields().stream()
                .filter(one -> one.id().equals(key))
                .map(one -> one.name().toLowerCase(java.util.Locale.ROOT))
                .findFirst()
                .orElse(field);
    }

    private static String shown(String value) {
        return value.isEmpty() ? "nothing" : "“" + value + "”";
    }

    private void happened(
            Person person,
            PersonEvent.Kind kind,
            String words,
            String account,
            @org.jspecify.annotations.Nullable String undo) {
        history.happened(new PersonEvent(Ids.next(), person.id(), kind, words, account, "", undo, clock.instant()));
    }
}
