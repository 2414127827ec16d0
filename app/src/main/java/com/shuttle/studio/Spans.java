package com.shuttle.studio;

/** Spans of time as designers write them. */
final class Spans {

    private Spans() {}

    /** "30s", "10m", "2h" or "3d": the largest unit that divides it. */
    static String of(long seconds) {
        if (seconds > 0 && seconds % 86_400 == 0) {
            return seconds / 86_400 + "d";
        }
        if (seconds > 0 && seconds % 3600 == 0) {
            return seconds / 3600 + "h";
        }
        return seconds > 0 && seconds % 60 == 0 ? seconds / 60 + "m" : seconds + "s";
    }
}
