package com.shuttle.core.flow;

/**
 * A way out that a step has, whether or not it leads anywhere yet.
 *
 * @param id    key in {@link Step#exits()}
 * @param label what the designer sees, e.g. an option's label or "gave up"
 * @param role  what the exit is to the flow
 * @param unled what happens while it leads nowhere, in words
 */
public record ExitSlot(String id, String label, Role role, String unled) {

    /** What an exit is to the flow. */
    public enum Role {
        /** The way a conversation naturally goes on; at most one a step. */
        ON,
        /** One of several ways of equal standing, each to be led somewhere. */
        OWN,
        /** Leads elsewhere only where the designer wants it; otherwise something sensible happens. */
        SIDE
    }

    /** What is said of an exit that should lead somewhere and does not. */
    public static final String OPEN = "leads nowhere yet";

    /** The way on of a step that has no other. */
    public static final ExitSlot NEXT = on("next", "next");

    public static ExitSlot on(String id, String label) {
        return new ExitSlot(id, label, Role.ON, OPEN);
    }

    public static ExitSlot own(String id, String label) {
        return new ExitSlot(id, label, Role.OWN, OPEN);
    }

    /** @param unled what happens while it leads nowhere */
    public static ExitSlot side(String id, String label, String unled) {
        return new ExitSlot(id, label, Role.SIDE, unled);
    }

    /** Whether a finished flow is expected to lead it somewhere. */
    public boolean usual() {
        return role != Role.SIDE;
    }
}
