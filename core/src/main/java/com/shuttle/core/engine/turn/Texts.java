package com.shuttle.core.engine.turn;

import com.samskivert.mustache.BasicCollector;
import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.MustacheException;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.Value;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.AbstractList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Fills placeholders in a designer's text. Pure functions. */
public final class Texts {

    /** Looks names up in what is known and nowhere else, so that no text reaches what Java objects can do. */
    private static final Mustache.Collector KNOWN_ONLY = new BasicCollector() {
        @Override
        public <K, V> Map<K, V> createFetcherCache() {
            return new ConcurrentHashMap<>();
        }
    };

    private static final Mustache.Compiler COMPILER = Mustache.compiler()
            .escapeHTML(false)
            .defaultValue("")
            .strictSections(false)
            .withCollector(KNOWN_ONLY);
    private static final Pattern MARKDOWN = Pattern.compile("[\\\\\\[\\]<>*`]");
    private static final Pattern ESCAPED = Pattern.compile("\\\\([\\\\\\[\\]<>*`])");

    /** A person's name: as itself whole, with {@code .first} the first word of it. */
    private record Name(String whole, String first) implements Mustache.CustomContext {
        @Override
        public @Nullable Object get(String part) {
            return part.equals("first") ? first : null;
        }

        @Override
        public String toString() {
            return whole;
        }
    }

    /** A list: as itself all of it in a line, with a section a part for each item. */
    private static final class Listed extends AbstractList<String> {
        private final List<String> items;
        private final String line;

        Listed(List<String> items, String line) {
            this.items = items;
            this.line = line;
        }

        @Override
        public String get(int index) {
            return items.get(index);
        }

        @Override
        public int size() {
            return items.size();
        }

        @Override
        public String toString() {
            return line;
        }
    }

    private static final Pattern WITH_FALLBACK =
            Pattern.compile("\\{\\{\\s*([a-z][a-z0-9_]*)(\\.first)?\\s*\\|([^{}]*)\\}\\}");

    /** "£307.5" is written with all its pence; "£2.5m" is not meant. */
    private static final Pattern HALF_PENCE = Pattern.compile("([£$€]\\d++\\.\\d)(?![\\d\\p{L}])");

    private Texts() {}

    /** What is known while a text is filled. @param system what the engine itself knows, such as the page */
    public record Known(
            Map<String, Value> variables, Map<String, ValueType> types, Map<String, Value> system, String botName) {}

    /**
     * The text with its {@code {{placeholders}}} (Mustache) filled from what is known; unknown ones are left out, or give
     * way to what stands after a bar: {@code {{name|there}}} is short for <code>{{name}}{{^name}}there{{/name}}</code>. What
     * visitors typed or their browsers told cannot bring in Markdown. A text that is no template is returned as it is.
     */
    public static String fill(String text, Known known) {
        return filled(text, known, Texts::escaped);
    }

    /**
     * An address with its placeholders filled, as part of an address where something stands before them; empty where it does
     * not lead to a page of the web or to a picture or file that is kept here.
     */
    public static String fillAddress(String address, Known known) {
        String bare = address.strip();
        UnaryOperator<String> written = bare.startsWith("{{")
                ? UnaryOperator.identity()
                : value -> URLEncoder.encode(value, StandardCharsets.UTF_8);
        String filled = filled(bare, known, written);
        return Media.isAddress(filled) ? filled : "";
    }

    private static String filled(String text, Known known, UnaryOperator<String> written) {
        if (!text.contains("{{")) {
            return text;
        }
        Mustache.CustomContext context = name -> shown(name, known, written);
        try {
            String plain = WITH_FALLBACK.matcher(text).replaceAll("{{$1$2}}{{^$1}}$3{{/$1}}");
            String filled = COMPILER.compile(plain).execute(context).strip();
            return HALF_PENCE.matcher(filled).replaceAll("$10");
        } catch (MustacheException e) {
            return text;
        }
    }

    private static @Nullable Object shown(String name, Known known, UnaryOperator<String> written) {
        Value value = known.variables().get(name);
        if (value == null) {
            Value system = known.system().get(name);
            return system != null ? written.apply(system.shown()) : name.equals("bot") ? known.botName() : null;
        }
        if (value instanceof Value.Many(List<String> items)) {
            return new Listed(items.stream().map(written).toList(), written.apply(value.shown()));
        }
        String shown = written.apply(value.shown());
        return known.types().get(name) == ValueType.PERSON_NAME
                ? new Name(shown, written.apply(Regex.split(value.shown(), "\\s+", 2)[0]))
                : shown;
    }

    /** Whether a text has a place for a variable, or for a part of it. */
    public static boolean fills(String text, String variable) {
        return Regex.matches(text, "(?s).*\\{\\{[{#&]?\\s*\\Q" + variable + "\\E\\b.*");
    }

    /** What a visitor typed, so that it cannot bring in Markdown. */
    public static String escaped(String typed) {
        return MARKDOWN.matcher(typed).replaceAll("\\\\$0");
    }

    /** A filled text as those read it to whom it is shown without Markdown. */
    public static String unescaped(String filled) {
        return ESCAPED.matcher(filled).replaceAll("$1");
    }

    /** Marks within addresses and amounts end nothing. */
    private static boolean endsSentence(String text, int at) {
        return text.charAt(at) == '\n'
                || ".!?".indexOf(text.charAt(at)) >= 0 && Character.isWhitespace(text.charAt(at + 1));
    }

    /** The last question of a text, for putting it again in fewer words; the whole text where it has none. */
    public static String shorter(String text) {
        String bare = text.strip();
        if (!bare.endsWith("?")) {
            return text;
        }
        int begin = bare.length() - 1;
        while (begin > 0 && !endsSentence(bare, begin - 1)) {
            begin--;
        }
        String question = bare.substring(begin).strip();
        return question.length() > 1 ? question : text;
    }
}
