package com.shuttle.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Base64;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The services that the demo and the tests meet, over real HTTP and SMTP. */
class StandInsTest {

    private final HttpClient http = HttpClient.newHttpClient();

    private HttpResponse<String> send(HttpStandIn to, String method, String path, String body, String... headers)
            throws Exception {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://localhost:" + to.port() + path))
                .method(method, body.isEmpty() ? BodyPublishers.noBody() : BodyPublishers.ofString(body));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return http.send(request.build(), BodyHandlers.ofString());
    }

    @Test
    void customersAreMadeOnceFoundAndChanged() throws Exception {
        try (CustomerRecords records = new CustomerRecords(0)) {
            records.start();
            String ada = "{\"name\":\"Ada\",\"email\":\"ada@mill.example\"}";
            assertThat(send(records, "POST", "/customers", ada).statusCode()).isEqualTo(401);
            String[] key = {"X-Key", CustomerRecords.KEY, "Idempotency-Key", "k1"};
            assertThat(send(records, "POST", "/customers", ada, key).statusCode())
                    .isEqualTo(201);
            assertThat(send(records, "POST", "/customers", ada, key).statusCode())
                    .as("the same call again")
                    .isEqualTo(201);
            assertThat(send(records, "POST", "/customers", ada, "X-Key", CustomerRecords.KEY)
                            .statusCode())
                    .isEqualTo(409);
            assertThat(records.customers()).hasSize(1);
            String changed = send(
                            records, "PATCH", "/customers/C-1001", "{\"phone\":\"123\"}", "X-Key", CustomerRecords.KEY)
                    .body();
            assertThat(changed).contains("\"phone\":\"123\"").contains("Ada");
            assertThat(send(records, "GET", "/customers?email=ADA@mill.example", "", "X-Key", CustomerRecords.KEY)
                            .body())
                    .contains("\"count\":1");
        }
    }

    /** No number is given twice, and a call that is repeated after a restart gets its reply of then. */
    @Test
    void whatTheyAreToldIsKnownAfterARestart(@TempDir Path folder) throws Exception {
        String[] first = {"X-Key", CustomerRecords.KEY, "Idempotency-Key", "k1"};
        String ada = "{\"name\":\"Ada\",\"email\":\"ada@mill.example\"}";
        for (int start = 0; start < 2; start++) {
            try (CustomerRecords records = new CustomerRecords(0)) {
                records.keepIn(folder);
                records.start();
                assertThat(send(records, "POST", "/customers", ada, first).body())
                        .contains("C-1001");
                String other = "{\"name\":\"Bo\",\"email\":\"bo" + start + "@mill.example\"}";
                assertThat(send(records, "POST", "/customers", other, "X-Key", CustomerRecords.KEY)
                                .body())
                        .contains("C-100" + (start + 2));
            }
        }
        for (int start = 0; start < 2; start++) {
            try (LoanStock stock = new LoanStock(0)) {
                stock.keepIn(folder);
                stock.start();
                String in = "Basic "
                        + Base64.getEncoder()
                                .encodeToString(
                                        (LoanStock.NAME + ":" + LoanStock.PASSWORD).getBytes(StandardCharsets.UTF_8));
                assertThat(send(stock, "POST", "/loans", "model=Finch+70", "Authorization", in)
                                .body())
                        .contains(start == 0 ? "L-501" : "none free");
            }
        }
    }

    @Test
    void aPageShowsWhatArrivedEscapedAndSwitchesTheMood() throws Exception {
        try (CustomerRecords records = new CustomerRecords(0)) {
            records.start();
            send(
                    records,
                    "POST",
                    "/customers",
                    "{\"name\":\"<script>\",\"email\":\"x\"}",
                    "X-Key",
                    CustomerRecords.KEY);
            assertThat(send(records, "GET", "/", "").body())
                    .contains("&lt;script&gt;")
                    .doesNotContain("<script>");
            send(records, "POST", "/mood", "mood=failing");
            assertThat(records.mood()).isEqualTo(Mood.FAILING);
            assertThat(send(records, "GET", "/customers", "").statusCode()).isEqualTo(500);
            assertThat(send(records, "GET", "/", "").statusCode()).isEqualTo(200);
        }
    }

    @Test
    void aCodeComesByMailAndIsTriedThreeTimes() throws Exception {
        try (MailServer mail = new MailServer(0);
                IdentityCheck identity = new IdentityCheck(mail, 0)) {
            identity.start();
            String key = "?key=" + IdentityCheck.KEY;
            send(identity, "POST", "/codes" + key, "{\"email\":\"ada@mill.example\"}");
            String code = identity.codeFor("ada@mill.example");
            assertThat(mail.mails()).hasSize(1);
            assertThat(mail.mails().getFirst().text()).contains(code);
            assertThat(send(identity, "POST", "/codes/Q1" + key, "{\"code\":\"1\"}")
                            .body())
                    .contains("wrong");
            assertThat(send(identity, "POST", "/codes/Q1" + key, "{\"code\":\"2\"}")
                            .body())
                    .contains("wrong");
            assertThat(send(identity, "POST", "/codes/Q1" + key, "{\"code\":\"" + code + "\"}")
                            .body())
                    .contains("right");
            assertThat(send(identity, "POST", "/codes/Q1" + key, "{\"code\":\"" + code + "\"}")
                            .body())
                    .contains("over");
            assertThat(send(identity, "POST", "/codes", "{\"email\":\"a@b\"}").statusCode())
                    .isEqualTo(403);
        }
    }

    @Test
    void aMailServerThatWasAwayComesBackWithItsMail() throws Exception {
        try (MailServer mail = new MailServer(0);
                IdentityCheck identity = new IdentityCheck(mail, 0)) {
            identity.start();
            String codes = "/codes?key=" + IdentityCheck.KEY;
            send(identity, "POST", codes, "{\"email\":\"ada@mill.example\"}");
            int port = mail.port();
            mail.up(false);
            assertThat(mail.up()).isFalse();
            mail.up(true);
            assertThat(mail.port()).isEqualTo(port);
            send(identity, "POST", codes, "{\"email\":\"bea@mill.example\"}");
            assertThat(mail.mails()).hasSize(2);
        }
    }
}
