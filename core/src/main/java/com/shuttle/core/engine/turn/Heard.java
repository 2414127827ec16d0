package com.shuttle.core.engine.turn;

/**
 * What somebody understood of a message, proposed to the listener; nothing has changed yet.
 *
 * @param rule   who understood it, for the trace; empty where {@code act} tells by itself
 * @param detail what it was
 * @param act    what is done if the listener decides for it
 */
public record Heard(String rule, String detail, Runnable act) {

    public static Heard of(Runnable act) {
        return new Heard("", "", act);
    }
}
