package com.shuttle.chat;

/** What a turn rests on has changed since it was worked out; it is worked out anew, and nothing of it was stored. */
public final class Overtaken extends RuntimeException {

    private static final long serialVersionUID = 1;

    public Overtaken(String why) {
        super(why, null, false, false);
    }
}
