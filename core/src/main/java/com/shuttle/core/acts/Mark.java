package com.shuttle.core.acts;

/**
 * What somebody who knows a bot said of a clause: what it does where it was said.
 *
 * @param clause   in its words
 * @param waits    what was waited for, as {@link Situation#waits}
 * @param question in its words; empty for none
 */
public record Mark(String clause, String waits, String question, Kind kind) {

    public static Mark of(String clause, Situation situation, Kind kind) {
        return new Mark(clause, situation.waits(), situation.question(), kind);
    }
}
