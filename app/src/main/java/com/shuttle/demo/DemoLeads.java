package com.shuttle.demo;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.shuttle.bots.Bot;
import com.shuttle.chat.ConversationService;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Band;
import com.shuttle.core.flow.Scorecard.Case;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.Scorecard.Group;
import com.shuttle.core.flow.Scorecard.Is;
import com.shuttle.leads.LeadField;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.LeadSetUp;
import com.shuttle.leads.Person;
import com.shuttle.leads.Segment;
import com.shuttle.leads.Segments;
import com.shuttle.leads.Tasks;
import com.shuttle.scorecards.Scorecards;
import com.shuttle.settings.Account;
import com.shuttle.settings.Team;
import com.shuttle.standins.Enquiries;
import com.shuttle.standins.Visitor;
import com.shuttle.web.Ids;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** The demo's leads: how they are scored and singled out, and two months of enquiries played by the engine. */
@Component
@ConditionalOnProperty("shuttle.demo")
class DemoLeads {

    private static final int DAYS = 60;
    private static final long SEED = 20;
    private static final String TIMERS = "conversation-timer";
    private static final int WAIT_MILLIS = 5;
    private static final int MOST_WAITS = 400;

    private final LeadSetUp setUp;
    private final Scorecards cards;
    private final Segments segments;
    private final LeadService leads;
    private final Tasks tasks;
    private final ConversationService conversations;
    private final PlayedTime time;
    private final InstantSource clock;
    private final ObjectProvider<Scheduler> scheduler;
    private final int many;

    DemoLeads(
            LeadSetUp setUp,
            Scorecards cards,
            Segments segments,
            LeadService leads,
            Tasks tasks,
            ConversationService conversations,
            PlayedTime time,
            InstantSource clock,
            ObjectProvider<Scheduler> scheduler,
            @Value("${shuttle.demo.enquiries:180}") int many) {
        this.scheduler = scheduler;
        this.setUp = setUp;
        this.cards = cards;
        this.segments = segments;
        this.leads = leads;
        this.tasks = tasks;
        this.conversations = conversations;
        this.time = time;
        this.clock = clock;
        this.many = many;
    }

    /** Fields, the scorecard and segments. */
    void setUp() {
        Demo.good(setUp.keepFields(List.of(
                new LeadField("occasion", "Occasion", LeadField.Kind.TEXT),
                new LeadField("guests", "Guests", LeadField.Kind.NUMBER),
                new LeadField("evening", "Evening", LeadField.Kind.DATE),
                new LeadField("estimate", "Estimate", LeadField.Kind.NUMBER),
                new LeadField("about", "About", LeadField.Kind.TEXT))));
        cards.add(card(), "");
        segment("To ring back", new Segment.Term("band", Segment.How.IS, "middle"));
        segment(
                "Best, and nobody has begun",
                new Segment.Term("band", Segment.How.IS, "best"),
                new Segment.Term("state", Segment.How.IS, "new"));
        segment("Small, and may be written to", new Segment.Term("band", Segment.How.IS, "small"), agrees());
        segment(
                "Went quiet",
                new Segment.Term("state", Segment.How.IS, "talking"),
                new Segment.Term("last", Segment.How.BEFORE, "14"));
    }

    private static Segment.Term agrees() {
        return new Segment.Term("consent", Segment.How.FILLED, "");
    }

    private void segment(String name, Segment.Term... terms) {
        Demo.good(segments.keep(new Segment("", name, false, List.of(terms))));
    }

    private static Scorecard card() {
        Group party = new Group(
                "party",
                "The party",
                35,
                List.of(
                        new Criterion(
                                "r1",
                                "guests",
                                "guests",
                                List.of(
                                        out("k1", Is.LESS, "10"),
                                        by("k2", Is.MORE, "40", 20),
                                        by("k3", Is.AT_LEAST, "20", 10)),
                                0),
                        new Criterion(
                                "r2",
                                "occasion",
                                "occasion",
                                List.of(
                                        by("k4", Is.SAME, "Wedding", 15),
                                        by("k5", Is.SAME, "Company evening", 10),
                                        by("k6", Is.ELSE, "", 5)),
                                0),
                        new Criterion("r3", "extras", "extras", List.of(by("k7", Is.AT_LEAST, "2", 8)), 0)));
        Group means = new Group(
                "means",
                "The means",
                null,
                List.of(
                        new Criterion(
                                "r4",
                                "guests > 0 ? budget / guests : 0.0",
                                "pounds a head",
                                List.of(
                                        by("k8", Is.AT_LEAST, "50", 20),
                                        by("k9", Is.AT_LEAST, "25", 10),
                                        by("k10", Is.LESS, "15", -10)),
                                0),
                        new Criterion("r5", "event_date", "day", List.of(by("k11", Is.KNOWN, "", 8)), -5)));
        Group visit = new Group(
                "visit",
                "The visit",
                15,
                List.of(
                        new Criterion("r6", "page", "page", List.of(by("k12", Is.HAS, "/hire", 6)), 0),
                        new Criterion("r7", "returning", "been here before", List.of(by("k13", Is.YES, "", 10)), 0),
                        new Criterion("r8", "cue", "cue", List.of(by("k14", Is.KNOWN, "", 4)), 0)));
        return new Scorecard(
                "",
                "Dome hire",
                List.of(party, means, visit),
                List.of(new Band("small", "small", 0), new Band("middle", "middle", 30), new Band("best", "best", 48)));
    }

