package com.shuttle.hostile;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.chat.ConversationService.Begun;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.hostile.HostileRequests.Call;
import com.shuttle.panel.Sites;
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
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Semaphore;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.context.WebApplicationContext;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every route is sent everything that nobody should send. None answers with an error of the server's or tells of its inside. */
@ServerTest
class HostileRequestsTest {

    private static final Pattern INSIDE =
            Pattern.compile("\\bat com\\.shuttle\\.|\\bat java\\.|Exception: |org\\.h2\\.|org\\.jooq\\.");

    private static final String ORIGIN = "https://walk.example";

    private static final String NO_BODY = "Content-Length: 0\r\n\r\n";

    private static final String FLOW =
            "{\"format\":\"shuttle-flow/1\",\"id\":\"main\",\"name\":\"Main\",\"phrases\":[],\"sections\":[{\"id\":\"s\",\"title\":\"\","
                    + "\"steps\":[{\"kind\":\"question\",\"id\":\"q\",\"ask\":[\"Who?\"],\"type\":\"file\",\"variable\":\"f\"}]}]}";

    private static final Semaphore AT_ONCE = new Semaphore(6);

    /** Each visit comes from an address of its own, so that what is done from one is not counted with the others. */
    private static final AtomicInteger ADDRESSES = new AtomicInteger(2);

    private final int port;
    private final String base;
    private final RequestMappingHandlerMapping mapping;
    private final TestData data;
    private final TableService tables;
    private final Sites sites;

