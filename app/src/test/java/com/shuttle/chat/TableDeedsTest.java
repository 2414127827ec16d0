package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.tables.TableService;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What conversations find in tables and write to them, on a real database. */
@ServerTest
class TableDeedsTest {

    private static final int PLACES = 5;

    private final TestData data;
    private final ConversationService conversations;
    private final TableService tables;

    TableDeedsTest(TestData data, ConversationService conversations, TableService tables) {
        this.data = data;
        this.conversations = conversations;
        this.tables = tables;
    }

    private String courses() {
        return tables.add(new Table(
                data.name("courses").replace(' ', '-'),
                data.name("Courses"),
                List.of(),
                List.of(
                        new Column("c1", "Course", Kind.TEXT, ""),
                        new Column("c2", "Places", Kind.NUMBER, ""),
                        new Column("c3", "Last", Kind.TEXT, "")),
                List.of(new Row("r1", Map.of("c1", "Mirrors", "c2", Integer.toString(PLACES)))),
                true));
    }

    private Bot bot(String table) {
        return bot(
                table,
                "{'kind':'question','id':'q','ask':['Your name?'],'type':'text','variable':'who',"
                        + "'exits':{'answered':'step:take'}},");
    }

    /** @param first the steps before the one that takes a place */
    private Bot bot(String table, String first) {
        String flow = """
                {'format':'shuttle-flow/1','id':'main','name':'Main','phrases':[],'sections':[{'id':'s','title':'','steps':[%s
                {'kind':'save_row','id':'take','table':'%s','key':'c1','cells':[
                 {'id':'c1','column':'c1','value':'Mirrors'},{'id':'c2','column':'c2','how':'take','value':'1'},
                 {'id':'c3','column':'c3','value':'{{who}}'}],'exits':{'saved':'step:left','failed':'step:no'}},
                {'kind':'look_up','id':'left','table':'%s','where':[{'id':'w1','column':'c1','comparison':'is','value':'mirrors'}],
                 'takes':[{'id':'t1','column':'c2','variable':'places','type':'number'}],'exits':{'found':'step:yes','none':'step:no'}},
                {'kind':'message','id':'yes','say':['Taken.']},
                {'kind':'message','id':'no','say':['Sold out.']}]}]}""".replace('\'', '"').formatted(first.replace('\'', '"'), table, table);
        Flow main = FlowJson.readTrusted(flow);
        return data.released(main);
    }

    private List<String> says(String conversation, String text) {
        return switch (conversations.say(conversation, text, text)) {
            case Outcome.Taken(Reply reply) ->
                reply.messages().stream().map(Message::text).toList();
            case Outcome.Refused refused -> List.of(refused.toString());
        };
    }

    private String begin(Bot bot) {
        return conversations.begin(bot.id(), "", "", "web", "").orElseThrow().conversation();
    }

    /** However many come at once, nobody is promised what is not there, and nothing is left over. */
    @Test
    void theLastPlacesAreTakenOnce() throws Exception {
        String table = courses();
        Bot bot = bot(table);
        List<String> ids =
                IntStream.range(0, 3 * PLACES).mapToObj(i -> begin(bot)).toList();
        List<String> heard = new ArrayList<>();
        try (ExecutorService visitors = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<List<String>>> replies = ids.stream()
                    .map(id -> visitors.submit(() -> says(id, "Visitor " + id)))
                    .toList();
            for (Future<List<String>> reply : replies) {
                heard.addAll(reply.get());
            }
        }
        assertThat(heard).filteredOn("Taken."::equals).hasSize(PLACES);
        assertThat(heard).filteredOn("Sold out."::equals).hasSize(2 * PLACES);
        assertThat(tables.whole(table).rows().getFirst().cells()).containsEntry("c2", "0");
    }

    /** Conversations whose first turn already takes a place take turns like any other. */
    @Test
    void whoBeginsOnAContendedRowIsAnswered() throws Exception {
        String table = courses();
        Bot bot = bot(table, "");
        List<String> heard = new ArrayList<>();
        try (ExecutorService visitors = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<ConversationService.Begun>> begun = IntStream.range(0, 40)
                    .mapToObj(i -> visitors.submit(() ->
                            conversations.begin(bot.id(), "", "", "web", "").orElseThrow()))
                    .toList();
            for (Future<ConversationService.Begun> one : begun) {
                one.get().reply().messages().forEach(message -> heard.add(message.text()));
            }
        }
        assertThat(heard).filteredOn("Taken."::equals).hasSize(PLACES);
        assertThat(heard).filteredOn("Sold out."::equals).hasSize(40 - PLACES);
    }

    private static final String BOTH = """
            {'format':'shuttle-flow/1','id':'main','name':'Main','phrases':[],'sections':[{'id':'s','title':'','steps':[
            {'kind':'question','id':'q','ask':['Your name?'],'type':'text','variable':'who','exits':{'answered':'step:one'}},
            {'kind':'save_row','id':'one','table':'%s','cells':[{'id':'c1','column':'c1','value':'{{who}}'}],
             'exits':{'saved':'step:two','failed':'step:no'}},
            {'kind':'save_row','id':'two','table':'%s','cells':[{'id':'c1','column':'c1','value':'{{who}}'}],
             'exits':{'saved':'step:yes','failed':'step:no'}},
            {'kind':'message','id':'yes','say':['Saved.']},{'kind':'message','id':'no','say':['Failed.']}]}]}""".replace('\'', '"');

    /** Two bots that save to the same tables in opposite orders never wait for one another in a circle. */
    @Test
    void oppositeOrdersHinderNobody() throws Exception {
        String one = courses();
        String two = courses();
        List<Bot> bots = List.of(
                data.released(FlowJson.readTrusted(BOTH.formatted(one, two))),
                data.released(FlowJson.readTrusted(BOTH.formatted(two, one))));
        List<String> ids =
                IntStream.range(0, 12).mapToObj(i -> begin(bots.get(i % 2))).toList();
        try (ExecutorService visitors = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<List<String>>> replies = ids.stream()
                    .map(id -> visitors.submit(() -> says(id, "Visitor " + id)))
                    .toList();
            for (Future<List<String>> reply : replies) {
                assertThat(reply.get()).containsExactly("Saved.");
            }
        }
        assertThat(tables.whole(one).rows()).hasSize(13);
        assertThat(tables.whole(two).rows()).hasSize(13);
    }

    @Test
    void aTableThatIsGoneTakesTheExitFailed() {
        String table = courses();
        Bot bot = bot(table);
        String id = begin(bot);
        tables.delete(table);
        assertThat(says(id, "Ida")).containsExactly("Sold out.");
    }
}
