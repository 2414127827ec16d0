package com.shuttle.web;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Who may reach the routes of a controller, or of one method of it. The security configuration refuses what declares
 * nothing, and the walk over all routes in the tests reads the same declaration.
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface Access {

    Who value();

    /** Who somebody is at the least. */
    enum Who {
        EVERYBODY,
        AGENT,
        DESIGNER,
        ADMINISTRATOR
    }
}
