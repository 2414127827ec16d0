package com.shuttle.settings;

import com.shuttle.web.Access;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.security.access.hierarchicalroles.RoleHierarchy;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerExecutionChain;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ServletRequestPathUtils;

/** Lets those in whom the controller of a route declares; what no controller declares is refused. Thread-safe. */
@Component
class DeclaredAccess implements AuthorizationManager<RequestAuthorizationContext> {

    private final ObjectProvider<RequestMappingHandlerMapping> routes;
    private final RoleHierarchy roles;

    DeclaredAccess(
            @Qualifier("requestMappingHandlerMapping") ObjectProvider<RequestMappingHandlerMapping> routes,
            RoleHierarchy roles) {
        this.routes = routes;
        this.roles = roles;
    }

    @Override
    public AuthorizationDecision authorize(
            Supplier<? extends @Nullable Authentication> person, RequestAuthorizationContext context) {
        Access access = declared(context.getRequest());
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

    private @Nullable Access declared(HttpServletRequest request) {
        boolean parsed = ServletRequestPathUtils.hasParsedRequestPath(request);
        try {
            if (!parsed) {
                ServletRequestPathUtils.parseAndCache(request);
            }
            HandlerExecutionChain chain = routes.getObject().getHandler(request);
            return chain != null && chain.getHandler() instanceof HandlerMethod method ? of(method) : null;
        } catch (ServletException unsupported) {
            return null;
        } catch (Exception e) {
            throw new IllegalStateException("the route of a request cannot be found", e);
        } finally {
            if (!parsed) {
                ServletRequestPathUtils.clearParsedRequestPath(request);
            }
        }
    }

    /** What a method declares, or else its controller; null for neither. */
    static @Nullable Access of(HandlerMethod method) {
        Access own = AnnotatedElementUtils.findMergedAnnotation(method.getMethod(), Access.class);
        return own != null ? own : AnnotatedElementUtils.findMergedAnnotation(method.getBeanType(), Access.class);
    }
}
