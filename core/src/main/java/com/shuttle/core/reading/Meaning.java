package com.shuttle.core.reading;

import java.util.List;

/** How near texts are in meaning; a sentence model in the application, nothing where there is none. */
@FunctionalInterface
public interface Meaning {

    /** No model: nothing is near anything. */
    Meaning NONE = (text, others) -> new double[others.size()];

    /**
     * The cosine of {@code text} with each of {@code others}, -1 to 1.
     *
     * @return as many as {@code others}
     */
    double[] nearness(String text, List<String> others);
}
