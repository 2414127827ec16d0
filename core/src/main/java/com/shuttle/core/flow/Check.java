package com.shuttle.core.flow;

/**
 * A rule of the designer's own that an answer must pass.
 *
 * @param rule  a condition over the variables, in which the answer's own variable has the answer; empty passes
 * @param words what to say when it does not hold
 */
public record Check(String rule, String words) {
    public Check {
        rule = Parts.text(rule);
        words = Parts.text(words);
    }
}
