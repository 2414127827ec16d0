package com.shuttle.settings;

import com.shuttle.web.Access;
import com.shuttle.web.Buckets;
import com.shuttle.web.Callers;
import com.shuttle.web.FairTurns;
import com.shuttle.web.Routes;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps those who read what everybody may read from taking up the server: each caller has a budget that is generous for a
 * household or a school class, and while many read at once, callers are let in in turn. Streams, which wait more than they work,
 * and files that ship are left alone. Thread-safe.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 15)
class PublicReads extends OncePerRequestFilter {

    private static final int MOST_WAITING = 60;
    private static final Duration LONGEST = Duration.ofSeconds(10);

    private final Routes routes;
    private final Buckets budgets;
    private final FairTurns turns =
            new FairTurns(2 * Runtime.getRuntime().availableProcessors(), MOST_WAITING, LONGEST);

    /** @param perMinute what a caller may read in a minute, and at once */
    PublicReads(Routes routes, @Value("${shuttle.limits.reads-per-minute:1200}") int perMinute) {
        this.routes = routes;
        this.budgets = new Buckets(perMinute);
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        if (!"GET".equals(request.getMethod()) || request.getRequestURI().endsWith("/stream")) {
            return true;
        }
        Access access = routes.declared(request, Access.class);
        return access == null || access.value() != Access.Who.EVERYBODY;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String caller = Callers.of(request);
        if (!budgets.take(caller) || !turns.enter(caller)) {
            response.setHeader("Retry-After", "10");
            response.sendError(429);
            return;
        }
        try {
            chain.doFilter(request, response);
        } finally {
            turns.leave();
        }
    }
}
