package com.shuttle.settings;

import com.shuttle.web.Buckets;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Stands before what strangers may reach: passwords cannot be tried by the thousand, and nobody sends more than a
 * conversation can need.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class PublicGuard extends OncePerRequestFilter {

    /** Sign-ins from one address in a minute. */
    static final int SIGN_INS = 20;

    /** The largest body at the chat's routes, in bytes: a message of the longest kind, escaped, several times over. */
    static final long LARGEST_BODY = 1_000_000;

    /** The largest body at the route for files. */
    static final long LARGEST_FILE = 21_000_000;

    private final Buckets signIns = new Buckets(SIGN_INS);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String path = request.getRequestURI();
        boolean posts = "POST".equals(request.getMethod());
        boolean enters = path.equals("/sign-in") || path.equals("/setup");
        if (posts && enters && !signIns.take(request.getRemoteAddr())) {
            response.sendError(429);
            return;
        }
        long length = request.getContentLengthLong();
        long largest = path.endsWith("/files") ? LARGEST_FILE : LARGEST_BODY;
        boolean unstated = length < 0 && request.getHeader("Transfer-Encoding") != null;
        if (posts && path.startsWith("/api/v1/chat/") && (length > largest || unstated)) {
            response.setStatus(length > largest ? 413 : 411);
            response.setContentType("application/problem+json");
            response.getWriter()
                    .write(
                            "{\"title\":\"Too large\",\"detail\":\"That is too large: a message is much smaller, and a file has 20 MB at most.\"}");
            return;
        }
        chain.doFilter(request, response);
    }
}
