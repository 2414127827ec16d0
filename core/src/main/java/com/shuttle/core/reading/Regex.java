package com.shuttle.core.reading;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;

/**
 * What {@link String} does with regular expressions, with each expression compiled once. For expressions that are written in
 * the code only, since none is ever forgotten. Thread-safe.
 */
public final class Regex {

    private static final Map<String, Pattern> COMPILED = new ConcurrentHashMap<>();

    private Regex() {}

    private static Pattern of(String regex) {
        return COMPILED.computeIfAbsent(regex, Pattern::compile);
    }

    /** As {@link String#matches}. */
    public static boolean matches(CharSequence text, String regex) {
        return of(regex).matcher(text).matches();
    }

    /** As {@link String#replaceAll}. */
    public static String replaceAll(CharSequence text, String regex, String by) {
        return of(regex).matcher(text).replaceAll(by);
    }

    /** As {@link String#replaceFirst}. */
    public static String replaceFirst(CharSequence text, String regex, String by) {
        return of(regex).matcher(text).replaceFirst(by);
    }

    /** As {@link String#split(String)}. */
    public static String[] split(CharSequence text, String regex) {
        return of(regex).split(text);
    }

    /** As {@link String#split(String, int)}. */
    public static String[] split(CharSequence text, String regex, int most) {
        return of(regex).split(text, most);
    }
}
