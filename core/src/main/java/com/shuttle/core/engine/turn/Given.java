package com.shuttle.core.engine.turn;

import com.shuttle.core.reading.Value;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What a designer's text with placeholders comes to, where it is given to something outside the conversation. */
public final class Given {

    private static final Pattern ONE_VARIABLE = Pattern.compile("\\s*\\{\\{\\s*([a-z][a-z0-9_]*)\\s*\\}\\}\\s*");

    private Given() {}

    /** A text that is one variable is its value; any other is filled. Null where it comes to nothing. */
    public static @Nullable Value of(String text, TurnRun run) {
        Matcher one = ONE_VARIABLE.matcher(text);
        Value known = one.matches() ? known(one.group(1), run) : null;
        if (known != null) {
            return known;
        }
        String filled = Texts.unescaped(run.filled(text)).strip();
        return filled.isEmpty() ? null : new Value.Text(filled);
    }

    private static @Nullable Value known(String variable, TurnRun run) {
        Value told = run.facts.value(variable);
        return told == null ? run.known().system().get(variable) : told;
    }
}
