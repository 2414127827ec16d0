package com.shuttle.followups;

import static com.shuttle.schema.Tables.FOLLOW_UP_RUN;
import static com.shuttle.schema.Tables.NOTICE;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.followups.FollowUp.Begins;
import com.shuttle.followups.FollowUp.Does;
import com.shuttle.followups.FollowUp.Stage;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.Person;
import com.shuttle.leads.PersonErasure;
import com.shuttle.leads.Segment;
import com.shuttle.leads.Segments;
import com.shuttle.leads.Tasks;
import com.shuttle.web.Checked;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Who is followed up, with what, and who is not. */
@ServerTest
class FollowUpTest {

    private static final String STEPS = """
            {'kind':'question','id':'n','type':'person_name','variable':'name','ask':['Name?'],'exits':{'answered':'step:e'}},
            {'kind':'question','id':'e','type':'email','variable':'email','ask':['Email?'],'exits':{'answered':'step:c'}},
            {'kind':'question','id':'c','type':'yes_no','variable':'ok','ask':['May we write?'],'exits':{'answered':'step:l'}},
            {'kind':'save_lead','id':'l','fields':[{'id':'f1','field':'name','value':'{{name}}'},
              {'id':'f2','field':'email','value':'{{email}}'}],'consent':'May we write?','agreed':'ok',
              'exits':{'saved':'step:m'}},
            {'kind':'milestone','id':'m','milestone':'MILESTONE','exits':{'next':'step:z'}},
            {'kind':'question','id':'z','type':'text','variable':'more','ask':['Anything else?']}""";

    private static final AtomicInteger NUMBER = new AtomicInteger();

    private final TestData data;
    private final FollowUps followUps;
    private final FollowUpLog log;
    private final FollowingUp.Round round;
    private final DryRun dry;
    private final Writing writing;
    private final LeadService leads;
    private final Segments segments;
    private final Tasks tasks;
    private final PersonErasure erasure;
    private final DSLContext db;
    private final int port;

    FollowUpTest(
            TestData data,
            FollowUps followUps,
            FollowUpLog log,
            FollowingUp.Round round,
            DryRun dry,
            Writing writing,
            LeadService leads,
            Segments segments,
            Tasks tasks,
            PersonErasure erasure,
            DSLContext db,
            @LocalServerPort int port) {
        this.data = data;
        this.followUps = followUps;
        this.log = log;
        this.round = round;
        this.dry = dry;
        this.writing = writing;
        this.leads = leads;
        this.segments = segments;
        this.tasks = tasks;
        this.erasure = erasure;
        this.db = db;
        this.port = port;
    }

    private String talk(String milestone, String name, String agrees) {
        Bot bot = data.released(TestData.flow("main", STEPS.replace("MILESTONE", milestone)));
        String id = data.conversations
                .begin(bot.id(), "", "", "web", "")
                .orElseThrow()
                .conversation();
        String email = "follow" + NUMBER.incrementAndGet() + "@followed.example";
        for (String said : List.of(name, email, agrees)) {
            data.conversations.say(id, "m" + said, said);
        }
        return id;
    }

    private Person of(String conversation) {
        return leads.ofConversation(conversation).orElseThrow();
    }

    private static Stage mail(long after) {
        return new Stage(
                after, Does.MAIL, "", "For {{name.first}}", "Dear {{name}}, here it is. [x]({{link}})", "", "");
    }

    private FollowUp on(Begins begins, String of, Stage... stages) {
        FollowUp kept = TestData.good(followUps.keep(new FollowUp(
                "", data.name("Follow-up"), begins, of, List.of(stages), 0, Map.of(), "Europe/London", "", null)));
        followUps.switchOn(kept.id());
        return followUps.followUp(kept.id());
    }

    private List<String> mailsTo(Person person) {
        return db.select(NOTICE.SUBJECT)
                .from(NOTICE)
                .where(NOTICE.PERSON_ID.eq(person.id()))
                .orderBy(NOTICE.MADE_AT, NOTICE.ID)
                .fetch(NOTICE.SUBJECT);
    }

    private Map<String, String> logged(FollowUp one) {
        return log.lines(one.id(), com.shuttle.web.Wanted.ALL).items().stream()
                .collect(Collectors.toMap(
                        FollowUpStore.Logged::person, line -> line.what() + ": " + line.words(), (a, b) -> a));
    }

    @Test
    void whoReachesAMilestoneIsWrittenToOnceAndOnlyWithConsent() {
        String milestone = data.name("Reached");
        FollowUp one = on(Begins.MILESTONE, milestone, mail(0));
        Person before = of(talk(data.name("Other"), "Robin", "yes"));
        Person dana = of(talk(milestone, "Dana Whitlow", "yes"));
        Person sam = of(talk(milestone, "Sam Oakes", "no"));
        round.run();
        round.run();
        assertThat(mailsTo(dana)).containsExactly("For Dana");
        assertThat(mailsTo(sam)).isEmpty();
        assertThat(mailsTo(before)).isEmpty();
        assertThat(logged(one))
                .containsEntry(dana.id(), "sent: a mail to them")
                .containsEntry(sam.id(), "not sent: has not agreed to mail");
        assertThat(log.figures(one.id())).isEqualTo(new FollowUpStore.Figures(0, 2, 0, 1));
    }

