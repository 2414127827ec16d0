package com.shuttle.settings;

import com.shuttle.web.Callers;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AbstractAuthenticationFailureEvent;
import org.springframework.security.authentication.event.InteractiveAuthenticationSuccessEvent;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Tells the pace of sign-ins what came of them. */
@Component
class SignInEvents {

    private final SignInPace pace;

    SignInEvents(SignInPace pace) {
        this.pace = pace;
    }

    @EventListener
    void entered(InteractiveAuthenticationSuccessEvent event) {
        if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now) {
            HttpServletRequest request = now.getRequest();
            pace.entered(event.getAuthentication().getName(), Callers.of(request));
        }
    }

    @EventListener
    void failed(AbstractAuthenticationFailureEvent event) {
        pace.failed(event.getAuthentication().getName());
    }
}
