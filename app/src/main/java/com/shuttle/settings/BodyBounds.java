package com.shuttle.settings;

import com.shuttle.web.Callers;
import com.shuttle.web.MostBytes;
import com.shuttle.web.Routes;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Bounds the body of every request, as its route declares ({@link MostBytes}), before anything else looks at it. Large ones also
 * share a budget: of what is declared large, only so much is under way at once, and of one caller only a quarter of that.
 * Thread-safe.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 5)
class BodyBounds extends OncePerRequestFilter {

    /** Bytes of large bodies that may be under way at once. */
    static final long AT_ONCE = 256_000_000;

    private final Routes routes;
    private final Map<String, Long> underWay = new HashMap<>();
    private long all;

    BodyBounds(Routes routes) {
        this.routes = routes;
    }

    static String tooLarge(long largest) {
        return "That is too large: at most %s are taken here."
                .formatted(largest < 1_000_000 ? largest / 1000 + " kB" : largest / 1_000_000 + " MB");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long length = request.getContentLengthLong();
        boolean chunked = request.getHeader("Transfer-Encoding") != null;
        if (length <= 0 && !chunked) {
            chain.doFilter(request, response);
            return;
        }
        @Nullable MostBytes declared = routes.declared(request, MostBytes.class);
        long largest = declared == null ? MostBytes.USUAL : declared.value();
        if (length > largest) {
            refuse(response, 413, "Too large", tooLarge(largest));
        } else if (length < 0 && isForm(request)) {
            // The server reads forms by itself, and counts them by a bound that is the same for all.
            refuse(response, 411, "Length required", "A form says how long it is.");
        } else if (largest <= MostBytes.USUAL) {
            chain.doFilter(new BoundedBody(request, largest), response);
        } else {
            large(request, response, chain, largest, length < 0 ? largest : length);
        }
    }

    private static boolean isForm(HttpServletRequest request) {
        String type = request.getContentType();
        return type != null && type.toLowerCase(Locale.ROOT).startsWith("multipart/");
    }

    private void large(
            HttpServletRequest request, HttpServletResponse response, FilterChain chain, long largest, long takes)
            throws ServletException, IOException {
        String caller = Callers.of(request);
        if (!begin(caller, takes)) {
            response.setHeader("Retry-After", "5");
            refuse(response, 503, "Busy", "Many large files are on their way. Please try again in a moment.");
            return;
        }
        try {
            chain.doFilter(new BoundedBody(request, largest), response);
        } finally {
            end(caller, takes);
        }
    }

    private synchronized boolean begin(String caller, long takes) {
        long own = underWay.getOrDefault(caller, 0L);
        if (all + takes > AT_ONCE || own > 0 && own + takes > AT_ONCE / 4) {
            return false;
        }
        all += takes;
        underWay.put(caller, own + takes);
        return true;
    }

    private synchronized void end(String caller, long takes) {
        all -= takes;
        underWay.compute(caller, (name, own) -> own == null || own <= takes ? null : own - takes);
    }

    private static void refuse(HttpServletResponse response, int status, String title, String detail)
            throws IOException {
        response.setStatus(status);
        response.setHeader("Connection", "close");
        response.setContentType("application/problem+json");
        response.getWriter()
                .write("{\"title\":\"%s\",\"status\":%d,\"detail\":\"%s\"}".formatted(title, status, detail));
    }
}
