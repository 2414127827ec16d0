package com.shuttle.releases;

import java.util.function.Predicate;

/**
 * Something outside of flows that steps refer to. Every kind of them that can go away is a bean of this type.
 *
 * @param what  as {@code Forms.reference} names it
 * @param label what people call it
 * @param there whether one of this id is there
 */
public record Outsider(String what, String label, Predicate<String> there) {}
