package com.shuttle.hostile;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.chat.ConversationService.Begun;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.hostile.HostileRequests.Call;
import com.shuttle.settings.Account;
import com.shuttle.settings.Role;
import com.shuttle.tables.TableService;
import java.io.IOException;
import java.net.CookieManager;
import java.net.InetAddress;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Semaphore;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.web.context.WebApplicationContext;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every route is sent everything that nobody should send. None answers with an error of the server's or tells of its inside. */
@ServerTest
class HostileRequestsTest {

    private static final Pattern INSIDE =
            Pattern.compile("\\bat com\\.shuttle\\.|\\bat java\\.|Exception: |org\\.h2\\.|org\\.jooq\\.");

    private static final Semaphore AT_ONCE = new Semaphore(6);

    private final String base;
    private final RequestMappingHandlerMapping mapping;
    private final TestData data;
    private final TableService tables;
    /** From an address of its own, so that what others do from theirs is not counted together. */
    private final HttpClient http = HttpClient.newBuilder()
            .localAddress(InetAddress.ofLiteral("127.0.0.2"))
            .cookieHandler(new CookieManager())
            .followRedirects(HttpClient.Redirect.NEVER)
            .build();

    HostileRequestsTest(@LocalServerPort int port, WebApplicationContext context, TestData data, TableService tables) {
        this.base = "http://127.0.0.1:" + port;
        this.mapping = context.getBean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class);
        this.data = data;
        this.tables = tables;
    }

    private HttpResponse<String> send(HttpRequest.Builder request) throws IOException, InterruptedException {
        return http.send(request.timeout(Duration.ofSeconds(60)).build(), BodyHandlers.ofString());
    }

    private String token(String path) throws IOException, InterruptedException {
        Matcher found = Pattern.compile("name=\"(?:_csrf|csrf)\"[^>]*?(?:value|content)=\"([^\"]+)\"")
                .matcher(send(HttpRequest.newBuilder(URI.create(base + path))).body());
        assertThat(found.find()).as("token of " + path).isTrue();
        return found.group(1);
    }

    private String signIn(String email) throws IOException, InterruptedException {
        String form = "username=" + URLEncoder.encode(email, StandardCharsets.UTF_8)
                + "&password=long-enough-password&_csrf=" + token("/sign-in");
        send(HttpRequest.newBuilder(URI.create(base + "/sign-in"))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString(form)));
        return token("/bots");
    }

    @Test
    void noRouteBreaks() throws Exception {
        Account person = data.person(Role.ADMINISTRATOR);
        String csrf = signIn(person.email());
        String program = data.accounts.createToken(person.id(), "walk");
        Bot bot = data.released(
                FlowJson.readTrusted(
                        "{\"format\":\"shuttle-flow/1\",\"id\":\"main\",\"name\":\"Main\",\"phrases\":[],\"sections\":[{\"id\":\"s\",\"title\":\"\","
                                + "\"steps\":[{\"kind\":\"question\",\"id\":\"q\",\"ask\":[\"Who?\"],\"type\":\"file\",\"variable\":\"f\"}]}]}"));
        String collection = data.collectionOf(bot, "Is it so?", "It is.");
        String table = TestData.good(tables.create(data.name("Table")));
        Begun begun = data.conversations.begin(bot.id(), "", "", "web", "").orElseThrow();
        Map<String, String> known = Map.of(
                "/bots/{id}", bot.id(),
                "/knowledge/{id}", collection,
                "/tables/{table}", table,
                "/inbox/{id}", begun.conversation(),
                "/api/v1/chat/conversations/{id}", begun.conversation(),
                "/chat/{slug}", bot.slug(),
                "/api/v1/collections/{id}", collection);
        HostileRequests.Known there = (pattern, name) -> name.equals("flow")
                ? "main"
                : known.entrySet().stream()
                        .filter(entry -> pattern.startsWith(entry.getKey())
                                && entry.getKey().endsWith("{" + name + "}"))
                        .map(Map.Entry::getValue)
                        .findFirst()
                        .orElse("x");
        Map<String, List<String>> found = new TreeMap<>();
        int calls = 0;
        for (var route : mapping.getHandlerMethods().entrySet().stream()
                .sorted(Comparator.comparing(entry -> takesAway(entry.getKey().toString())))
                .toList()) {
            List<Call> all = HostileRequests.of(route.getKey(), route.getValue(), there).stream()
                    .filter(call ->
                            !call.path().endsWith("/stream") && !call.path().endsWith("/import/page"))
                    .toList();
            calls += all.size();
            List<CompletableFuture<String>> answers = all.stream()
                    .map(call -> answered(call, csrf, call.path().startsWith("/api/v1/chat") ? begun.token() : program))
                    .toList();
            List<String> wrong = answers.stream()
                    .map(CompletableFuture::join)
                    .filter(fault -> !fault.isEmpty())
                    .toList();
            if (!wrong.isEmpty()) {
                found.put(route.getKey().toString(), wrong.size() > 6 ? wrong.subList(0, 6) : wrong);
            }
        }
        assertThat(calls).isGreaterThan(8_000);
        assertThat(found).isEmpty();
    }

    /** What is wrong with the answer to a call; empty for nothing. */
    private CompletableFuture<String> answered(Call call, String csrf, String bearer) {
        AT_ONCE.acquireUninterruptibly();
        HttpRequest request =
                request(call, csrf, bearer).timeout(Duration.ofSeconds(60)).build();
        return http.sendAsync(request, BodyHandlers.ofString())
                .whenComplete((answer, failure) -> AT_ONCE.release())
                .thenApply(answer -> answer.statusCode() >= 500
                                || INSIDE.matcher(answer.body()).find()
                        ? answer.statusCode() + " " + call.what()
                        : "");
    }

    /** What takes away what the others need comes last. */
    private static boolean takesAway(String route) {
        return route.contains("delete") || route.contains("archive") || route.contains("end");
    }

    private HttpRequest.Builder request(Call call, String csrf, String bearer) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + call.path()))
                .header("X-CSRF-TOKEN", csrf)
                .header("Authorization", "Bearer " + bearer);
        if (!call.type().isEmpty()) {
            request.header("Content-Type", call.type());
        }
        return request.method(
                call.method().name(),
                call.body().length == 0 ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(call.body()));
    }
}
