package com.shuttle.services;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.reading.Value;
import com.shuttle.core.service.Kind;
import com.shuttle.core.service.Service;
import com.shuttle.core.service.Service.BodyForm;
import com.shuttle.core.service.Service.Care;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Request;
import com.shuttle.core.service.Service.Result;
import com.shuttle.web.Checked;
import com.shuttle.web.Outgoing;
import com.shuttle.web.Vault;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A secret goes where it was given for, in the way it was given for, and is never shown. */
@ServerTest
class SecretsTest {

    private static final String HOST = "echo.secrets-test";
    private static final String SECRET = "hush/quiet+7";

    private final TestData data;
    private final Catalogue catalogue;
    private final Calls calls;
    private final Outgoing outgoing;
    private final Vault vault;

    SecretsTest(TestData data, Catalogue catalogue, Calls calls, Outgoing outgoing, Vault vault) {
        this.data = data;
        this.catalogue = catalogue;
        this.calls = calls;
        this.outgoing = outgoing;
        this.vault = vault;
    }

    private static <T> T any(Random random, List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    /** Whatever is changed of a connection, in whatever order: the kept secret is the one given for where it now goes. */
    @RepeatedTest(20)
    void aKeptSecretNeverGoesAnotherWay(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Connection.Kind[] kinds = Connection.Kind.values();
        String id = "";
        String given = "";
        for (int i = 0; i < 40; i++) {
            Connection wanted = new Connection(
                    id,
                    data.name("There"),
                    any(random, List.of("https://one.example", "https://two.example")),
                    kinds[random.nextInt(kinds.length)],
                    "caller",
                    any(random, List.of("/token", "https://one.example/token", "https://two.example/token")),
                    "",
                    random.nextInt(3) == 0 ? "secret " + i : "",
                    Instant.EPOCH);
            if (catalogue.keep(wanted) instanceof Checked.Good<String>(String kept)) {
                id = kept;
                Connection now = catalogue.connection(id);
                if (!wanted.secret().isEmpty() && now.hasSecret()) {
                    given = wanted.secret() + " for " + now.goesTo();
                }
                if (now.hasSecret()) {
                    assertThat(vault.open(now.secret()) + " for " + now.goesTo())
                            .isEqualTo(given);
                }
            }
        }
    }

    private static void echo(HttpExchange exchange) throws IOException {
        String query = String.valueOf(exchange.getRequestURI().getRawQuery());
        String echoed = exchange.getRequestURI().getPath().equals("/token")
                ? "{\"access_token\":\"bearer-of-all\",\"expires_in\":600}"
                : "{\"headers\":\"%s\",\"query\":\"%s\",\"coded\":\"%s\"}"
                        .formatted(
                                String.join(
                                        " ",
                                        exchange.getRequestHeaders().values().stream()
                                                .map(values -> String.join(" ", values))
                                                .toList()),
                                query,
                                Base64.getEncoder()
                                        .encodeToString(("key="
                                                        + exchange.getRequestHeaders()
                                                                .getFirst("X-Key"))
                                                .getBytes(StandardCharsets.UTF_8)));
        byte[] body = echoed.getBytes(StandardCharsets.UTF_8);
        exchange.sendResponseHeaders(200, body.length);
        exchange.getResponseBody().write(body);
        exchange.close();
    }

    @ParameterizedTest
    @EnumSource(value = Connection.Kind.class, names = "NONE", mode = EnumSource.Mode.EXCLUDE)
    void aServiceThatEchoesShowsNoSecret(Connection.Kind kind) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", SecretsTest::echo);
        server.start();
        outgoing.lead(HOST);
        try {
            String address = "http://" + HOST + ":" + server.getAddress().getPort();
            String connection = TestData.good(catalogue.connect(
                    new NewConnection(data.name("Echo"), address, kind.key(), "X-Key", "/token", SECRET)));
            List<Output> outputs = List.of(
                    new Output("headers", Kind.TEXT, "/headers", ""), new Output("query", Kind.TEXT, "/query", ""));
            Service service = new Service(
                    "Echo",
                    "",
                    List.of(),
                    new Request("GET", "/echo?a=1", List.of(), BodyForm.NONE, ""),
                    outputs,
                    List.of(new Result("done", "done", "200", "", "")),
                    new Care(5, 1, false));
            Calls.Made made = calls.make(service, connection, Map.<String, Value>of(), "k");
            assertThat(made.result().result()).isEqualTo("done");
            assertThat(made.reply()).contains(SecretMask.MASK);
            assertThat(made.toString())
                    .doesNotContain(SECRET)
                    .doesNotContain("bearer-of-all")
                    .doesNotContain("hush%2Fquiet")
                    .doesNotContain(base64("X-Key:" + SECRET))
                    .doesNotContain(base64("key=" + SECRET));
        } finally {
            server.stop(0);
        }
    }

    private static String base64(String text) {
        return Base64.getEncoder().encodeToString(text.getBytes(StandardCharsets.UTF_8));
    }
}
