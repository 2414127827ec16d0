package com.shuttle.settings;

import com.shuttle.web.Access;
import com.shuttle.web.Routes;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.hierarchicalroles.RoleHierarchy;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.stereotype.Component;

/** Lets those in whom the controller of a route declares; what no controller declares is refused. Thread-safe. */
@Component
class DeclaredAccess implements AuthorizationManager<RequestAuthorizationContext> {

    private final Routes routes;
    private final RoleHierarchy roles;

    DeclaredAccess(Routes routes, RoleHierarchy roles) {
        this.routes = routes;
        this.roles = roles;
    }

    @Override
    public AuthorizationDecision authorize(
            Supplier<? extends @Nullable Authentication> person, RequestAuthorizationContext context) {
        Access access = routes.declared(context.getRequest(), Access.class);
        if (access == null) {
            return new AuthorizationDecision(false);
        }
        if (access.value() == Access.Who.EVERYBODY) {
            return new AuthorizationDecision(true);
        }
        Authentication who = person.get();
        String wanted = "ROLE_" + access.value().name();
        return new AuthorizationDecision(who != null
                && who.isAuthenticated()
                && roles.getReachableGrantedAuthorities(who.getAuthorities()).stream()
                        .anyMatch(authority -> wanted.equals(authority.getAuthority())));
    }
}
