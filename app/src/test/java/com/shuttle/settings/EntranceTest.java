package com.shuttle.settings;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.web.MostBytes;
import java.io.ByteArrayInputStream;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** People on a real server: who was removed is out at once, and no way of writing a path leads past the guard. */
@ServerTest
class EntranceTest {

    private static final String PASSWORD = "long-enough-password";

    private final String base;
    private final TestData data;
    private final AccountService accounts;

    EntranceTest(@LocalServerPort int port, TestData data, AccountService accounts) {
        this.base = "http://localhost:" + port;
        this.data = data;
        this.accounts = accounts;
    }

    /** A browser of somebody. */
    private final class Browser {
        final HttpClient http = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .followRedirects(HttpClient.Redirect.NEVER)
                .build();

        HttpResponse<String> get(String path) throws Exception {
            return http.send(HttpRequest.newBuilder(URI.create(base + path)).build(), BodyHandlers.ofString());
        }

        HttpResponse<String> post(String path, String from, String form) throws Exception {
            Matcher token = Pattern.compile("name=\"_?csrf\"[^>]*?(?:value|content)=\"([^\"]+)\"")
                    .matcher(get(from).body());
            assertThat(token.find()).isTrue();
            return http.send(
                    HttpRequest.newBuilder(URI.create(base + path))
                            .header("Content-Type", "application/x-www-form-urlencoded")
                            .POST(BodyPublishers.ofString(form + "&_csrf=" + token.group(1)))
                            .build(),
                    BodyHandlers.ofString());
        }

        HttpResponse<String> signIn(Account account, String password) throws Exception {
            return post(
                    "/sign-in",
                    "/sign-in",
                    "username=" + URLEncoder.encode(account.email(), StandardCharsets.UTF_8) + "&password=" + password);
        }
    }

    @Test
    void whoIsRemovedIsOutAtOnceAndAnotherRoleHoldsAtOnce() throws Exception {
        Account person = data.person(Role.DESIGNER);
        Browser browser = new Browser();
        browser.signIn(person, PASSWORD);
        assertThat(browser.get("/bots").statusCode()).isEqualTo(200);
        TestData.good(accounts.changeRole(person.id(), Role.AGENT));
        assertThat(browser.get("/bots").statusCode()).isEqualTo(403);
        assertThat(browser.get("/inbox").statusCode()).isEqualTo(200);
        TestData.good(accounts.delete(person.id()));
        assertThat(browser.get("/inbox").headers().firstValue("Location"))
                .hasValueSatisfying(to -> assertThat(to).endsWith("/sign-in"));
    }

    @Test
    void aChangedPasswordEndsAllOtherSessions() throws Exception {
        Account person = data.person(Role.AGENT);
        Browser here = new Browser();
        Browser there = new Browser();
        here.signIn(person, PASSWORD);
        there.signIn(person, PASSWORD);
        assertThat(there.get("/inbox").statusCode()).isEqualTo(200);

        here.post("/me/password", "/me", "current=wrong&password=another-long-password");
        assertThat(here.get("/me").body()).contains("That is not the password you have now.");
        assertThat(there.get("/inbox").statusCode()).isEqualTo(200);

        here.post("/me/password", "/me", "current=" + PASSWORD + "&password=another-long-password");
        assertThat(here.get("/me").body()).contains("The password is changed");
        assertThat(there.get("/inbox").statusCode()).isEqualTo(302);
        there.signIn(person, PASSWORD);
        assertThat(there.get("/inbox").statusCode()).isEqualTo(302);
        there.signIn(person, "another-long-password");
        assertThat(there.get("/inbox").statusCode()).isEqualTo(200);
    }

    @Test
    void howeverAPathIsWrittenTheGuardStandsBeforeIt() throws Exception {
        HttpClient http = HttpClient.newHttpClient();
        String large = "a".repeat((int) MostBytes.MESSAGE + 1);
        for (String path :
                new String[] {"/api/v1/chat/vesper/conversations", "/%61pi/v1/ch%61t/vesper/conversations"}) {
            HttpRequest stated = HttpRequest.newBuilder(URI.create(base + path))
                    .header("Content-Type", "application/json")
                    .POST(BodyPublishers.ofString(large))
                    .build();
            assertThat(http.send(stated, BodyHandlers.ofString()).statusCode())
                    .as(path)
                    .isEqualTo(413);
            HttpRequest chunked = HttpRequest.newBuilder(URI.create(base + path))
                    .header("Content-Type", "application/json")
                    .POST(BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(
                            ("{\"page\":\"" + large + "\"}").getBytes(StandardCharsets.UTF_8))))
                    .build();
            assertThat(http.send(chunked, BodyHandlers.ofString()).statusCode())
                    .as(path)
                    .isEqualTo(413);
        }
    }
}
