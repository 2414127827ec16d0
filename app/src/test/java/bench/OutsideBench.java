package bench;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.chat.LiveHub;
import com.shuttle.core.bench.Figure;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.service.Service;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.releases.ReleaseService;
import com.shuttle.services.Catalogue;
import com.shuttle.services.NewConnection;
import com.shuttle.standins.CourseBookings;
import com.shuttle.standins.CustomerRecords;
import com.shuttle.standins.Mood;
import com.shuttle.tables.TableService;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Outgoing;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.LongAdder;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * Tables and services under load, within one server: look-ups beside the plain statement, bringing in many rows, turns with a
 * service call beside the bare call, and chat turns while services hang.
 */
public final class OutsideBench {

    private static final int AT_ONCE = 64;
    private static final String TABLES = "Tables of three columns, conditions on two";
    private static final String SERVICES = "Services, " + AT_ONCE + " at once";
    private static final int HANGING = 200;
    private static final long ROUND_NANOS = 6_000_000_000L;

    private final ConfigurableApplicationContext server;
    private final TableService tables;
    private final ConversationService conversations;
    private final LiveHub hub;

    private OutsideBench(ConfigurableApplicationContext server) {
        this.server = server;
        this.tables = server.getBean(TableService.class);
        this.conversations = server.getBean(ConversationService.class);
        this.hub = server.getBean(LiveHub.class);
    }

    public static void main(String[] args) throws Exception {
        try (ConfigurableApplicationContext server = ServerWithin.start()) {
            OutsideBench bench = new OutsideBench(server);
            bench.lookUps(1_000);
            bench.lookUps(100_000);
            bench.calls();
        }
        System.exit(0);
    }

    // Tables

    private void lookUps(int rows) {
        List<Column> columns = List.of(
                new Column("c1", "Name", Column.Kind.TEXT, ""),
                new Column("c2", "Kind", Column.Kind.TEXT, ""),
                new Column("c3", "Places", Column.Kind.NUMBER, ""));
        List<Row> all = IntStream.range(0, rows)
                .mapToObj(i -> new Row(
                        "r" + i, Map.of("c1", "Thing " + i, "c2", "kind " + i % 50, "c3", Integer.toString(i % 97))))
                .toList();
        long begun = System.nanoTime();
        String id = tables.add(new Table("things-" + rows, "Things " + rows, List.of(), columns, all, true));
        Figure.of(TABLES, "bringing in %,d rows".formatted(rows), (System.nanoTime() - begun) / 1e9, "s")
                .tell();
        JdbcTemplate plain = server.getBean(JdbcTemplate.class);
        String sql =
                "select r.id, r.cells from data_cell a join data_cell b on b.table_id = a.table_id and b.row_id = a.row_id"
                        + " join data_row r on r.table_id = a.table_id and r.id = a.row_id where a.table_id = ?"
                        + " and a.column_key = 'c1' and a.low = ? and b.column_key = 'c3' and b.figure >= ?"
                        + " order by r.ordinal, r.id limit 5";
        Consumer<Integer> lookUp = n -> tables.find(new Query.Rows(
                id,
                List.of(
                        new Query.Rows.Filter("c1", Comparison.IS, "thing " + n % rows),
                        new Query.Rows.Filter("c3", Comparison.AT_LEAST, "0")),
                "",
                false,
                5));
        Consumer<Integer> statement = n -> plain.queryForList(sql, id, "thing " + n % rows, 0.0);
        rate(1, lookUp);
        rate(1, statement);
        double own = rate(1, lookUp);
        double bare = rate(1, statement);
        Figure.of(TABLES, "look-ups in %,d rows beside the statement".formatted(rows), own, "/s")
                .beside(bare)
                .ratioAtLeast(0.33)
                .tell();
    }

    // Services

