package com.shuttle.settings;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.Optional;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Looks at every request who its person is now: who was removed is nobody from then on, who got another role has that one,
 * and a session that was ended or has lasted too long is over.
 */
final class CurrentAccount extends OncePerRequestFilter {

    private final AccountService accounts;
    private final Sessions sessions;

    CurrentAccount(AccountService accounts, Sessions sessions) {
        this.accounts = accounts;
        this.sessions = sessions;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        HttpSession session = request.getSession(false);
        if (who != null && session != null && who.getPrincipal() instanceof SignedIn person) {
            Optional<Account> now = accounts.account(person.account().id());
            String browser =
                    Optional.ofNullable(request.getHeader("User-Agent")).orElse("");
            if (now.isEmpty() || !sessions.seen(session, now.get().id(), browser)) {
                session.invalidate();
                SecurityContextHolder.clearContext();
            } else if (!now.get().equals(person.account())) {
                SignedIn changed = new SignedIn(now.get(), null);
                SecurityContextHolder.getContext()
                        .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                                changed, null, changed.getAuthorities()));
            }
        }
        chain.doFilter(request, response);
    }
}
