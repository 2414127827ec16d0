package com.shuttle.web;

/** What was asked for does not exist, or not for this person. Shown as "not found". */
public final class Missing extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** @param what e.g. "bot"; @param id as it was asked for */
    public Missing(String what, String id) {
        super("no " + what + " \"" + id + "\"", null, false, false);
    }
}
