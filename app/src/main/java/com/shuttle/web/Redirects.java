package com.shuttle.web;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.ViewResolver;
import org.springframework.web.servlet.view.RedirectView;

/**
 * Leads elsewhere to an address as it stands. Parts of it come from the address that was asked for; braces in those are letters
 * and no places for values of the model.
 */
@Component
class Redirects implements ViewResolver, Ordered {

    private static final String PREFIX = "redirect:";

    @Override
    public int getOrder() {
        return HIGHEST_PRECEDENCE;
    }

    @Override
    public @Nullable View resolveViewName(String name, Locale locale) {
        if (!name.startsWith(PREFIX)) {
            return null;
        }
        RedirectView view = new RedirectView(name.substring(PREFIX.length()), true, true);
        view.setExpandUriTemplateVariables(false);
        return view;
    }
}
