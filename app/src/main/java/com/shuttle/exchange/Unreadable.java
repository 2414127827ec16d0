package com.shuttle.exchange;

/** Why a file or page could not be read, in words for the person who chose it. */
final class Unreadable extends Exception {
    private static final long serialVersionUID = 1;

    private final String why;

    Unreadable(String why) {
        super(why);
        this.why = why;
    }

    /** Why, as a sentence. */
    @Override
    public String getMessage() {
        return why;
    }
}
