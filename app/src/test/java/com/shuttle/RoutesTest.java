package com.shuttle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import com.shuttle.settings.Role;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Access.Who;
import jakarta.servlet.Filter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.http.HttpMethod;
import org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.context.WebApplicationContext;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Walks every route the server has, as everybody. A new route that nobody thought of fails here. */
@ServerTest
class RoutesTest {

    /** Reached by a conversation's or a program's token. */
    private static final String PROGRAMS = "/api/v1/";

    private record Route(HttpMethod method, String path, Access.@Nullable Who who) {
        boolean streams() {
            return path.endsWith("/stream");
        }
    }

    private final WebApplicationContext context;
    private final TestData data;
    private final RequestMappingHandlerMapping mapping;
    private final Map<Role, SignedIn> people = new HashMap<>();
    private MockMvc http;

    RoutesTest(WebApplicationContext context, TestData data) {
        this.context = context;
        this.data = data;
        this.mapping = context.getBean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class);
    }

    @BeforeEach
    void setUp() {
        http = MockMvcBuilders.webAppContextSetup(context)
                .addFilters(context.getBean("publicGuard", Filter.class))
                .apply(SecurityMockMvcConfigurers.springSecurity())
                .build();
    }

    private List<Route> routes() {
        List<Route> routes = new ArrayList<>();
        mapping.getHandlerMethods().forEach((info, method) -> {
            Set<RequestMethod> methods = info.getMethodsCondition().getMethods();
            for (String pattern : info.getPatternValues()) {
                String path = pattern.replaceAll("\\{[^}]*}", "x");
                (methods.isEmpty() ? Set.of(RequestMethod.GET) : methods)
                        .forEach(m -> routes.add(new Route(m.asHttpMethod(), path, who(method))));
            }
        });
        return routes;
    }

    /** What the controller declares; null where it declares nothing. */
    private static Access.@Nullable Who who(HandlerMethod method) {
        Access own = AnnotatedElementUtils.findMergedAnnotation(method.getMethod(), Access.class);
        Access all = own != null ? own : AnnotatedElementUtils.findMergedAnnotation(method.getBeanType(), Access.class);
        return all == null ? null : all.value();
    }

    private static boolean ofPrograms(Route route) {
        return route.path().startsWith(PROGRAMS) && !route.path().startsWith("/api/v1/chat");
    }

    /** Null for programs. */
    private static Access.@Nullable Who expected(Route route) {
        if (ofPrograms(route)) {
            return null;
        }
        if (route.path().startsWith("/api/") || route.path().equals("/error")) {
            return Who.EVERYBODY;
        }
        if (route.who() == null) {
            throw new AssertionError("no access is declared for " + route);
        }
        return route.who();
    }

    @Test
    void declarationsAreWhatTheyWereMeantToBe() {
        Map<String, Who> declared = new HashMap<>();
        routes().forEach(route -> declared.put(route.method() + " " + route.path(), route.who()));
        assertThat(declared)
                .containsEntry("GET /sign-in", Who.EVERYBODY)
                .containsEntry("GET /chat/x", Who.EVERYBODY)
                .containsEntry("GET /media/x", Who.EVERYBODY)
                .containsEntry("GET /", Who.AGENT)
                .containsEntry("GET /inbox", Who.AGENT)
                .containsEntry("GET /leads", Who.AGENT)
                .containsEntry("GET /bots", Who.DESIGNER)
                .containsEntry("POST /bots/x/flows/x/edits", Who.DESIGNER)
                .containsEntry("GET /knowledge", Who.DESIGNER)
                .containsEntry("POST /settings/tokens", Who.DESIGNER)
                .containsEntry("POST /settings/people", Who.ADMINISTRATOR)
                .containsEntry("POST /settings/teams", Who.ADMINISTRATOR)
                .containsEntry("GET /settings/model", Who.ADMINISTRATOR);
    }

    /** Somebody there is, since the account is read at every request. */
    private SignedIn person(Role role) {
        return people.computeIfAbsent(role, r -> new SignedIn(data.person(r), null));
    }

    private int status(Route route, Role role) throws Exception {
        MockHttpServletRequestBuilder call = request(route.method(), route.path());
        if (route.path().startsWith("/api/")) {
            call = call.contentType("application/json").content("{}");
        }
        if (role != null) {
            call = call.with(user(person(role))).with(csrf());
        } else {
            call = call.with(csrf());
        }
        try {
            return http.perform(call).andReturn().getResponse().getStatus();
        } catch (Exception reachedTheHandler) {
            return 500;
        }
    }

    private boolean reaches(Route route, Role role) throws Exception {
        int status = status(route, role);
        boolean toSignIn = status == 302
                && "/sign-in"
                        .equals(http.perform(
                                        request(route.method(), route.path()).with(csrf()))
                                .andReturn()
                                .getResponse()
                                .getRedirectedUrl());
        // Once there is an administrator, setting up leads everybody to the sign-in: that is its answer, not a refusal.
        boolean sentAway = role == null && toSignIn && !route.path().equals("/setup");
        // 415: refused for its form before it reached anything.
        return status != 401 && status != 403 && status != 415 && !sentAway;
    }

    @Test
    void everyRouteIsReachedByWhomItIsForAndNobodyElse() throws Exception {
        List<Route> routes = routes();
        assertThat(routes).hasSizeGreaterThan(45);
        for (Route route : routes) {
            Who access = expected(route);
            if (route.streams() && access != Who.EVERYBODY) {
                assertThat(reaches(route, null)).as("%s as nobody", route).isFalse();
                continue;
            }
            boolean chat = route.path().startsWith("/api/v1/chat/conversations/");
            assertThat(reaches(route, null)).as("%s as nobody", route).isEqualTo(access == Who.EVERYBODY && !chat);
            if (access == null || chat) {
                continue;
            }
            assertThat(reaches(route, Role.AGENT))
                    .as("%s as agent", route)
                    .isEqualTo(access == Who.EVERYBODY || access == Who.AGENT);
            assertThat(reaches(route, Role.DESIGNER))
                    .as("%s as designer", route)
                    .isEqualTo(access != Who.ADMINISTRATOR);
            assertThat(reaches(route, Role.ADMINISTRATOR))
                    .as("%s as administrator", route)
                    .isTrue();
        }
    }

    @Test
    void everyChangeByFormNeedsItsToken() throws Exception {
        SignedIn person = person(Role.ADMINISTRATOR);
        for (Route route : routes()) {
            if (route.method() == HttpMethod.POST
                    && !route.path().startsWith("/api/")
                    && !route.path().startsWith("/signal/")
                    // Posted to by mail programs, as RFC 8058 has it.
                    && !route.path().startsWith("/stop/")
                    // Known by its signed link, never by a session.
                    && !route.path().startsWith("/panel/draft/")
                    && !route.path().equals("/error")) {
                int status = http.perform(request(route.method(), route.path())
                                .with(user(person))
                                .with(call -> {
                                    call.setRemoteAddr("192.0.2.9");
                                    return call;
                                }))
                        .andReturn()
                        .getResponse()
                        .getStatus();
                assertThat(status).as("%s without a token", route).isEqualTo(403);
            }
        }
    }

    @Test
    void programsAreKnownByTheirTokenAndMayDoWhatItsOwnerMay() throws Exception {
        String designer = data.accounts.createToken(data.person(Role.DESIGNER).id(), "t");
        String agent = data.accounts.createToken(data.person(Role.AGENT).id(), "t");
        Route ask = new Route(HttpMethod.POST, "/api/v1/collections", null);
        assertThat(withToken(ask, designer)).isEqualTo(201);
        assertThat(withToken(ask, agent)).isEqualTo(403);
        assertThat(withToken(ask, "made-up")).isEqualTo(401);
    }

    private int withToken(Route route, String token) throws Exception {
        return http.perform(request(route.method(), route.path())
                        .header("Authorization", "Bearer " + token)
                        .contentType("application/json")
                        .content("{\"name\":\"x\"}"))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    @Test
    void pagesForbidForeignScriptsAndFrames() throws Exception {
        var response =
                http.perform(request(HttpMethod.GET, "/sign-in")).andReturn().getResponse();
        assertThat(response.getHeader("Content-Security-Policy"))
                .contains("default-src 'self'", "frame-ancestors 'none'")
                .doesNotContain("unsafe");
    }

    @Test
    void passwordsCannotBeTriedByTheThousand() throws Exception {
        int last = 0;
        for (int i = 0; i < 30; i++) {
            last = http.perform(request(HttpMethod.POST, "/sign-in")
                            .with(csrf())
                            .with(call -> {
                                call.setRemoteAddr("192.0.2.7");
                                return call;
                            })
                            .param("username", "guess" + i + "@tarnfell.example")
                            .param("password", "guess " + i))
                    .andReturn()
                    .getResponse()
                    .getStatus();
        }
        assertThat(last).isEqualTo(429);
    }
}