    HostileRequestsTest(
            @LocalServerPort int port, WebApplicationContext context, TestData data, TableService tables, Sites sites) {
        this.port = port;
        this.base = "http://127.0.0.1:" + port;
        this.mapping = context.getBean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class);
        this.data = data;
        this.tables = tables;
        this.sites = sites;
    }

    /** Somebody who is signed in, with one of everything that routes are about. */
    private final class Visit {
        private final InetAddress address = InetAddress.ofLiteral("127.0.0." + ADDRESSES.getAndIncrement());
        private final CookieManager cookies = new CookieManager();
        private final HttpClient http = HttpClient.newBuilder()
                .localAddress(address)
                .cookieHandler(cookies)
                .followRedirects(HttpClient.Redirect.NEVER)
                .build();
        private final RawRequest raw = new RawRequest(port, address);
        private final String csrf;
        private final String program;
        private final Begun begun;
        private final HostileRequests.Known there;

        Visit() throws IOException, InterruptedException {
            Account person = data.person(Role.ADMINISTRATOR);
            csrf = signIn(person.email());
            program = data.accounts.createToken(person.id(), "walk");
            Bot bot = data.released(FlowJson.readTrusted(FLOW));
            String collection = data.collectionOf(bot, "Is it so?", "It is.");
            String table = TestData.good(tables.create(data.name("Table")));
            String site = TestData.good(sites.keep("", data.name("Site"), ORIGIN, List.of(bot.id())))
                    .id();
            begun = data.conversations.begin(bot.id(), "", "", "web", "").orElseThrow();
            Map<String, String> known = Map.of(
                    "/bots/{id}",
                    bot.id(),
                    "/knowledge/{id}",
                    collection,
                    "/tables/{table}",
                    table,
                    "/inbox/{id}",
                    begun.conversation(),
                    "/api/v1/chat/conversations/{id}",
                    begun.conversation(),
                    "/chat/{slug}",
                    bot.slug(),
                    "/api/v1/panel/{site}",
                    site,
                    "/api/v1/collections/{id}",
                    collection);
            there = (pattern, name) -> name.equals("flow")
                    ? "main"
                    : known.entrySet().stream()
                            .filter(entry -> pattern.startsWith(entry.getKey())
                                    && entry.getKey().endsWith("{" + name + "}"))
                            .map(Map.Entry::getValue)
                            .findFirst()
                            .orElse("x");
        }

        private String got(String path) throws IOException, InterruptedException {
            return http.send(HttpRequest.newBuilder(URI.create(base + path)).build(), BodyHandlers.ofString())
                    .body();
        }

        private String token(String path) throws IOException, InterruptedException {
            Matcher found = Pattern.compile("name=\"(?:_csrf|csrf)\"[^>]*?(?:value|content)=\"([^\"]+)\"")
                    .matcher(got(path));
            assertThat(found.find()).as("token of " + path).isTrue();
            return found.group(1);
        }

        private String signIn(String email) throws IOException, InterruptedException {
            String form = "username=" + URLEncoder.encode(email, StandardCharsets.UTF_8)
                    + "&password=long-enough-password&_csrf=" + token("/sign-in");
            HttpRequest request = HttpRequest.newBuilder(URI.create(base + "/sign-in"))
                    .header("Content-Type", "application/x-www-form-urlencoded")
                    .POST(BodyPublishers.ofString(form))
                    .build();
            http.send(request, BodyHandlers.discarding());
            return token("/bots");
        }

        private String bearer(String path) {
            return path.startsWith("/api/v1/chat") ? begun.token() : program;
        }

        /** The path of a route to what there is. */
        private String path(String pattern) {
            return HostileRequests.path(pattern, there, "", "");
        }

        /** What is wrong with the answer to a call; empty for nothing. */
        private CompletableFuture<String> answered(Call call) {
            AT_ONCE.acquireUninterruptibly();
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + call.path()))
                    .timeout(Duration.ofSeconds(60))
                    .header("X-CSRF-TOKEN", csrf)
                    .header("Origin", ORIGIN)
                    .header("Authorization", "Bearer " + bearer(call.path()));
            if (!call.type().isEmpty()) {
                request.header("Content-Type", call.type());
            }
            HttpRequest whole = request.method(
                            call.method().name(),
                            call.body().length == 0 ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(call.body()))
                    .build();
            return http.sendAsync(whole, BodyHandlers.ofString())
                    .whenComplete((answer, failure) -> AT_ONCE.release())
                    .thenApply(answer -> answer.statusCode() >= 500
                                    || INSIDE.matcher(answer.body()).find()
                            ? answer.statusCode() + " " + call.what()
                            : "");
        }

        /** The head of what is answered to a request that no client would send. */
        private String raw(String method, String path, String host, String rest) throws IOException {
            String sent = cookies.getCookieStore().getCookies().stream()
                    .map(cookie -> cookie.getName() + "=" + cookie.getValue())
                    .collect(Collectors.joining("; "));
            String headers = "Content-Type: application/json\r\nX-CSRF-TOKEN: " + csrf + "\r\nAuthorization: Bearer "
                    + bearer(path) + "\r\nCookie: " + sent + "\r\n";
            return raw.send(method, path, host, headers + rest);
        }
    }

    /** What takes away what the others need comes last; what never ends has a test of its own. */
    private List<Map.Entry<RequestMappingInfo, HandlerMethod>> routes() {
        return mapping.getHandlerMethods().entrySet().stream()
                .filter(entry -> !entry.getKey().toString().contains("/stream"))
                .sorted(Comparator.comparing(entry -> takesAway(entry.getKey().toString())))
                .toList();
    }

    /** Sends all of it, and collects by route what is answered wrongly. */
    private int walk(HostileRequests requests, Map<String, List<String>> found) throws Exception {
        Visit visit = new Visit();
        int calls = 0;
        for (var route : routes()) {
            List<Call> all = requests.of(route.getKey(), route.getValue(), visit.there);
            calls += all.size();
            List<CompletableFuture<String>> answers =
                    all.stream().map(visit::answered).toList();
            List<String> wrong = answers.stream()
                    .map(CompletableFuture::join)
                    .filter(fault -> !fault.isEmpty())
                    .toList();
            if (!wrong.isEmpty()) {
                found.put(route.getKey().toString(), wrong.size() > 6 ? wrong.subList(0, 6) : wrong);
            }
        }
        return calls;
    }

    @Test
    void noRouteBreaks() throws Exception {
        Map<String, List<String>> found = new TreeMap<>();
        assertThat(walk(new HostileRequests(KeptValues.all(), false), found)).isGreaterThan(4_000);
        assertThat(found).isEmpty();
    }

    /** {@code ./shuttle fuzz}: values made by chance for as long as one likes; what breaks a route is kept. */
    @Test
    @EnabledIfSystemProperty(named = "shuttle.fuzz.minutes", matches = "[0-9.]+")
    void noRouteBreaksForMinutes() throws Exception {
        long seed = ThreadLocalRandom.current().nextLong();
        long end = System.nanoTime() + (long) (Double.parseDouble(System.getProperty("shuttle.fuzz.minutes")) * 60e9);
        Random random = new Random(seed);
        Map<String, List<String>> found = new TreeMap<>();
        long calls = 0;
        while (System.nanoTime() < end) {
            List<String> made = KeptValues.made(random, 12);
            Map<String, List<String>> now = new TreeMap<>();
            calls += walk(new HostileRequests(made, calls == 0), now);
            if (!now.isEmpty()) {
                for (String value : made) {
                    KeptValues.keep(value);
                }
            }
            found.putAll(now);
        }
        System.out.printf(
                "Hostile requests, seed %d%n  %,d requests to %d routes, %d routes broken%n",
                seed, calls, routes().size(), found.size());
        assertThat(found).isEmpty();
    }

    @Test
    void noBrokenBodyBreaksARoute() throws Exception {
        Visit visit = new Visit();
        List<String> wrong = new ArrayList<>();
        for (var route : routes()) {
            for (RequestMethod method : route.getKey().getMethodsCondition().getMethods()) {
                for (String pattern : method == RequestMethod.GET
                        ? Set.<String>of()
                        : route.getKey().getPatternValues()) {
                    String path = visit.path(pattern);
                    for (String body : RawRequest.BROKEN) {
                        String head = visit.raw(method.name(), path, "localhost", body);
                        if (head.startsWith("HTTP/1.1 5")) {
                            wrong.add(method + " " + path + " "
                                    + body.lines().findFirst().orElse("") + ": "
                                    + head.lines().findFirst().orElse(""));
                        }
                    }
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    /** Whatever host a request names, nobody is sent there. */
    @Test
    void noRedirectLeadsToAHostThatIsNotOurs() throws Exception {
        Visit visit = new Visit();
        for (var route : routes()) {
            for (RequestMethod method : route.getKey().getMethodsCondition().getMethods()) {
                for (String pattern : route.getKey().getPatternValues()) {
                    String path = visit.path(pattern);
                    for (String more : List.of("", "X-Forwarded-Host: evil.example\r\n")) {
                        for (String head : List.of(
                                visit.raw(method.name(), path, "evil.example", more + NO_BODY),
                                visit.raw.send(method.name(), path, "evil.example", more + NO_BODY))) {
                            assertThat(head)
                                    .as(method + " " + path)
                                    .doesNotStartWith("HTTP/1.1 5")
                                    .doesNotContain("evil");
                        }
                    }
                }
            }
        }
    }

    /** A stream begins or is refused; it is not waited for. */
    @Test
    void noStreamBreaks() throws Exception {
        Visit visit = new Visit();
        int streams = 0;
        for (RequestMappingInfo route : mapping.getHandlerMethods().keySet()) {
            for (String pattern : route.toString().contains("/stream") ? route.getPatternValues() : Set.<String>of()) {
                String path = visit.path(pattern);
                for (String last : List.of("0", "-1", "x", "99999999999999999999", "%00", "1e9")) {
                    String head = visit.raw("GET", path, "localhost", "Last-Event-ID: " + last + "\r\n\r\n");
                    assertThat(head).as(path + " after " + last).isNotEmpty().doesNotStartWith("HTTP/1.1 5");
                    streams++;
                }
            }
        }
        assertThat(streams).isPositive();
    }

    private static boolean takesAway(String route) {
        return route.contains("delete") || route.contains("archive") || route.contains("end");
    }
}
