package com.shuttle.releases;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.groups.Tuple.tuple;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotForm;
import com.shuttle.bots.BotService;
import com.shuttle.bots.Manner;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Unfinished;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

@ServerTest
class ReleaseServiceTest {

    private static final int MANY = 500;
    private static final String TALK = """
            {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"question","id":"q","ask":["Version VERSION?"],"type":"text","variable":"a","exits":{"answered":"step:q"}}]}]}""";

    private final TestData data;
    private final BotService bots;
    private final ReleaseService releases;
    private final Lives lives;

    ReleaseServiceTest(TestData data, BotService bots, ReleaseService releases, Lives lives) {
        this.lives = lives;
        this.data = data;
        this.bots = bots;
        this.releases = releases;
    }

    private Bot written() {
        Bot bot = data.bot();
        bots.edit(bot.id(), "main", new Edit.Add(null, null, StepKind.MESSAGE), null);
        bots.edit(bot.id(), "main", new Edit.Set("n1", "text.0", "Hello"), null);
        return bot;
    }

    private Release live(Bot bot) {
        return releases.playbook(releases.live(bot.id()).orElseThrow()).release();
    }

    @Test
    void aBotThatSaysNothingIsNotReleased() {
        Bot bot = data.bot();
        assertThat(releases.release(bot.id(), "", null)).isInstanceOf(Checked.Bad.class);
        assertThat(releases.live(bot.id())).isEmpty();
        assertThat(releases.draftDiffers(bot)).isTrue();
    }

    @Test
    void releasesAreNumberedAndTheLastIsLive() {
        Bot bot = written();
        ReleaseInfo one = TestData.good(releases.release(bot.id(), " first ", null));
        bots.edit(bot.id(), "main", new Edit.Set("n1", "text.0", "Good day"), null);
        assertThat(live(bot).flows().getFirst().findStep("n1").orElseThrow().wordings())
                .containsExactly("Hello");
        assertThat(releases.draftDiffers(bot)).isTrue();
        ReleaseInfo two = TestData.good(releases.release(bot.id(), "", null));
        assertThat(List.of(one.number(), two.number())).containsExactly(1, 2);
        assertThat(one.note()).isEqualTo("first");
        assertThat(releases.releases(bot.id())).extracting(ReleaseInfo::number).containsExactly(2, 1);
        assertThat(live(bot).number()).isEqualTo(2);
        assertThat(releases.playbook(one.id())
                        .release()
                        .flows()
                        .getFirst()
                        .findStep("n1")
                        .orElseThrow()
                        .wordings())
                .as("a release never changes")
                .containsExactly("Hello");
        assertThat(releases.draftDiffers(bot)).isFalse();
    }

    @Test
    void whateverVisitorsWouldNoticeMakesTheDraftDiffer() {
        Bot bot = written();
        TestData.good(releases.release(bot.id(), "", null));
        assertThat(releases.draftDiffers(bot)).isFalse();

        data.variables.declare(bot.id(), new Variable("party", ValueType.NUMBER, Variable.Origin.CONVERSATION, ""));
        assertThat(releases.draftDiffers(bots.bot(bot.id()))).isTrue();
        data.variables.undeclare(bot.id(), "party");
        assertThat(releases.draftDiffers(bots.bot(bot.id()))).isFalse();

        bots.behave(bot.id(), bot.manner(), List.of(new StandingWords("stop", true, List.of())));
        assertThat(releases.draftDiffers(bots.bot(bot.id()))).isTrue();
        bots.behave(bot.id(), bot.manner(), List.of());

        Manner hours = new Manner("", "", Map.of("monday", "09:00-12:00"), "en", 0);
        TestData.good(bots.change(bot.id(), new BotForm(bot.name(), bot.slug(), "", bot.region(), bot.zone(), hours)));
        assertThat(releases.draftDiffers(bots.bot(bot.id()))).isTrue();
        assertThat(live(bot).profile().hours()).isEmpty();
    }

    /** Each conversation says the words of the release that it began with, however many are made meanwhile. */
    @Test
    void fiveHundredConversationsStayOnTheirsWhileReleasesComeAndGo() throws Exception {
        Bot bot = data.bot();
        bots.putFlow(bot.id(), FlowJson.readTrusted(TALK.replace("VERSION", "1")), "", null);
        ReleaseInfo first = TestData.good(releases.release(bot.id(), "", null));
        Map<String, String> began = new ConcurrentHashMap<>();
        CountDownLatch half = new CountDownLatch(MANY / 2);
        try (ExecutorService visitors = Executors.newFixedThreadPool(8)) {
            List<Future<?>> talks = new ArrayList<>();
            for (int i = 0; i < MANY; i++) {
                talks.add(visitors.submit(() -> {
                    String id = data.conversations
                            .begin(bot.id(), "", "", "web", "")
                            .orElseThrow()
                            .conversation();
                    began.put(
                            id,
                            data.conversations.lines(id, 0).getFirst().message().text());
                    half.countDown();
                    data.conversations.say(id, "1", "Dana");
                }));
            }
            half.await();
            for (int version = 2; version <= 4; version++) {
                bots.putFlow(bot.id(), FlowJson.readTrusted(TALK.replace("VERSION", "" + version)), "", null);
                TestData.good(releases.release(bot.id(), "", null));
            }
            releases.goLive(bot.id(), first.number(), null);
            for (Future<?> talk : talks) {
                talk.get();
            }
        }
        assertThat(began).hasSize(MANY);
        began.forEach((id, asked) -> {
            data.conversations.say(id, "2", "Whitlow");
            assertThat(data.conversations.lines(id, 0))
                    .filteredOn(line -> line.message().from() == Message.From.BOT)
                    .allMatch(line -> line.message().text().equals(asked));
        });
        assertThat(live(bot).number()).isEqualTo(first.number());
    }

