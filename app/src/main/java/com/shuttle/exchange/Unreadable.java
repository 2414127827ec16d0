package com.shuttle.exchange;

/** Why a file or page could not be read, in words for the person who chose it. */
final class Unreadable extends Exception {
    private static final long serialVersionUID = 1;

    Unreadable(String why) {
        super(why);
    }
}
