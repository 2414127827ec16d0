package com.shuttle.chat;

import static com.shuttle.schema.Tables.BOT;
import static com.shuttle.schema.Tables.CONVERSATION;
import static com.shuttle.schema.Tables.CONVERSATION_EVENT;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.bots.MediaService;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.knowledge.GapService;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.Person;
import com.shuttle.tables.PersonalCells;
import com.shuttle.tables.TableService;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.Wanted;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;

@ServerTest
class ErasureTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s","title":"","steps":[
              {"kind":"question","id":"n","ask":["Name?"],"type":"person_name","variable":"name","exits":{"answered":"step:e"}},
              {"kind":"question","id":"e","ask":["Email?"],"type":"email","variable":"email","exits":{"answered":"step:l"}},
              {"kind":"save_lead","id":"l","fields":[{"id":"f1","field":"name","value":"{{name}}"},
                {"id":"f2","field":"email","value":"{{email}}"}],"exits":{"saved":"step:f"}},
              {"kind":"question","id":"f","ask":["File?"],"type":"file","variable":"file","limits":{"fileTypes":["png"]}}]}]}""";

    private final ErasureService erasure;
    private final ConversationService conversations;
    private final UploadService uploads;
    private final LeadService leads;
    private final GapService gaps;
    private final ErasureStore store;
    private final Keeping keeping;
    private final BotService bots;
    private final MediaService media;
    private final DSLContext db;
    private final TableService tables;
    private final PersonalCells personal;
    private final TestData data;

    ErasureTest(
            ErasureService erasure,
            ConversationService conversations,
            UploadService uploads,
            LeadService leads,
            GapService gaps,
            ErasureStore store,
            Keeping keeping,
            BotService bots,
            MediaService media,
            DSLContext db,
            TableService tables,
            PersonalCells personal,
            TestData data) {
        this.tables = tables;
        this.personal = personal;
        this.erasure = erasure;
        this.conversations = conversations;
        this.uploads = uploads;
        this.leads = leads;
        this.gaps = gaps;
        this.store = store;
        this.keeping = keeping;
        this.bots = bots;
        this.media = media;
        this.db = db;
        this.data = data;
    }

    @Test
    void nothingIsLeftButThatItWasDone() throws IOException {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        String id =
                conversations.begin(bot.id(), "v", "", "web", "").orElseThrow().conversation();
        conversations.say(id, "1", "What does a ticket to Mars cost?");
        conversations.say(id, "2", "Dana Whitlow");
        conversations.say(id, "3", "dana@gone.example");
        TestData.good(uploads.take(id, "4", UploadService.Coming.of("a.png", new byte[] {1})));
        String file = conversations.aftermath(id).files().keySet().iterator().next();
        Person person = leads.ofConversation(id).orElseThrow();
        assertThat(gaps.count(bot.id())).isPositive();

        erasure.erase(id, "somebody");
        assertThatThrownBy(() -> conversations.conversation(id)).isInstanceOf(Missing.class);
        assertThat(conversations.lines(id, 0)).isEmpty();
        assertThat(db.fetchCount(CONVERSATION_EVENT, CONVERSATION_EVENT.CONVERSATION_ID.eq(id)))
                .isZero();
        assertThat(uploads.download(file)).isEmpty();
        assertThat(leads.find(person.id())).isEmpty();
        assertThat(gaps.count(bot.id())).isZero();
        assertThat(store.wasErased(id)).isTrue();
        assertThatThrownBy(() -> erasure.erase(id, "somebody")).isInstanceOf(Missing.class);
    }

    private String begun(Bot bot) {
        return conversations.begin(bot.id(), "", "", "web", "").orElseThrow().conversation();
    }

    @Test
    void aVisitorIsFoundByWhatWasSaidOrIsKnown() {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        String id = begun(bot);
        String name = data.name("Wanda");
        conversations.say(id, "1", name + " Elmcroft");
        conversations.say(id, "2", name.toLowerCase() + "@example.org");
        String other = begun(bot);
        for (String words : List.of(name, name.toLowerCase() + "@EXAMPLE")) {
            assertThat(erasure.search(new Wanted(words, Map.of(), "", 1)).items())
                    .extracting(Conversation::id)
                    .containsExactly(id);
        }
        erasure.eraseAll(List.of(id, id, "nobody"), "somebody");
        assertThat(erasure.search(new Wanted(name, Map.of(), "", 1)).items()).isEmpty();
        assertThat(erasure.erased())
                .extracting(ErasureService.Erased::conversation)
                .contains(id);
        assertThat(conversations.conversation(other)).isNotNull();
    }

    @Test
    void aConversationGoesWhenItsTimeHasCome() {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        String old = begun(bot);
        String young = begun(bot);
        last(old, Instant.parse("2020-01-01T00:00:00Z"));
        keeping.tidy();
        assertThat(store.wasErased(old)).as("kept for as long as nobody says").isFalse();

        assertThat(erasure.keepFor("soon")).isInstanceOf(Checked.Bad.class);
        assertThat(erasure.keepFor("99999")).isInstanceOf(Checked.Bad.class);
        TestData.good(erasure.keepFor(" 400 "));
        keeping.tidy();
        TestData.good(erasure.keepFor(""));
        assertThat(store.wasErased(old)).isTrue();
        assertThat(store.wasErased(young)).isFalse();
    }

    private void last(String conversation, Instant at) {
        db.update(CONVERSATION)
                .set(CONVERSATION.LAST_AT, at)
                .where(CONVERSATION.ID.eq(conversation))
                .execute();
    }

    @Test
    void aDeletedBotIsPurgedWithAllThatIsIts() throws IOException {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        String id = begun(bot);
        byte[] gif = "GIF89a".getBytes(StandardCharsets.US_ASCII);
        String picture = TestData.good(media.keep(bot.id(), "a.gif", gif)).substring("/media/".length());
        bots.delete(bot.id());
        keeping.tidy();
        assertThat(bots.deleted())
                .as("just deleted")
                .anySatisfy((one, at) -> assertThat(one.id()).isEqualTo(bot.id()));
        db.update(BOT)
                .set(BOT.DELETED_AT, Instant.now().minus(Keeping.DELETED).minusSeconds(60))
                .where(BOT.ID.eq(bot.id()))
                .execute();
        keeping.tidy();
        assertThat(db.fetchExists(BOT, BOT.ID.eq(bot.id()))).isFalse();
        assertThatThrownBy(() -> conversations.conversation(id)).isInstanceOf(Missing.class);
        assertThat(media.find(picture)).isEmpty();
        assertThatThrownBy(() -> bots.restore(bot.id())).isInstanceOf(Missing.class);
    }

    /** What a conversation wrote of its visitor into a table goes with it; what others wrote meanwhile stays. */
    @Test
    void rowsThatItSavedNameNobodyAnyMore() {
        String table = tables.add(new Table(
                data.name("callbacks").replace(' ', '-'),
                "Callbacks",
                List.of(),
                List.of(
                        new Column("c1", "Name", Column.Kind.TEXT, ""),
                        new Column("c2", "Email", Column.Kind.EMAIL, ""),
                        new Column("c3", "About", Column.Kind.TEXT, "")),
                List.of(),
                true));
        personal.say(
                table,
                Map.of(
                        "column.0.key",
                        "c1",
                        "column.0.personal",
                        "on",
                        "column.1.key",
                        "c2",
                        "column.1.personal",
                        "on"));
        Bot bot = data.released(TestData.flow("main", """
                {'kind':'question','id':'n','ask':['Name?'],'type':'person_name','variable':'name','exits':{'answered':'step:e'}},
                {'kind':'question','id':'e','ask':['Email?'],'type':'email','variable':'email','exits':{'answered':'step:s'}},
                {'kind':'save_row','id':'s','table':'%s','cells':[{'id':'a','column':'c1','value':'{{name}}'},
                 {'id':'b','column':'c2','value':'{{email}}'},{'id':'c','column':'c3','value':'a tour'}]}""".formatted(table)));
        String first = talk(bot, "Dana Whitlow", "dana@mill.example");
        String second = talk(bot, "Ida Marlow", "ida@mill.example");
        String row = tables.whole(table).rows().getFirst().id();
        TestData.good(tables.changeRows(table, Map.of("cell." + row + ".c2", "desk@mill.example")));
        erasure.erase(first, "");
        assertThat(tables.whole(table).rows())
                .extracting(Row::cells)
                .containsExactlyInAnyOrder(
                        Map.of("c1", "erased", "c2", "desk@mill.example", "c3", "a tour"),
                        Map.of("c1", "Ida Marlow", "c2", "ida@mill.example", "c3", "a tour"));
        assertThat(db.fetch("select cells from data_row_past where row_id = ?", row))
                .isEmpty();
        erasure.erase(second, "");
        assertThat(tables.whole(table).rows()).extracting(Row::cells).contains(Map.of("c1", "erased", "c3", "a tour"));
    }

    private String talk(Bot bot, String... said) {
        String id =
                conversations.begin(bot.id(), "", "", "web", "").orElseThrow().conversation();
        for (String text : said) {
            conversations.say(id, "m" + text.hashCode(), text);
        }
        return id;
    }
}
