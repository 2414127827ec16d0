package com.shuttle;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.Conversation;
import com.shuttle.chat.ConversationService;
import com.shuttle.chat.Line;
import com.shuttle.chat.Outcome;
import com.shuttle.chat.PastTurns;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.SaveLead;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.tables.StoredTable;
import com.shuttle.tables.TableService;
import com.shuttle.web.Ids;
import com.shuttle.web.Wanted;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPInputStream;
import javax.sql.DataSource;
import org.h2.tools.RunScript;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.TestConstructor;

/**
 * The data of an installation that the first version of the engine filled: bots, releases, and ninety conversations that
 * wait for all sorts of things. They load, show as they were, and go on.
 */
@SpringBootTest(classes = Shuttle.class, properties = "shuttle.data=target/earlier-data")
@TestConstructor(autowireMode = TestConstructor.AutowireMode.ALL)
class EarlierDataTest {

    private static final String URL = "jdbc:h2:mem:earlier;DB_CLOSE_DELAY=-1;LOCK_TIMEOUT=20000";

    @DynamicPropertySource
    static void loaded(DynamicPropertyRegistry registry) {
        registry.add("spring.datasource.url", () -> URL);
        try (Connection connection = DriverManager.getConnection(URL, "sa", "");
                InputStream in = EarlierDataTest.class.getResourceAsStream("/earlier/version-1.sql.gz");
                InputStreamReader script = new InputStreamReader(new GZIPInputStream(in), StandardCharsets.UTF_8)) {
            RunScript.execute(connection, script);
        } catch (SQLException | IOException e) {
            throw new IllegalStateException("the earlier data cannot be loaded", e);
        }
    }

    private final ConversationService conversations;
    private final PastTurns past;
    private final BotService bots;
    private final AccountService accounts;
    private final DataSource source;
    private final TableService tables;
    private final KnowledgeService knowledge;

    EarlierDataTest(
            ConversationService conversations,
            PastTurns past,
            BotService bots,
            AccountService accounts,
            DataSource source,
            TableService tables,
            KnowledgeService knowledge) {
        this.tables = tables;
        this.knowledge = knowledge;
        this.conversations = conversations;
        this.past = past;
        this.bots = bots;
        this.accounts = accounts;
        this.source = source;
    }

    private List<Conversation> all() throws SQLException {
        List<Conversation> all = new ArrayList<>();
        try (Connection connection = source.getConnection();
                ResultSet rows = connection.createStatement().executeQuery("select id from conversation order by id")) {
            while (rows.next()) {
                all.add(conversations.conversation(rows.getString(1)));
            }
        }
        assertThat(all).hasSizeGreaterThan(80);
        return all;
    }

    @Test
    void botsThatMadeLeadsOfNameAndEmailGoOnMakingThem() {
        assertThat(bots.bots().stream()
                        .flatMap(bot -> bots.drafts(bot.id()).stream())
                        .flatMap(draft -> draft.flow().allSteps().stream())
                        .filter(SaveLead.class::isInstance))
                .isNotEmpty();
    }

    @Test
    void everyFlowIsReadAndWrittenTheSame() {
        for (Bot bot : bots.bots()) {
            bots.drafts(bot.id())
                    .forEach(draft -> assertThat(new FlowJson().read(FlowJson.write(draft.flow())))
                            .as(draft.flow().id())
                            .isEqualTo(new FlowJson.Result.Good(draft.flow())));
        }
    }

    @Test
    void everyConversationShowsAsItWas() throws SQLException {
        for (Conversation conversation : all()) {
            State state = conversations.state(conversation.id());
            List<Line> lines = conversations.lines(conversation.id(), 0);
            assertThat(lines).as(conversation.id()).hasSize((int) state.seq());
            assertThat(conversation.channel()).isEqualTo(state.channel());
            assertThat(conversation.page()).isEqualTo(state.page());
            assertThat(conversations.prompt(conversation.id()) == null).isEqualTo(state.awaiting() == null);
            assertThat(past.of(conversation.id())).isNotEmpty();
            assertThat(past.replay(conversation.id()))
                    .as("another engine decided it")
                    .isEmpty();
        }
    }

    @Test
    void tablesStandApartNowAndAreAnsweredFromAsBefore() {
        assertThat(tables.all()).extracting(StoredTable::name).contains("Telescopes", "Guides", "Programmes");
        StoredTable telescopes = tables.all().stream()
                .filter(table -> table.name().equals("Telescopes"))
                .findFirst()
                .orElseThrow();
        assertThat(tables.rows(telescopes, new Wanted("", Map.of(), "-c4", 1)).items())
                .as("ordered by figures")
                .hasSize(telescopes.rows())
                .isNotEqualTo(tables.rows(telescopes, Wanted.ALL).items());
        assertThat(knowledge.collections())
                .anySatisfy(collection ->
                        assertThat(knowledge.content(collection.id()).tables()).hasSize(3));
    }

    @Test
    void whatTheBotPassedOnIsANoteNow() throws SQLException {
        assertThat(all())
                .anySatisfy(conversation -> assertThat(
                                conversations.aftermath(conversation.id()).notes())
                        .isNotEmpty());
    }

    @Test
    void everyConversationGoesOnFromWhereItStands() throws SQLException {
        for (Conversation conversation : all()) {
            State before = conversations.state(conversation.id());
            if (before.speaker() == Speaker.PERSON) {
                continue;
            }
            List<Offer> offers =
                    before.awaiting() == null ? List.of() : before.awaiting().offers();
            Outcome outcome = offers.isEmpty()
                    ? conversations.say(conversation.id(), Ids.next(), "12 December, and 24 of us")
                    : conversations.pick(
                            conversation.id(),
                            Ids.next(),
                            List.of(offers.getFirst().id()));
            if (before.speaker() == Speaker.ENDED) {
                assertThat(outcome).isEqualTo(new Outcome.Refused(Turn.Reason.ENDED));
            } else {
                assertThat(outcome)
                        .as("%s at %s", conversation.id(), before.at())
                        .isInstanceOf(Outcome.Taken.class);
                assertThat(conversations.state(conversation.id()).seq()).isGreaterThan(before.seq());
            }
        }
    }

    @Test
    void whoHasAConversationStillHasIt() throws SQLException {
        Conversation held = all().stream()
                .filter(conversation -> conversation.speaker() == Speaker.PERSON)
                .findFirst()
                .orElseThrow();
        Account owner = accounts.accounts().stream()
                .filter(account -> account.id().equals(held.agent()))
                .findFirst()
                .orElseThrow();
        Account other = accounts.accounts().stream()
                .filter(account -> !account.id().equals(held.agent()))
                .findFirst()
                .orElseThrow();
        assertThat(conversations.agentSays(held.id(), Ids.next(), other, "Hello"))
                .isEqualTo(new Outcome.Refused(Turn.Reason.NOT_YOURS));
        assertThat(conversations.agentSays(held.id(), Ids.next(), owner, "Hello"))
                .isInstanceOf(Outcome.Taken.class);
    }
}
