package com.shuttle.web;

/**
 * How an attempt to send something went.
 *
 * @param why     it failed; empty where it went well
 * @param forGood whether another would be in vain
 */
public record Went(String why, boolean forGood) {

    public static final Went WELL = new Went("", false);

    /** Whether it went well. */
    public boolean well() {
        return why.isEmpty();
    }
}