    private static Case by(String id, Is is, String value, int points) {
        return new Case(id, is, value, "", points, false);
    }

    private static Case out(String id, Is is, String value) {
        return new Case(id, is, value, "", 0, true);
    }

    /** A flow in which {@code @card/Name} stands for ids. */
    String named(String flow) {
        String named = flow;
        for (var card : cards.all()) {
            named = named.replace("@card/" + card.name(), card.id());
        }
        return named;
    }

    /** Plays enquiries of two months, and what was done about them. What was timed then is over, and does not go off now. */
    void play(Bot vesper, Bot hire, List<Account> agents, Team events) {
        Scheduler pausing = scheduler.getObject();
        pausing.pause();
        try {
            playAll(vesper, hire, agents, events);
            pausing.fetchScheduledExecutionsForTask(TIMERS, Void.class, timer -> {
                if (timer.getExecutionTime().isBefore(clock.instant())) {
                    pausing.cancel(timer.getTaskInstance());
                }
            });
        } finally {
            pausing.resume();
        }
    }

    private void playAll(Bot vesper, Bot hire, List<Account> agents, Team events) {
        Random chance = new Random(SEED);
        Enquiries enquiries = new Enquiries(SEED);
        for (int i = 0; i < many; i++) {
            Duration ago = Duration.ofMinutes((long) (DAYS * 1440L * (many - i) / (double) many))
                    .plusMinutes(chance.nextInt(400));
            Instant at = clock.instant().minus(ago);
            Visitor visitor = enquiries.next(LocalDate.ofInstant(at, ZoneOffset.UTC));
            Bot bot = visitor.bot().equals("vesper") ? vesper : hire;
            String[] conversation = new String[1];
            time.ago(ago, () -> conversation[0] = talk(visitor, bot));
            leads.ofConversation(conversation[0]).ifPresent(person -> work(person, ago, agents, events, chance));
        }
    }

    private String talk(Visitor visitor, Bot bot) {
        String id = conversations
                .begin(bot.id(), "", visitor.page(), "web", "")
                .orElseThrow()
                .conversation();
        for (String turn : visitor.turns()) {
            conversations.say(id, Ids.next(), turn);
            whileCalling(id);
        }
        return id;
    }

    private void whileCalling(String conversation) {
        try {
            for (int i = 0;
                    i < MOST_WAITS && conversations.state(conversation).awaiting() instanceof Awaiting.Called;
                    i++) {
                TimeUnit.MILLISECONDS.sleep(WAIT_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** What the team has done about a lead since: the older, the further on. */
    private void work(Person person, Duration ago, List<Account> agents, Team events, Random chance) {
        Account agent = agents.get(chance.nextInt(agents.size()));
        if (ago.toDays() > 2) {
            later(ago, 1, () -> leads.own(person.id(), agent.id(), agent.id()));
            later(ago, 1, () -> leads.move(person.id(), "", "talking", agent.id()));
        }
        if (ago.toDays() > 12 && chance.nextInt(3) > 0) {
            later(ago, 6, () -> leads.note(person.id(), "Spoke on the phone; will look at dates.", agent.id()));
            later(ago, 8, () -> leads.move(person.id(), "", "offered", agent.id()));
        }
        if (ago.toDays() > 25 && chance.nextInt(4) > 0) {
            String end = chance.nextInt(5) < 2 ? "won" : "lost";
            later(ago, 20, () -> leads.move(person.id(), "", end, agent.id()));
        } else if (ago.toDays() <= 12 && person.band().equals("best")) {
            Instant due = clock.instant().plus(Duration.ofDays(1L + chance.nextInt(6)));
            tasks.add(person.id(), "Send the offer for the evening", due, agent.id(), events.id(), agent.id());
        }
    }

    private void later(Duration ago, int days, Runnable act) {
        time.ago(ago.minusDays(Math.min(days, ago.toDays())), act);
    }
}
