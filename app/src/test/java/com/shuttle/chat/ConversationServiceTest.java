package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.knowledge.EntryDraft;
import com.shuttle.knowledge.Gap;
import com.shuttle.knowledge.GapService;
import com.shuttle.settings.Account;
import com.shuttle.settings.Role;
import com.shuttle.web.Sql;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

@ServerTest
class ConversationServiceTest {

    private static final Flow FLOW = new Flow(
            "main",
            "Main",
            List.of(),
            List.of(new Section(
                    "s1",
                    "",
                    List.of(
                            Choice.of(
                                    "menu",
                                    List.of("Which?"),
                                    List.of(
                                            new Option("a", "Details", List.of()),
                                            new Option("b", "Nothing", List.of())),
                                    Map.of("option:a", Target.step("name"), "option:b", Target.END)),
                            Question.of(
                                    "name",
                                    List.of("Name?"),
                                    ValueType.PERSON_NAME,
                                    "name",
                                    Map.of("answered", Target.step("email"))),
                            Question.of(
                                    "email",
                                    List.of("Email?"),
                                    ValueType.EMAIL,
                                    "email",
                                    Map.of("answered", Target.step("menu")))))));

    private final TestData data;
    private final ConversationService conversations;
    private final PastTurns past;
    private final Sql sql;
    private final GapService gaps;

    ConversationServiceTest(
            TestData data, ConversationService conversations, GapService gaps, PastTurns past, Sql sql) {
        this.past = past;
        this.sql = sql;
        this.data = data;
        this.conversations = conversations;
        this.gaps = gaps;
    }

    private String begin(Bot bot) {
        return conversations.begin(bot.id(), "", "", "web", "").orElseThrow().conversation();
    }

    private static Reply taken(Outcome outcome) {
        assertThat(outcome).isInstanceOf(Outcome.Taken.class);
        return ((Outcome.Taken) outcome).reply();
    }

    @Test
    void aBotThatWasNeverReleasedTalksToNobody() {
        assertThat(conversations.begin(data.bot().id(), "", "", "web", "")).isEmpty();
        assertThat(conversations.begin("nonsense", "", "", "web", "")).isEmpty();
    }

    @Test
    void theSameClientMessageIsTakenOnceAndAnsweredAlike() {
        String id = begin(data.released(FLOW));
        Reply first = taken(conversations.pick(id, "m1", List.of("a")));
        Reply again = taken(conversations.pick(id, "m1", List.of("a")));
        assertThat(again).isEqualTo(first);
        assertThat(conversations.lines(id, 0)).hasSize(3);
        taken(conversations.say(id, "m2", "Dana"));
        assertThat(taken(conversations.pick(id, "m1", List.of("a"))).messages()).isEqualTo(first.messages());
    }

    @Test
    void aRefusedEventLeavesNoTrace() {
        String id = begin(data.released(FLOW));
        var before = conversations.state(id);
        assertThat(conversations.pick(id, "m1", List.of("zzz")))
                .isEqualTo(new Outcome.Refused(Turn.Reason.UNKNOWN_OPTION));
        assertThat(conversations.state(id)).isEqualTo(before);
        taken(conversations.pick(id, "m1", List.of("a")));
    }

    @Test
    void anEndedConversationRefusesMore() {
        String id = begin(data.released(FLOW));
        taken(conversations.pick(id, "m1", List.of("b")));
        assertThat(conversations.say(id, "m2", "hello?")).isEqualTo(new Outcome.Refused(Turn.Reason.ENDED));
    }

