package com.shuttle.core.flow;

/**
 * A way out that a step of some kind has, whether or not it leads anywhere yet.
 *
 * @param id    key in {@link Step#exits()}
 * @param label what the designer sees, e.g. an option's label or "gave up"
 * @param usual whether a finished flow is expected to lead it somewhere; the others have a sensible default
 */
public record ExitSlot(String id, String label, boolean usual) {}
