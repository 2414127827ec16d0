package com.shuttle.web;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import java.lang.annotation.Annotation;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerExecutionChain;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ServletRequestPathUtils;

/** Which method of which controller takes a request, for those who stand before it and heed what it declares. Thread-safe. */
@Component
public class Routes {

    private static final String FOUND = Routes.class.getName();

    private final ObjectProvider<RequestMappingHandlerMapping> routes;

    Routes(@Qualifier("requestMappingHandlerMapping") ObjectProvider<RequestMappingHandlerMapping> routes) {
        this.routes = routes;
    }

    /** What the method that takes a request declares, or else its controller; null for neither, or where nothing takes it. */
    public <A extends Annotation> @Nullable A declared(HttpServletRequest request, Class<A> type) {
        HandlerMethod method = of(request);
        return method == null ? null : declared(method, type);
    }

    /** What a method declares, or else its controller; null for neither. */
    public static <A extends Annotation> @Nullable A declared(HandlerMethod method, Class<A> type) {
        A own = AnnotatedElementUtils.findMergedAnnotation(method.getMethod(), type);
        return own != null ? own : AnnotatedElementUtils.findMergedAnnotation(method.getBeanType(), type);
    }

    /** What was found for a request; one that is sent on elsewhere within the server is another. */
    private record Found(String method, String path, HandlerMethod handler) {}

    private @Nullable HandlerMethod of(HttpServletRequest request) {
        if (request.getAttribute(FOUND) instanceof Found(String verb, String path, HandlerMethod handler)
                && verb.equals(request.getMethod())
                && path.equals(request.getRequestURI())) {
            return handler;
        }
        HandlerMethod method = found(request);
        if (method != null) {
            request.setAttribute(FOUND, new Found(request.getMethod(), request.getRequestURI(), method));
        }
        return method;
    }

    private @Nullable HandlerMethod found(HttpServletRequest request) {
        boolean parsed = ServletRequestPathUtils.hasParsedRequestPath(request);
        try {
            if (!parsed) {
                ServletRequestPathUtils.parseAndCache(request);
            }
            HandlerExecutionChain chain = routes.getObject().getHandler(request);
            return chain != null && chain.getHandler() instanceof HandlerMethod method ? method : null;
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
}
