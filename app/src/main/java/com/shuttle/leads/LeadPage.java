package com.shuttle.leads;

import com.shuttle.appointments.Booking;
import com.shuttle.appointments.Bookings;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.Conversation;
import com.shuttle.chat.ConversationService;
import com.shuttle.leads.HistoryStore.Consent;
import com.shuttle.leads.HistoryStore.Said;
import com.shuttle.web.Missing;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Everything that is known of one person, for their page. Thread-safe. */
@Component
class LeadPage {

    private static final int MOST_TALKS = 20;

    private final PersonStore people;
    private final HistoryStore history;
    private final ScoreStore scores;
    private final LeadSetUp setUp;
    private final Owners owners;
    private final Tasks tasks;
    private final Bookings bookings;
    private final BotService bots;
    private final ConversationService conversations;

    LeadPage(
            PersonStore people,
            HistoryStore history,
            ScoreStore scores,
            LeadSetUp setUp,
            Owners owners,
            Tasks tasks,
            Bookings bookings,
            BotService bots,
            ConversationService conversations) {
        this.people = people;
        this.history = history;
        this.scores = scores;
        this.setUp = setUp;
        this.owners = owners;
        this.tasks = tasks;
        this.bookings = bookings;
        this.bots = bots;
        this.conversations = conversations;
    }

    /** A field with its value. */
    record Entry(LeadField field, String value) {}

    /** Something that happened. @param who did it @param link to where it happened; empty for none */
    record Event(PersonEvent event, String who, String link) {
        /** What sort of thing, as a class of its row. */
        public String kind() {
            return event.kind().key();
        }

        public boolean undoable() {
            return event.undo() != null;
        }
    }

    /** What was said, and who said it where. */
    record Saying(Said said, String field, String who) {}

    /** A conversation. */
    record Talk(String id, String bot, Instant at, String lastWords) {}

    /** All of it. */
    record View(
            Person person,
            String owner,
            LeadState state,
            List<Entry> fields,
            List<Event> events,
            List<Saying> said,
            List<Consent> consents,
            List<LeadTask> tasks,
            List<Talk> talks,
            List<Booking> bookings,
            Optional<ScoreStore.Given> score,
            String metBy) {}

    View of(Person person) {
        Map<String, String> botNames = bots.bots().stream().collect(Collectors.toMap(Bot::id, Bot::name));
        Map<String, String> own = history.fields(person.id());
        List<Entry> fields = new ArrayList<>();
        setUp.fields()
                .forEach(field -> fields.add(new Entry(
                        field,
                        field.always() ? PersonDraft.field(person, field.id()) : own.getOrDefault(field.id(), ""))));
        List<Talk> talks = talks(person, botNames);
        return new View(
                person,
                owners.name(person.owner()),
                setUp.state(person.state()),
                fields,
                events(person),
                said(person, talks),
                history.consents(person.id()),
                tasks.of(person.id()),
                talks,
                bookings.of(person.conversation(), person.email()),
                talks.stream().flatMap(talk -> scores.of(talk.id()).stream()).findFirst(),
                botNames.getOrDefault(person.bot(), ""));
    }

    private List<Event> events(Person person) {
        return history.events(person.id()).stream()
                .map(event -> new Event(
                        event,
                        event.account().isEmpty() ? "" : owners.name(event.account()),
                        event.conversation().isEmpty() ? "" : "/inbox/" + event.conversation()))
                .toList();
    }

    private List<Saying> said(Person person, List<Talk> talks) {
        Map<String, String> where = talks.stream().collect(Collectors.toMap(Talk::id, Talk::bot, (a, b) -> a));
        Map<String, String> names =
                setUp.fields().stream().collect(Collectors.toMap(LeadField::id, LeadField::name, (a, b) -> a));
        return history.said(person.id()).stream()
                .map(said -> new Saying(
                        said,
                        names.getOrDefault(said.field(), said.field()),
                        said.account().isEmpty()
                                ? where.getOrDefault(said.conversation(), "a conversation")
                                : owners.name(said.account())))
                .toList();
    }

    private List<Talk> talks(Person person, Map<String, String> botNames) {
        List<Talk> talks = new ArrayList<>();
        for (String id :
                people.conversations(person.id()).stream().limit(MOST_TALKS).toList()) {
            try {
                Conversation one = conversations.conversation(id);
                talks.add(new Talk(
                        id, botNames.getOrDefault(one.bot(), "a deleted bot"), one.startedAt(), one.lastWords()));
            } catch (Missing erased) {
                continue;
            }
        }
        return talks;
    }
}
