package com.shuttle.settings;

import com.shuttle.web.Buckets;
import com.shuttle.web.Callers;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.server.PathContainer;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;

/**
 * Passwords cannot be tried by the thousand. Paths are matched as the controllers' are, so that no way of writing one leads past
 * it.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class PublicGuard extends OncePerRequestFilter {

    /** Sign-ins from one address in a minute. */
    static final int SIGN_INS = 20;

    private static final PathPattern SIGN_IN = pattern("/sign-in");
    private static final PathPattern SET_UP = pattern("/setup");

    private final Buckets signIns = new Buckets(SIGN_INS);
    private final SignInPace pace;

    PublicGuard(SignInPace pace) {
        this.pace = pace;
    }

    private static PathPattern pattern(String path) {
        return PathPatternParser.defaultInstance.parse(path);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        PathContainer path = PathContainer.parsePath(request.getRequestURI());
        boolean posts = "POST".equals(request.getMethod());
        if (posts && (SIGN_IN.matches(path) || SET_UP.matches(path))) {
            enter(request, response, chain);
        } else {
            chain.doFilter(request, response);
        }
    }

    private void enter(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String account = request.getParameter("username") == null ? "" : request.getParameter("username");
        String caller = Callers.of(request);
        if (!signIns.take(caller)) {
            later(response, Duration.ofMinutes(1));
            return;
        }
        Duration pause = pace.pause(account, caller);
        if (!pause.isZero() && !waited(account, pause)) {
            later(response, pause);
            return;
        }
        chain.doFilter(request, response);
    }

    /** Whether an attempt was let wait. */
    private boolean waited(String account, Duration pause) {
        if (!pace.queue(account)) {
            return false;
        }
        try {
            Thread.sleep(pause);
            return true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        } finally {
            pace.leave(account);
        }
    }

    private static void later(HttpServletResponse response, Duration pause) throws IOException {
        response.setHeader("Retry-After", String.valueOf(Math.max(1, pause.toSeconds())));
        response.sendError(429);
    }
}
