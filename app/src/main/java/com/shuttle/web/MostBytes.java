package com.shuttle.web;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * How large the body of a request may be at the routes of a controller, or of one method of it; {@link #USUAL} where nothing is
 * declared. What is larger is refused by the length that it states, and while it is read where that is none or not true.
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
public @interface MostBytes {

    /** A long form, escaped. */
    long USUAL = 2_000_000;

    /** A message of the longest kind, escaped, several times over. */
    long MESSAGE = 1_000_000;

    /** What a page of a website or a program tells in a few lines. */
    long FEW_LINES = 50_000;

    /** A picture of the largest kind, in Base64, with what is said of it. */
    long PICTURE_IN_TEXT = 12_000_000;

    /** A file of the largest kind, with what a form needs around it. */
    long FILE = 21_000_000;

    long value();
}