    @Test
    void oneIsMadeLiveLaterAndRolledBack() {
        Bot bot = written();
        ReleaseInfo one = TestData.good(releases.release(bot.id(), "", null));
        bots.edit(bot.id(), "main", new Edit.Set("n1", "text.0", "Good day"), null);
        ReleaseInfo two = TestData.good(releases.make(bot.id(), "kinder", null));
        assertThat(live(bot).number()).as("it is only made").isEqualTo(1);
        assertThat(releases.nextNumber(bot.id())).isEqualTo(3);
        assertThat(releases.compare(bot.id(), 1, 2)).hasSize(1);
        assertThat(releases.compare(bot.id(), 2, 0)).isEmpty();

        Instant due = Instant.now().plusSeconds(60);
        releases.plan(bot.id(), two.number(), due, null);
        assertThat(lives.planned(bot.id()).orElseThrow().release()).isEqualTo(two.id());
        lives.serve();
        assertThat(live(bot).number()).as("not yet").isEqualTo(1);
        lives.plan(new Lives.Plan(bot.id(), two.id(), null, Instant.now().minusSeconds(1)));
        lives.serve();
        lives.serve();
        assertThat(live(bot).number()).isEqualTo(2);
        assertThat(lives.planned(bot.id())).isEmpty();

        releases.goLive(bot.id(), one.number(), null);
        assertThat(live(bot).number()).isEqualTo(1);
        assertThat(releases.draftDiffers(bot)).isTrue();
        assertThat(lives.spells(bot.id()))
                .extracting(Lives.Spell::number, Lives.Spell::planned)
                .containsExactly(tuple(1, false), tuple(2, true), tuple(1, false));
        assertThatThrownBy(() -> releases.goLive(bot.id(), 9, null)).isInstanceOf(Missing.class);
    }

    @Test
    void whatIsPlannedIsLeftOutWhereAnotherGoesLive() {
        Bot bot = written();
        TestData.good(releases.release(bot.id(), "", null));
        ReleaseInfo two = TestData.good(releases.make(bot.id(), "", null));
        releases.plan(bot.id(), two.number(), Instant.now().plusSeconds(600), null);
        TestData.good(releases.release(bot.id(), "", null));
        assertThat(lives.planned(bot.id())).isEmpty();
        assertThat(live(bot).number()).isEqualTo(3);
        assertThat(releases.ahead(LocalDateTime.now().minusDays(2), ZoneId.of("Europe/London")))
                .isNull();
    }

    @Test
    void whatItNeedsAndIsGoneIsSaid() {
        String flow = """
                {"format":"shuttle-flow/1","id":"main","name":"Visits","phrases":[],"sections":[{"id":"s","title":"","steps":[
                {"kind":"appointment","id":"n1","title":"Visit","of":"no-such-kind","ask":["When?"],"exits":{}},
                {"kind":"hand_off","id":"n2","title":"Over","team":"no-such-team","exits":{}}]}]}""";
        Bot bot = data.released(FlowJson.readTrusted(flow));
        assertThat(releases.gone(bot.id(), 1))
                .containsExactly(
                        "Visits: the kind of appointment that “Visit” names is gone.",
                        "Visits: the team that “Over” names is gone.");
        assertThat(releases.gone(written().id(), 0)).isEmpty();
    }

    @Test
    void aNoteThatIsTooLongAndAReleaseThatIsNotThereAreRefused() {
        Bot bot = written();
        assertThat(releases.release(bot.id(), "x".repeat(2001), null)).isInstanceOf(Checked.Bad.class);
        assertThatThrownBy(() -> releases.playbook("no-such-release")).isInstanceOf(Missing.class);
        assertThatThrownBy(() -> releases.release("no-such-bot", "", null)).isInstanceOf(Missing.class);
    }

    @Test
    void blanksAndOpenEndsAreToldBeforeItGoesLive() {
        Bot bot = data.bot();
        bots.putFlow(
                bot.id(),
                TestData.flow(
                        "main",
                        "{'kind':'choice','id':'c','ask':['Are you ‹what they are›?'],'options':[{'id':'o1','label':'Yes'},"
                                + "{'id':'o2','label':'No'}],'exits':{'option:o1':'step:bye'}},"
                                + "{'kind':'message','id':'m','say':['Well.']},{'kind':'message','id':'bye','say':['Bye.']}"),
                "test",
                null);
        ReleaseService.Loose loose = releases.unfinished(bot.id());
        assertThat(loose.blanks()).extracting(Unfinished.Place::what).containsExactly("what they are");
        assertThat(loose.ends()).extracting(Unfinished.Place::what).containsExactly("No", "next");
        assertThat(loose.none()).isFalse();
    }
}
