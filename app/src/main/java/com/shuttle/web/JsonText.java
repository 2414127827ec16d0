package com.shuttle.web;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * The JSON that a body is read as which a route takes as text, because its letters are signed or because it comes as plain text.
 * What a route declares so, the walk over all routes in the tests breaks in every way.
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.PARAMETER)
public @interface JsonText {

    Class<?> value();
}
