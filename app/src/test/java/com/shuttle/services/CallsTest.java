package com.shuttle.services;

import static com.shuttle.TestData.good;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.chat.ErrandRunner.Again;
import com.shuttle.chat.ErrandRunner.Attempt;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.reading.Value;
import com.shuttle.core.service.CallResult;
import com.shuttle.core.service.Kind;
import com.shuttle.core.service.Service;
import com.shuttle.core.service.Service.BodyForm;
import com.shuttle.core.service.Service.Care;
import com.shuttle.core.service.Service.Input;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Request;
import com.shuttle.core.service.Service.Result;
import com.shuttle.standins.CourseBookings;
import com.shuttle.standins.CustomerRecords;
import com.shuttle.standins.HttpStandIn;
import com.shuttle.standins.LoanStock;
import com.shuttle.standins.Mood;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Outgoing;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

/** Calls over real HTTP, with everything that goes wrong with them. */
@ServerTest
class CallsTest {

    private static final Flow FLOW = FlowJson.readTrusted(
            "{\"format\":\"shuttle-flow/1\",\"id\":\"main\",\"name\":\"Main\",\"phrases\":[],\"sections\":[{\"id\":\"s\",\"title\":\"\",\"steps\":["
                    + "{\"kind\":\"message\",\"id\":\"m\",\"say\":[\"Hello.\"]}]}]}");

    private static final String HOST = "records.calls-test";

    private final TestData data;
    private final Catalogue catalogue;
    private final Calls calls;
    private final History history;
    private final Outgoing outgoing;
    private CustomerRecords records;

    CallsTest(TestData data, Catalogue catalogue, Calls calls, History history, Outgoing outgoing) {
        this.data = data;
        this.catalogue = catalogue;
        this.calls = calls;
        this.history = history;
        this.outgoing = outgoing;
    }

    @BeforeEach
    void start() throws IOException {
        records = new CustomerRecords(0);
        records.start();
        outgoing.lead(HOST);
    }

    @AfterEach
    void stop() {
        records.close();
    }

    private static String at(HttpStandIn standIn) {
        return "http://" + HOST + ":" + standIn.port();
    }

    private String connection(String address, String kind, String who, String secret) {
        return good(catalogue.connect(new NewConnection(data.name("There"), address, kind, who, "/token", secret)));
    }

    private static Service customer(Care care) {
        return new Service(
                "Keep a customer",
                "",
                List.of(new Input("name", Kind.TEXT, true, ""), new Input("email", Kind.TEXT, true, "")),
                new Request(
                        "POST", "/customers", List.of(), BodyForm.JSON, "{\"name\":{{name}},\"email\":\"{{email}}\"}"),
                List.of(new Output("number", Kind.TEXT, "/number", "")),
                List.of(new Result("made", "made", "201", "", ""), new Result("there", "there already", "409", "", "")),
                care);
    }

    private String published(Service service, String connection) {
        String id = catalogue.add(service, connection);
        assertThat(catalogue.publish(id, null)).isInstanceOf(Checked.Good.class);
        return id;
    }

    private String records(Care care) {
        return published(customer(care), connection(at(records), "header", "X-Key", CustomerRecords.KEY));
    }

    private String conversation() {
        return data.conversations
                .begin(data.released(FLOW).id(), "", "", "web", "")
                .orElseThrow()
                .conversation();
    }

    private CallResult call(String service, String conversation, int attempt, Map<String, Value> inputs) throws Again {
        Errand.Call errand = new Errand.Call("k1", service, inputs);
        Instant until = Instant.now().plusSeconds(calls.seconds(errand));
        return JsonMapper.shared()
                .treeToValue(calls.run(errand, new Attempt(conversation, attempt, until)), CallResult.class);
    }

    private static Map<String, Value> ada() {
        return Map.of("name", new Value.Text("Ada \"X\" Mill"), "email", new Value.Text(Ids.next() + "@mill.example"));
    }

