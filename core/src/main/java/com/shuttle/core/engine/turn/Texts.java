package com.shuttle.core.engine.turn;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.MustacheException;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Pattern;

/** Fills placeholders in a designer's text. Pure functions. */
public final class Texts {

    private static final Mustache.Compiler COMPILER =
            Mustache.compiler().escapeHTML(false).defaultValue("").strictSections(false);
    private static final Pattern MARKDOWN = Pattern.compile("[\\\\\\[\\]<>*`]");
    private static final Pattern ESCAPED = Pattern.compile("\\\\([\\\\\\[\\]<>*`])");

    /** A person's name: as itself whole, with {@code .first} the first word of it. */
    private record Name(String whole, String first) {
        @Override
        public String toString() {
            return whole;
        }
    }

    private static final Pattern WITH_FALLBACK =
            Pattern.compile("\\{\\{\\s*([a-z][a-z0-9_]*)(\\.first)?\\s*\\|([^{}]*)\\}\\}");

    private Texts() {}

    /**
     * The text with its {@code {{placeholders}}} (Mustache) filled from the variables; unknown ones are left out, or give
     * way to what stands after a bar: {@code {{name|there}}} is short for <code>{{name}}{{^name}}there{{/name}}</code>. What
     * visitors typed cannot bring in Markdown. A text that is no template is returned as it is.
     */
    public static String fill(
            String text,
            Map<String, Value> variables,
            Map<String, ValueType> types,
            Map<String, Value> system,
            String botName) {
        if (!text.contains("{{")) {
            return text;
        }
        Map<String, Object> context = new HashMap<>();
        context.put("bot", botName);
        system.forEach((name, value) -> context.put(name, value.shown()));
        variables.forEach((name, value) -> {
            String shown = escaped(value.shown());
            context.put(
                    name,
                    types.get(name) == ValueType.PERSON_NAME ? new Name(shown, shown.split("\\s+", 2)[0]) : shown);
        });
        try {
            String plain = WITH_FALLBACK.matcher(text).replaceAll("{{$1$2}}{{^$1}}$3{{/$1}}");
            return COMPILER.compile(plain).execute(context).strip();
        } catch (MustacheException e) {
            return text;
        }
    }

    /** What a visitor typed, so that it cannot bring in Markdown. */
    public static String escaped(String typed) {
        return MARKDOWN.matcher(typed).replaceAll("\\\\$0");
    }

    /** A filled text as those read it to whom it is shown without Markdown. */
    static String unescaped(String filled) {
        return ESCAPED.matcher(filled).replaceAll("$1");
    }

    /** The last question of a text, for putting it again in fewer words; the whole text where it has none. */
    public static String shorter(String text) {
        String bare = text.strip();
        if (!bare.endsWith("?")) {
            return text;
        }
        int begin = bare.length() - 1;
        while (begin > 0 && ".!?\n".indexOf(bare.charAt(begin - 1)) < 0) {
            begin--;
        }
        String question = bare.substring(begin).strip();
        return question.length() > 1 ? question : text;
    }
}
