package com.shuttle.settings;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.InstantSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.hierarchicalroles.RoleHierarchy;
import org.springframework.security.access.hierarchicalroles.RoleHierarchyImpl;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.config.observation.SecurityObservationSettings;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.security.web.authentication.HttpStatusEntryPoint;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.UriComponents;
import org.springframework.web.util.UriComponentsBuilder;

/** Who may reach which route: whom its controller declares. Everything else is refused. */
@Configuration
class SecurityConfiguration {

    private static final String POLICY =
            "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; "
                    + "form-action 'self'; frame-ancestors 'none'";

    @Bean
    InstantSource clock() {
        return Clock.systemUTC();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder(12);
    }

    @Bean
    RoleHierarchy roleHierarchy() {
        return RoleHierarchyImpl.fromHierarchy("ROLE_ADMINISTRATOR > ROLE_DESIGNER\nROLE_DESIGNER > ROLE_AGENT");
    }

    @Bean
    UserDetailsService accountsByEmail(AccountService accounts) {
        return email -> {
            Account account =
                    accounts.byEmail(email).orElseThrow(() -> new UsernameNotFoundException("no such account"));
            return new SignedIn(account, accounts.passwordHash(email).orElse(null));
        };
    }

    /** What each filter took is measured by nobody, and costs every request. */
    @Bean
    SecurityObservationSettings unobserved() {
        return SecurityObservationSettings.noObservations();
    }

    /** Visitors: the chat checks a conversation's own token, so that nothing of sessions and sign-in is needed. */
    @Bean
    @Order(0)
    SecurityFilterChain visitors(HttpSecurity http) throws Exception {
        return http.securityMatcher("/api/v1/chat/**", "/api/v1/panel/**", "/api/v1/channels/**")
                .csrf(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .securityContext(AbstractHttpConfigurer::disable)
                .sessionManagement(AbstractHttpConfigurer::disable)
                .servletApi(AbstractHttpConfigurer::disable)
                .anonymous(AbstractHttpConfigurer::disable)
                .exceptionHandling(AbstractHttpConfigurer::disable)
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY)))
                .build();
    }

    /** The panel's frame, which shows on the pages of others: which of them its page says itself. */
    @Bean
    @Order(1)
    SecurityFilterChain frames(HttpSecurity http) throws Exception {
        return http.securityMatcher("/panel/**")
                .csrf(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .headers(headers -> headers.frameOptions(frame -> frame.disable()))
                .authorizeHttpRequests(routes -> routes.anyRequest().permitAll())
                .build();
    }

    /** Programs: a bearer token a call, no session, no cookies, so nothing to forge. */
    @Bean
    @Order(2)
    SecurityFilterChain programs(HttpSecurity http, AccountService accounts) throws Exception {
        return http.securityMatcher("/api/**")
                .csrf(csrf -> csrf.disable())
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY)))
                .addFilterBefore(new TokenFilter(accounts), AuthorizationFilter.class)
                .authorizeHttpRequests(routes -> routes.requestMatchers(
                                "/api/docs", "/api/openapi", "/api/openapi.yaml", "/api/shuttle-flow-1.schema.json")
                        .permitAll()
                        .requestMatchers("/api/v1/**")
                        .hasRole("DESIGNER")
                        .anyRequest()
                        .denyAll())
                .exceptionHandling(
                        errors -> errors.authenticationEntryPoint(new HttpStatusEntryPoint(HttpStatus.UNAUTHORIZED)))
                .build();
    }

    /** People: signed in by form, with a session and a CSRF token. */
    @Bean
    @Order(3)
    SecurityFilterChain people(HttpSecurity http, DeclaredAccess access, AccountService accounts, Sessions sessions)
            throws Exception {
        return http.csrf(csrf -> csrf.ignoringRequestMatchers("/signal/*/*/*", "/stop/*/*"))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .referrerPolicy(Customizer.withDefaults()))
                .addFilterBefore(new CurrentAccount(accounts, sessions), AuthorizationFilter.class)
                .authorizeHttpRequests(routes -> routes.requestMatchers(
                                "/css/**",
                                "/js/**",
                                "/fonts/**",
                                "/images/**",
                                "/webjars/**",
                                "/favicon.svg",
                                "/error",
                                "/actuator/health")
                        .permitAll()
                        .requestMatchers("/sign-out")
                        .authenticated()
                        .anyRequest()
                        .access(access))
                .formLogin(form -> form.loginPage("/sign-in")
                        .successHandler(backToWhatWasWanted())
                        .permitAll())
                .exceptionHandling(errors -> errors.authenticationEntryPoint(signInPage()))
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .build();
    }

    /** Redirects name no host, since the one that a request names need not be ours. */
    private static AuthenticationEntryPoint signInPage() {
        LoginUrlAuthenticationEntryPoint page = new LoginUrlAuthenticationEntryPoint("/sign-in");
        page.setFavorRelativeUris(true);
        return page;
    }

    private static AuthenticationSuccessHandler backToWhatWasWanted() {
        SavedRequestAwareAuthenticationSuccessHandler back = new SavedRequestAwareAuthenticationSuccessHandler();
        back.setRedirectStrategy((request, response, wanted) -> {
            UriComponents address = UriComponentsBuilder.fromUriString(wanted).build();
            String query = address.getQuery() == null ? "" : "?" + address.getQuery();
            response.sendRedirect("/" + String.valueOf(address.getPath()).replaceFirst("^/+", "") + query);
        });
        return back;
    }

    /** Puts the account behind a valid token in the place of the person. */
    private static final class TokenFilter extends OncePerRequestFilter {
        private final AccountService accounts;

        TokenFilter(AccountService accounts) {
            this.accounts = accounts;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            String header = request.getHeader("Authorization");
            if (header != null && header.startsWith("Bearer ")) {
                accounts.byToken(header.substring(7).strip()).ifPresent(account -> {
                    SignedIn person = new SignedIn(account, null);
                    SecurityContextHolder.getContext()
                            .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                                    person, null, person.getAuthorities()));
                });
            }
            chain.doFilter(request, response);
        }
    }
}