    @Test
    void itStopsWhenTheyAnswerOrMoveOnAndATaskNeedsNoConsent() {
        String milestone = data.name("Reached");
        Stage task = new Stage(0, Does.TASK, "", "", "Ring {{name}}", "", "");
        FollowUp one = on(Begins.MILESTONE, milestone, task, mail(0));
        String talking = talk(milestone, "Dana", "yes");
        String moved = talk(milestone, "Sam", "yes");
        String quiet = talk(milestone, "Robin", "no");
        data.conversations.say(talking, "more", "one more thing");
        leads.move(of(moved).id(), "", "talking", "");
        round.run();
        round.run();
        assertThat(logged(one))
                .containsEntry(of(talking).id(), "stopped: has answered")
                .containsEntry(of(moved).id(), "stopped: is in another state");
        assertThat(mailsTo(of(talking))).isEmpty();
        assertThat(tasks.of(of(quiet).id())).extracting(made -> made.words()).containsExactly("Ring Robin");
    }

    @Test
    void aSegmentThatEverybodyIsInReachesOnlyThoseWhoComeIntoIt() {
        String name = data.name("Wexcombe");
        Segment segment = TestData.good(segments.keep(
                new Segment("", name, false, List.of(new Segment.Term("name", Segment.How.HAS, "wexcombe")))));
        Person before = of(talk("m", "Dana Wexcombe", "yes"));
        FollowUp one = on(Begins.SEGMENT, segment.id(), mail(0));
        Person after = of(talk("m", "Sam Wexcombe", "yes"));
        round.run();
        round.run();
        assertThat(mailsTo(before)).isEmpty();
        assertThat(mailsTo(after)).hasSize(1);
        assertThat(dry.of(one).lines()).extracting(DryRun.Line::what).containsOnly("sent");
        followUps.switchOff(one.id());
    }

    @Test
    void whoSaysStopGetsNoMoreAndOnlyByPosting() throws IOException, InterruptedException {
        String milestone = data.name("Reached");
        on(Begins.MILESTONE, milestone, mail(0), mail(0));
        Person dana = of(talk(milestone, "Dana", "yes"));
        URI stop = URI.create("http://localhost:" + port + writing.stopPath(dana.id()));
        HttpClient http = HttpClient.newHttpClient();
        HttpResponse<String> looked = http.send(HttpRequest.newBuilder(stop).build(), BodyHandlers.ofString());
        assertThat(looked.statusCode()).isEqualTo(200);
        assertThat(of(db, dana).mayBeWrittenTo())
                .as("a scanner of mails ends nothing")
                .isTrue();
        HttpRequest oneClick = HttpRequest.newBuilder(stop)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("List-Unsubscribe=One-Click"))
                .build();
        assertThat(http.send(oneClick, BodyHandlers.ofString()).statusCode()).isEqualTo(200);
        assertThat(of(db, dana).mayBeWrittenTo()).isFalse();
        round.run();
        assertThat(mailsTo(dana)).isEmpty();
        URI forged = URI.create(stop.toString().replaceFirst("[^/]*$", "forged"));
        assertThat(http.send(HttpRequest.newBuilder(forged).build(), BodyHandlers.ofString())
                        .statusCode())
                .isEqualTo(404);
    }

    private Person of(DSLContext ignored, Person person) {
        return leads.person(person.id());
    }

    @Test
    void aMailThatCameBackEndsAllMore() {
        String milestone = data.name("Reached");
        on(Begins.MILESTONE, milestone, mail(0), mail(0));
        Person dana = of(talk(milestone, "Dana", "yes"));
        round.run();
        assertThat(mailsTo(dana))
                .as("both stages are due at once, one after the other")
                .isNotEmpty();
        db.update(NOTICE)
                .set(NOTICE.STATE, "failed")
                .where(NOTICE.PERSON_ID.eq(dana.id()))
                .execute();
        round.run();
        assertThat(leads.person(dana.id()).stoppedWhy()).isEqualTo("bounced");
    }

    @Test
    void whoIsErasedWhileSomethingIsDueGetsNothingAndIsNotFoundAgain() {
        String milestone = data.name("Reached");
        on(Begins.MILESTONE, milestone, mail(0), mail(86_400));
        String conversation = talk(milestone, "Quintessa Vanishing", "yes");
        Person person = of(conversation);
        round.run();
        assertThat(mailsTo(person)).hasSize(1);
        erasure.erase(person.id(), "");
        round.run();
        assertThat(db.fetchCount(FOLLOW_UP_RUN, FOLLOW_UP_RUN.PERSON_ID.eq(person.id())))
                .isZero();
        String everything = String.join("\n", db.fetch("SCRIPT").getValues(0, String.class));
        assertThat(everything).doesNotContain(person.email()).doesNotContain("Vanishing");
        assertThat(everything).as("that it was done").contains(person.id());
    }

    @Test
    void faultsAreNamedAndAnOffFollowUpSendsNothing() {
        FollowUp faulty = new FollowUp(
                "",
                "",
                Begins.SEGMENT,
                "gone",
                List.of(new Stage(0, Does.MAIL, "", "", "", "", "")),
                0,
                Map.of(),
                "UTC",
                "",
                null);
        assertThat(followUps.keep(faulty))
                .isEqualTo(new Checked.Bad<FollowUp>(Map.of(
                        "name", "Please give a name of up to 200 characters.",
                        "of", "Choose what it begins with.",
                        "stage.0", "Write what it says.")));
        String milestone = data.name("Reached");
        FollowUp off = TestData.good(followUps.keep(
                new FollowUp("", "Off", Begins.MILESTONE, milestone, List.of(mail(0)), 0, Map.of(), "UTC", "", null)));
        Person dana = of(talk(milestone, "Dana", "yes"));
        round.run();
        assertThat(mailsTo(dana)).isEmpty();
        assertThat(dry.of(off).people()).isOne();
        assertThat(dry.of(off).sent()).isOne();
        assertThat(Instant.now()).isAfter(dana.madeAt());
    }
}
