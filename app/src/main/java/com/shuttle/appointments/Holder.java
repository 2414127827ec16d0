package com.shuttle.appointments;

/**
 * Who holds a time while they say who they are.
 *
 * @param caller  where they call from, as a hash; empty where that is unknown
 * @param visitor what names them across conversations; may be empty
 */
record Holder(String caller, String visitor) {

    static final Holder NOBODY = new Holder("", "");

    /** Times that one visitor holds at once. */
    static final int MOST = 2;

    /** Times that are held from one address at once: a household, or a class. */
    static final int MOST_OF_A_CALLER = 6;
}
