package com.shuttle.studio;

import com.shuttle.core.flow.StepKind;
import java.util.Arrays;
import java.util.stream.Collectors;

/** The kinds of step as pages take them to choose from. */
final class Kinds {

    private Kinds() {}

    /** {@code key|label|purpose}, separated by semicolons. */
    static String listed() {
        return Arrays.stream(StepKind.values())
                .map(kind -> kind.key() + "|" + kind.label() + "|" + kind.purpose())
                .collect(Collectors.joining(";"));
    }
}
