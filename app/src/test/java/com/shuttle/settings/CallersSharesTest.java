package com.shuttle.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import com.shuttle.web.Access;
import com.shuttle.web.MostBytes;
import com.shuttle.web.Routes;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** What one caller may take of what all share: reads of public pages, and large bodies under way. */
class CallersSharesTest {

    @Access(Access.Who.EVERYBODY)
    @MostBytes(MostBytes.FILE)
    private static final class Everybodys {}

    @Access(Access.Who.AGENT)
    private static final class Agents {}

    private static final FilterChain ANSWERS = (request, response) -> {};

    private static Routes routes(Class<?> declaring) {
        Routes routes = mock(Routes.class);
        when(routes.declared(any(HttpServletRequest.class), any()))
                .then(call -> declaring.getAnnotation(call.getArgument(1)));
        return routes;
    }

    private static MockHttpServletResponse sent(
            Filter filter, String caller, String method, String path, int bytes, FilterChain chain) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest(method, path);
        request.setRemoteAddr(caller);
        request.setContent(new byte[bytes]);
        MockHttpServletResponse response = new MockHttpServletResponse();
        filter.doFilter(request, response, chain);
        return response;
    }

    private static int read(Filter filter, String caller, String path) throws Exception {
        return sent(filter, caller, "GET", path, 0, ANSWERS).getStatus();
    }

    @Test
    void whoHasReadTheirShareWaitsAndNobodyElseDoes() throws Exception {
        Filter filter = new PublicReads(routes(Everybodys.class), 3);
        assertThat(List.of(
                        read(filter, "192.0.2.1", "/chat/vesper"),
                        read(filter, "192.0.2.1", "/chat/vesper"),
                        read(filter, "192.0.2.1", "/chat/other"),
                        read(filter, "192.0.2.1", "/chat/vesper")))
                .containsExactly(200, 200, 200, 429);
        assertThat(sent(filter, "192.0.2.1", "GET", "/chat/vesper", 0, ANSWERS).getHeader("Retry-After"))
                .isNotBlank();
        assertThat(read(filter, "192.0.2.2", "/chat/vesper")).isEqualTo(200);
        assertThat(read(filter, "192.0.2.1", "/api/v1/chat/conversations/x/stream"))
                .as("streams are not counted")
                .isEqualTo(200);
    }

    @Test
    void whoIsSignedInIsNotCountedByTheirReading() throws Exception {
        Filter filter = new PublicReads(routes(Agents.class), 1);
        for (int i = 0; i < 5; i++) {
            assertThat(read(filter, "192.0.2.1", "/inbox")).isEqualTo(200);
        }
    }

    @Test
    void largeBodiesOfOneCallerTakeAQuarterOfTheRoomAndAllTogetherNoMoreThanThereIs() throws Exception {
        Filter filter = new BodyBounds(routes(Everybodys.class));
        int room = (int) (BodyBounds.AT_ONCE / MostBytes.FILE);
        int own = room / 4;
        List<String> callers = new ArrayList<>(Collections.nCopies(own + 1, "192.0.2.1"));
        IntStream.rangeClosed(own + 1, room + 1).forEach(i -> callers.add("192.0.2." + i));
        List<Integer> expected = new ArrayList<>(Collections.nCopies(room + 2, 200));
        expected.set(own, 503);
        expected.set(room + 1, 503);
        assertThat(uploads(filter, callers)).isEqualTo(expected);
        assertThat(uploads(filter, List.of("192.0.2.1")))
                .as("once all are through")
                .containsExactly(200);
    }

    /** Each sends a file while those before are still under way; what each is answered. */
    private static List<Integer> uploads(Filter filter, List<String> callers) throws Exception {
        if (callers.isEmpty()) {
            return List.of();
        }
        List<String> rest = callers.subList(1, callers.size());
        List<Integer> answers = new ArrayList<>();
        int own = sent(
                        filter,
                        callers.getFirst(),
                        "POST",
                        "/tables/file",
                        (int) MostBytes.FILE,
                        (request, response) -> {
                            try {
                                answers.addAll(uploads(filter, rest));
                            } catch (Exception e) {
                                throw new AssertionError(e);
                            }
                        })
                .getStatus();
        if (own != 200) {
            answers.addAll(uploads(filter, rest));
        }
        answers.addFirst(own);
        return answers;
    }
}