    private void calls() throws Exception {
        CustomerRecords records = new CustomerRecords(0);
        records.start();
        CourseBookings hanging = new CourseBookings(0);
        hanging.start();
        Outgoing outgoing = server.getBean(Outgoing.class);
        outgoing.lead("records.bench");
        String path = "/customers?email=nobody@mill.example";
        Bot caller = bot(service("http://records.bench:" + records.port(), path));
        Bot stuck = bot(service("http://records.bench:" + hanging.port(), "/courses"));
        List<String> talks = begun(caller, AT_ONCE);
        rate(AT_ONCE, n -> turn(talks.get(n % AT_ONCE)));
        double turns = rate(AT_ONCE, n -> turn(talks.get(n % AT_ONCE)));
        HttpClient http = HttpClient.newHttpClient();
        HttpRequest bare = HttpRequest.newBuilder(URI.create("http://localhost:" + records.port() + path))
                .header("X-Key", CustomerRecords.KEY)
                .build();
        double calls = rate(AT_ONCE, n -> {
            try {
                http.send(bare, BodyHandlers.discarding());
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
        Figure.of(SERVICES, "turns with a call beside the bare call", turns, "/s")
                .beside(calls)
                .ratioAtLeast(0.5)
                .tell();
        Bot plain = bot("");
        List<String> chats = begun(plain, AT_ONCE);
        rate(AT_ONCE, n -> say(chats.get(n % AT_ONCE)));
        double free = rate(AT_ONCE, n -> say(chats.get(n % AT_ONCE)));
        hanging.mood(Mood.HANGING);
        begun(stuck, HANGING).forEach(this::say);
        TimeUnit.SECONDS.sleep(1);
        double beside = rate(AT_ONCE, n -> say(chats.get(n % AT_ONCE)));
        Figure.of(SERVICES, "chat turns with %d hanging calls beside none".formatted(HANGING), beside, "/s")
                .beside(free)
                .ratioAtLeast(0.9)
                .tell();
    }

    private String service(String address, String path) {
        Catalogue catalogue = server.getBean(Catalogue.class);
        String connection = good(
                catalogue.connect(new NewConnection(address, address, "header", "X-Key", "", CustomerRecords.KEY)));
        Service named = Service.named(path);
        String id = catalogue.add(
                new Service(
                        path,
                        "",
                        List.of(),
                        new Service.Request("GET", path, List.of(), Service.BodyForm.NONE, ""),
                        List.of(),
                        named.results(),
                        new Service.Care(60, 1, false)),
                connection);
        good(catalogue.publish(id, null));
        return id;
    }

    /** A bot that asks for a word and, where there is a service, calls it with each. */
    private Bot bot(String service) {
        String next = service.isEmpty() ? "q" : "c";
        String flow =
                "{'format':'shuttle-flow/1','id':'main','name':'Main','phrases':[],'sections':[{'id':'s','title':'','steps':["
                        + "{'kind':'question','id':'q','ask':['A word?'],'type':'text','variable':'word','skipWhenKnown':false,"
                        + "'exits':{'answered':'step:" + next + "'}},"
                        + "{'kind':'call_service','id':'c','service':'" + service
                        + "','results':[{'id':'r1','result':'done','name':'done'}],"
                        + "'exits':{'result:r1':'step:q','failed':'step:q'}}]}]}";
        BotService bots = server.getBean(BotService.class);
        Bot bot = good(bots.create("Bench " + Ids.next(), "GB", null));
        bots.putFlow(bot.id(), FlowJson.readTrusted(flow.replace('\'', '"')), "bench", null);
        good(server.getBean(ReleaseService.class).release(bot.id(), "", null));
        return bot;
    }

    private List<String> begun(Bot bot, int many) {
        return IntStream.range(0, many)
                .mapToObj(i -> conversations
                        .begin(bot.id(), "", "", "web", "")
                        .orElseThrow()
                        .conversation())
                .toList();
    }

    private void say(String conversation) {
        conversations.say(conversation, Ids.next(), "word");
    }

    /** A turn, and what comes of the call that it makes. */
    private void turn(String conversation) {
        Semaphore news = new Semaphore(0);
        try (LiveHub.Watch _ = hub.watch(LiveHub.conversation(conversation), news::release)) {
            say(conversation);
            while (conversations.state(conversation).awaiting() instanceof Awaiting.Called) {
                news.acquireUninterruptibly();
                news.drainPermits();
            }
        }
    }

    private static <T> T good(Checked<T> checked) {
        if (checked instanceof Checked.Good<T>(T value)) {
            return value;
        }
        throw new IllegalStateException(checked.toString());
    }

    /** How often a second something is done by so many at once; each is given numbers of its own. */
    private static double rate(int atOnce, Consumer<Integer> act) {
        LongAdder done = new LongAdder();
        long end = System.nanoTime() + ROUND_NANOS;
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Runnable> work = new ArrayList<>();
            for (int i = 0; i < atOnce; i++) {
                int first = i;
                work.add(() -> {
                    for (int n = first; System.nanoTime() < end; n += atOnce) {
                        act.accept(n);
                        done.increment();
                    }
                });
            }
            for (Future<?> one : work.stream().map(threads::submit).toList()) {
                one.get();
            }
        } catch (InterruptedException | ExecutionException e) {
            throw new IllegalStateException(e);
        }
        return done.sum() / (ROUND_NANOS / 1e9);
    }
}