    @Test
    void whatGoesInArrivesAndWhatComesBackIsTaken() throws Again {
        String service = records(new Care(5, 1, false));
        String conversation = conversation();
        Map<String, Value> ada = ada();
        CallResult made = call(service, conversation, 1, ada);
        assertThat(made).isEqualTo(CallResult.came("made", Map.of("number", new Value.Text("C-1001"))));
        assertThat(records.customers().getFirst().parts()).containsEntry("name", "Ada \"X\" Mill");
        assertThat(call(service, conversation, 1, ada).result()).isEqualTo("there");
        assertThat(history.calls(service))
                .extracting(History.PastCall::result, History.PastCall::status)
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple("made", 201),
                        org.assertj.core.groups.Tuple.tuple("there already", 409));
    }

    @Test
    void inputsThatAreMissingOrOfAnotherKindAreNeverSent() throws Again {
        String service = records(new Care(5, 1, false));
        assertThat(call(service, conversation(), 1, Map.of("name", new Value.Text("Ada")))
                        .why())
                .contains("email");
        assertThat(call(service, conversation(), 1, Map.of("name", new Value.Secret("x"), "email", new Value.Text("y")))
                        .why())
                .contains("name");
        assertThat(records.arrivals()).isEmpty();
        assertThat(call("gone", conversation(), 1, Map.of()).why()).contains("gone");
    }

    @ParameterizedTest
    @CsvSource({
        "FAILING, status 500",
        "NONSENSE, status 200",
        "HUGE, larger than 1 MB",
        "HANGING, in time",
        "LOST, in time"
    })
    void whateverIsWrongThereTheCallHasFailedAndSaysWhy(Mood mood, String why) throws Again {
        String service = records(new Care(1, 1, false));
        records.mood(mood);
        CallResult failed = call(service, conversation(), 1, ada());
        assertThat(failed.hasFailed()).isTrue();
        assertThat(failed.why()).contains(why);
    }

    @Test
    void aReplyOfAnotherKindHasFailed() throws Again {
        Service customer = customer(new Care(5, 1, false));
        Service counted = new Service(
                "Count a customer",
                "",
                customer.inputs(),
                customer.request(),
                List.of(new Output("number", Kind.NUMBER, "/number", "")),
                customer.results(),
                customer.care());
        String service = published(counted, connection(at(records), "header", "X-Key", CustomerRecords.KEY));
        assertThat(call(service, conversation(), 1, ada()))
                .isEqualTo(CallResult.failed("What the reply has at /number is no number."));
    }

    @Test
    void onlyWhatMayBeRepeatedIsSentAgain() throws Again {
        String safe = records(new Care(1, 3, true));
        String conversation = conversation();
        Map<String, Value> ada = ada();
        records.mood(Mood.LOST);
        assertThatThrownBy(() -> call(safe, conversation, 1, ada)).isInstanceOf(Again.class);
        records.mood(Mood.WELL);
        assertThat(call(safe, conversation, 2, ada).result())
                .as("the reply of the first")
                .isEqualTo("made");
        assertThat(records.customers()).hasSize(1);
        assertThat(records.arrivals()).extracting(HttpStandIn.Arrival::key).containsOnly(conversation + "-k1");
        records.mood(Mood.FAILING);
        assertThat(call(safe, conversation(), 3, ada()).hasFailed())
                .as("the last try")
                .isTrue();

        String unsafe = records(new Care(1, 3, false));
        assertThat(call(unsafe, conversation(), 1, ada()).hasFailed()).isTrue();
        int sent = records.arrivals().size();
        assertThat(call(unsafe, conversation(), 2, ada()).why()).contains("not known whether");
        assertThat(records.arrivals()).hasSize(sent);
    }

    @Test
    void nothingThereAndNothingAllowedIsSaid() throws Exception {
        int free;
        try (ServerSocket socket = new ServerSocket(0)) {
            free = socket.getLocalPort();
        }
        Care once = new Care(2, 1, false);
        String down = published(customer(once), connection("http://" + HOST + ":" + free, "none", "", ""));
        assertThat(call(down, conversation(), 1, ada()).why()).isEqualTo("Nothing answers there.");
        String inside = published(customer(once), connection("http://localhost:" + records.port(), "none", "", ""));
        assertThat(call(inside, conversation(), 1, ada()).why()).contains("own network");
        String nowhere = published(customer(once), connection("http://nowhere.invalid", "none", "", ""));
        assertThat(call(nowhere, conversation(), 1, ada()).why()).isEqualTo("There is no such host.");
        assertThat(records.arrivals()).isEmpty();
    }

    /** A key is not brought where a service sends its callers. */
    @Test
    void redirectsAreNotFollowed() throws Exception {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            exchange.getResponseHeaders().add("Location", "http://localhost:" + records.port() + "/customers");
            exchange.sendResponseHeaders(307, -1);
            exchange.close();
        });
        server.start();
        try {
            String address = "http://" + HOST + ":" + server.getAddress().getPort();
            String service =
                    published(customer(new Care(2, 1, false)), connection(address, "header", "X-Key", "secret"));
            assertThat(call(service, conversation(), 1, ada()).why()).contains("status 307");
            assertThat(records.arrivals()).isEmpty();
        } finally {
            server.stop(0);
        }
    }

    @Test
    void tokensAreRenewedWhenTheyAreUsedUp() throws Exception {
        CourseBookings courses = new CourseBookings(0);
        courses.start();
        try {
            String connection = connection(at(courses), "oauth", CourseBookings.CLIENT, CourseBookings.SECRET);
            Request request = new Request("GET", "/courses", List.of(), BodyForm.NONE, "");
            List<Output> outputs = List.of(new Output("courses", Kind.LIST, "/courses", ""));
            List<Result> results = List.of(new Result("done", "done", "2xx", "", ""));
            String service = published(
                    new Service("List", "", List.of(), request, outputs, results, new Care(5, 1, false)), connection);
            String conversation = conversation();
            for (int i = 0; i < 25; i++) {
                assertThat(call(service, conversation, 1, Map.of()).outputs()).containsKey("courses");
            }
            assertThat(courses.arrivals())
                    .filteredOn(arrival -> arrival.path().equals("/token"))
                    .hasSize(2);
            String wrong = connection(at(courses), "oauth", CourseBookings.CLIENT, "wrong");
            String refused = published(
                    new Service("List", "", List.of(), request, outputs, results, new Care(5, 1, false)), wrong);
            assertThat(call(refused, conversation, 1, Map.of()).why()).contains("No token");
        } finally {
            courses.close();
        }
    }

    @Test
    void formsAndPasswordsAreSentAndSecretsNeverShown() throws Exception {
        LoanStock stock = new LoanStock(0);
        stock.start();
        try {
            String connection = connection(at(stock), "basic", LoanStock.NAME, LoanStock.PASSWORD);
            Service lend = new Service(
                    "Lend",
                    "",
                    List.of(new Input("model", Kind.TEXT, true, "")),
                    new Request("POST", "/loans", List.of(), BodyForm.FORM, "model={{model}}"),
                    List.of(new Output("reference", Kind.TEXT, "/reference", "")),
                    List.of(
                            new Result("lent", "lent", "200", "/state", "lent"),
                            new Result("none", "none free", "200", "/state", "none free")),
                    new Care(5, 1, false));
            Map<String, Value> finch = Map.of("model", new Value.Text("Finch 70"));
            Calls.Made lent = calls.make(lend, connection, finch, "k");
            assertThat(lent.result().result()).isEqualTo("lent");
            assertThat(lent.request()).contains("Authorization: •••••").doesNotContain(LoanStock.PASSWORD);
            assertThat(calls.make(lend, connection, finch, "k2").result().result())
                    .isEqualTo("none");
            Connection kept = catalogue.connection(connection);
            assertThat(kept.secret()).isNotEmpty().doesNotContain(LoanStock.PASSWORD);
            Connection moved = new Connection(
                    kept.id(),
                    kept.name(),
                    "http://elsewhere.example",
                    kept.kind(),
                    kept.who(),
                    "",
                    "",
                    "",
                    kept.updatedAt());
            assertThat(catalogue.keep(moved))
                    .as("another address needs the secret anew")
                    .isInstanceOf(Checked.Bad.class);
        } finally {
            stock.close();
        }
    }

    /** For the call and its token, and both once more: what is being written meanwhile changes nothing of it. */
    @Test
    void aCallHasTheTimeOfWhatIsPublished() {
        String service = records(new Care(20, 1, false));
        Errand.Call errand = new Errand.Call("k1", service, Map.of());
        StoredService stored = catalogue.service(service);
        good(catalogue.save(service, customer(new Care(1, 1, false)), stored.connection()));
        assertThat(calls.seconds(errand)).isEqualTo(2 * (20 + Tokens.SECONDS));
        good(catalogue.publish(service, null));
        assertThat(calls.seconds(errand)).isEqualTo(2 * (1 + Tokens.SECONDS));
    }

    @Test
    void botsCallWhatIsPublishedWhateverIsDrafted() throws Again {
        String service = records(new Care(5, 1, false));
        StoredService stored = catalogue.service(service);
        Service draft = new Service(
                "Changed",
                "",
                List.of(),
                new Request("GET", "no path", List.of(), BodyForm.NONE, ""),
                List.of(),
                List.of(),
                stored.draft().care());
        good(catalogue.save(service, draft, stored.connection()));
        assertThat(catalogue.publish(service, null)).isInstanceOf(Checked.Bad.class);
        assertThat(catalogue.takenAway(catalogue.service(service)))
                .containsExactly(
                        "the input name",
                        "the input email",
                        "the output number",
                        "the result made",
                        "the result there already");
        assertThat(call(service, conversation(), 1, ada()).result()).isEqualTo("made");
        catalogue.draftFrom(service, 1);
        assertThat(catalogue.service(service).changed()).isFalse();
        catalogue.delete(service);
        assertThat(call(service, conversation(), 1, ada()).why()).contains("gone");
        catalogue.bringBack(service);
        assertThat(call(service, conversation(), 1, ada()).result()).isEqualTo("made");
    }
}