    @Test
    void manyAtOnceInOneConversationAreTakenOneAfterTheOther() throws Exception {
        String id = begin(data.released(FLOW));
        List<Callable<Outcome>> calls = new ArrayList<>();
        for (int i = 0; i < 24; i++) {
            String key = "m" + i % 12;
            calls.add(() -> conversations.say(id, key, "words " + key));
        }
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            for (Future<Outcome> outcome : threads.invokeAll(calls)) {
                taken(outcome.get());
            }
        }
        List<Line> lines = conversations.lines(id, 0);
        assertThat(lines)
                .extracting(line -> line.message().seq())
                .isEqualTo(java.util.stream.LongStream.rangeClosed(1, lines.size())
                        .boxed()
                        .toList());
        assertThat(lines.stream().filter(line -> line.message().from() == Message.From.VISITOR))
                .hasSize(12);
        assertThat(past.replay(id)).contains(conversations.state(id));
    }

    @Test
    void replayingTheStoredEventsGivesTheStoredStateEvenWhenTheKnowledgeHasChanged() {
        Bot bot = data.released(FLOW);
        String collection = data.collectionOf(bot, "Is there parking?", "Parking is free.");
        String id = begin(bot);
        assertThat(taken(conversations.say(id, "m1", "is there parking?"))
                        .messages()
                        .getFirst()
                        .text())
                .isEqualTo("Parking is free.");
        taken(conversations.say(id, "m2", "do you sell ostrich eggs?"));
        taken(conversations.say(id, "m3", "details"));
        taken(conversations.say(id, "m4", "Dana Whitlow, dana@example.org"));
        data.knowledge.delete(collection);
        assertThat(past.replay(id)).contains(conversations.state(id));
    }

    @Test
    void anEntrySavedIsAnsweredByTheNextMessage() {
        Bot bot = data.released(FLOW);
        String collection = data.collectionOf(bot, "Is there parking?", "Parking is free.");
        String id = begin(bot);
        assertThat(taken(conversations.say(id, "m1", "are dogs allowed?"))
                        .messages()
                        .getFirst()
                        .text())
                .contains("don't know");
        TestData.good(data.entries.add(collection, EntryDraft.of("Are dogs allowed?", "On a lead.")));
        assertThat(taken(conversations.say(id, "m2", "are dogs allowed?"))
                        .messages()
                        .getFirst()
                        .text())
                .isEqualTo("On a lead.");
    }

    @Test
    void anEntryBringsTheWayToItsArticle() {
        Bot bot = data.released(FLOW);
        String collection = data.collectionOf(bot, "Are dogs allowed?", "On a lead.");
        data.knowledge.merge(
                collection,
                new Content(
                        List.of(new Entry(
                                "kites",
                                List.of("May I fly a kite?"),
                                List.of("On the lower meadow."),
                                "",
                                Standing.USUAL,
                                new Ties("", "kite-rules", ""))),
                        List.of(new Article("kite-rules", "Kites on the hill", "Keep away from the mast.", "")),
                        List.of()));
        assertThat(first(begin(bot), "may i fly a kite"))
                .isEqualTo("On the lower meadow.\n\n[Kites on the hill](/chat/" + bot.id() + "/articles/kite-rules)");
        assertThat(first(begin(bot), "are dogs allowed?")).isEqualTo("On a lead.");
    }

    @Test
    void severalQuestionsInOneMessageAreEachAnswered() {
        Bot bot = data.released(FLOW);
        String collection = data.collectionOf(bot, "Are dogs allowed?", "On a lead.");
        TestData.good(data.entries.add(collection, EntryDraft.of("Is there parking?", "Parking is free.")));
        assertThat(taken(conversations.say(begin(bot), "m1", "Are dogs allowed? And is there parking?"))
                        .messages())
                .extracting(Message::text)
                .startsWith("On a lead.", "Parking is free.");
    }

    private String first(String conversation, String said) {
        return taken(conversations.say(conversation, "m1", said))
                .messages()
                .getFirst()
                .text();
    }

    @Test
    void gapsAreListedOnceForLikeWordsAndDismissedTogether() {
        Bot bot = data.released(FLOW);
        String id = begin(bot);
        taken(conversations.say(id, "m1", "Do you sell ostrich eggs?"));
        taken(conversations.say(id, "m2", "do you sell OSTRICH eggs"));
        taken(conversations.say(id, "m3", "what about emu eggs?"));
        List<Gap> open = gaps.list(bot.id(), 1).items();
        assertThat(open).extracting(Gap::times).containsExactlyInAnyOrder(2, 1);
        gaps.dismiss(
                bot.id(),
                open.stream()
                        .filter(gap -> gap.times() == 2)
                        .findFirst()
                        .orElseThrow()
                        .id());
        assertThat(gaps.count(bot.id())).isEqualTo(1);
    }

    @Test
    void aPersonTakesRepliesAndCloses() {
        Account agent = data.person(Role.AGENT);
        String id = begin(data.released(FLOW));
        taken(conversations.say(id, "m1", "a person please"));
        assertThat(conversations.withPeople()).extracting(Conversation::id).contains(id);
        assertThat(conversations.conversation(id).waitingSince()).isNotNull();
        taken(conversations.agentTakes(id, agent, false));
        assertThat(conversations.conversation(id).waitingSince()).isNull();
        assertThat(conversations.agentTakes(id, agent, false))
                .isEqualTo(new Outcome.Refused(Turn.Reason.ALREADY_TAKEN));
        taken(conversations.agentSays(id, "a1", agent, "Good evening"));
        taken(conversations.agentCloses(id, agent));
        assertThat(conversations.conversation(id).speaker()).isEqualTo(Speaker.ENDED);
        assertThat(conversations.closed(100)).extracting(Conversation::id).contains(id);
        assertThat(past.replay(id)).contains(conversations.state(id));
    }

    @Test
    void runningConversationsStayOnTheReleaseTheyBeganWith() {
        Bot bot = data.released(FLOW);
        String before = begin(bot);
        Flow changed = new Flow(
                "main",
                "Main",
                List.of(),
                List.of(new Section(
                        "s1",
                        "",
                        List.of(new Step.Message("m", "", "", List.of("All new."), null, List.of(), 0, Map.of())))));
        data.bots.putFlow(bot.id(), changed, "changed", null);
        TestData.good(data.releases.release(bot.id(), "", null));
        assertThat(conversations.lines(begin(bot), 0).getFirst().message().text())
                .isEqualTo("All new.");
        assertThat(taken(conversations.say(before, "m1", "details"))
                        .messages()
                        .getFirst()
                        .text())
                .isEqualTo("Name?");
    }

    @Test
    void aConversationIsEnteredByItsOwnTokenOnly() {
        Bot bot = data.released(FLOW);
        var one = conversations.begin(bot.id(), "", "", "web", "").orElseThrow();
        var two = conversations.begin(bot.id(), "", "", "web", "").orElseThrow();
        assertThat(conversations.mayEnter(one.conversation(), one.token())).isTrue();
        assertThat(conversations.mayEnter(one.conversation(), two.token())).isFalse();
        assertThat(conversations.mayEnter("nonsense", one.token())).isFalse();
    }

    @Test
    void theRestOfATurnThatWasNeverFinishedIsNotSeenAndNotInTheWay() {
        String id = begin(data.released(FLOW));
        taken(conversations.say(id, "m1", "a person please"));
        long seq = conversations.state(id).seq();
        int events = past.of(id).size();
        sql.update(
                "insert into conversation_event (conversation_id, ordinal, client_message_id, first_seq, last_seq, event,"
                        + " reads, at) select conversation_id, ?, 'm2', ?, ?, event, reads, at from conversation_event"
                        + " where conversation_id = ? and ordinal = 0",
                events,
                seq + 1,
                seq + 1,
                id);
        sql.update(
                "insert into message (conversation_id, seq, sender, author, text, at)"
                        + " select id, ?, 'bot', '', 'never said', last_at from conversation where id = ?",
                seq + 1,
                id);
        assertThat(conversations.lines(id, 0)).hasSize((int) seq);
        assertThat(past.of(id)).hasSize(events);
        taken(conversations.say(id, "m2", "hello?"));
        assertThat(conversations.lines(id, seq))
                .extracting(line -> line.message().text())
                .doesNotContain("never said");
        assertThat(past.of(id)).hasSize(events + 1);
        assertThat(past.replay(id)).contains(conversations.state(id));
    }
}
