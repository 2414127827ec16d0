package com.shuttle.core.engine;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.MustacheException;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Pattern;

/** Fills placeholders in a designer's text. Pure functions. */
final class Texts {

    private static final Mustache.Compiler COMPILER =
            Mustache.compiler().escapeHTML(false).defaultValue("").strictSections(false);
    private static final Pattern MARKDOWN = Pattern.compile("[\\\\\\[\\]<>*`]");
    private static final Pattern LAST_QUESTION = Pattern.compile("[^.!?\\n]*\\?\\s*$");

    /** A person's name: as itself whole, with {@code .first} the first word of it. */
    private record Name(String whole, String first) {
        @Override
        public String toString() {
            return whole;
        }
    }

    private Texts() {}

    /**
     * The text with its {@code {{placeholders}}} (Mustache) filled from the variables; unknown ones are left out. What
     * visitors typed cannot bring in Markdown. A text that is no template is returned as it is.
     */
    static String fill(String text, Map<String, Value> variables, Map<String, ValueType> types, String botName) {
        if (!text.contains("{{")) {
            return text;
        }
        Map<String, Object> context = new HashMap<>();
        context.put("bot", botName);
        variables.forEach((name, value) -> {
            String shown = MARKDOWN.matcher(value.shown()).replaceAll("\\\\$0");
            context.put(
                    name,
                    types.get(name) == ValueType.PERSON_NAME ? new Name(shown, shown.split("\\s+", 2)[0]) : shown);
        });
        try {
            return COMPILER.compile(text).execute(context).strip();
        } catch (MustacheException e) {
            return text;
        }
    }

    /** The last question of a text, for putting it again in fewer words; the whole text where it has none. */
    static String shorter(String text) {
        var question = LAST_QUESTION.matcher(text.strip());
        return question.find() && !question.group().isBlank() ? question.group().strip() : text;
    }
}
