package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Which of the offered options typed text means. Tried in this order, the first rule that speaks decides: the whole
 * label or synonym; position ("the second"); all words of a label or synonym in the text, or the text part of one;
 * small misspelling of a label's telling words. Two options that a rule likes equally are <i>unclear</i>. Meaning is
 * the caller's to ask after that. Pure function.
 */
public final class OptionMatcher {

    /** What was matched and how, for the trace. */
    public sealed interface Match {
        /** @param by the rule, in words for designers */
        record One(Option option, String by) implements Match {}

        record Several(List<Option> options) implements Match {
            public Several {
                options = List.copyOf(options);
            }
        }

        record None() implements Match {}
    }

    private static final Match NONE = new Match.None();
    private static final Map<String, Integer> POSITIONS = Map.ofEntries(
            Map.entry("first", 0),
            Map.entry("1st", 0),
            Map.entry("second", 1),
            Map.entry("2nd", 1),
            Map.entry("third", 2),
            Map.entry("3rd", 2),
            Map.entry("fourth", 3),
            Map.entry("4th", 3),
            Map.entry("fifth", 4),
            Map.entry("5th", 4),
            Map.entry("sixth", 5),
            Map.entry("6th", 5),
            Map.entry("seventh", 6),
            Map.entry("7th", 6));
    private static final Set<String> FILLERS = Set.of(
            "the", "a", "an", "one", "please", "i", "i'd", "like", "want", "to", "would", "option", "number", "and",
            "of", "for", "my", "me", "it", "that", "this", "is", "about", "in", "on", "with", "do", "you", "your",
            "can", "what", "s", "let's", "go", "think", "we", "us", "our", "some", "just", "need", "have", "thanks",
            "yes", "no", "not");

    private OptionMatcher() {}

    /** Matches {@code text} against {@code options}; options with an empty label never match. */
    public static Match match(String text, List<Option> options) {
        List<String> words = Words.of(text);
        if (words.isEmpty() || options.isEmpty()) {
            return NONE;
        }
        String normal = String.join(" ", words);
        List<Option> whole = new ArrayList<>();
        for (Option option : options) {
            if (names(option).stream().anyMatch(name -> name.equals(normal))) {
                whole.add(option);
            }
        }
        if (!whole.isEmpty()) {
            return decide(whole, "its label");
        }
        Match position = position(words, options);
        if (!(position instanceof Match.None)) {
            return position;
        }
        if (Words.looksLikeQuestion(text)) {
            return NONE;
        }
        List<String> telling =
                words.stream().filter(word -> !FILLERS.contains(word)).toList();
        if (telling.isEmpty()) {
            return NONE;
        }
        Match part = best(telling, options, false, "part of its label");
        return part instanceof Match.None ? best(telling, options, true, "a small misspelling") : part;
    }

    private static Match position(List<String> words, List<Option> options) {
        List<String> bare =
                words.stream().filter(word -> !FILLERS.contains(word)).toList();
        if (bare.size() != 1) {
            return NONE;
        }
        String word = bare.getFirst();
        Integer index = POSITIONS.get(word);
        if (word.equals("last")) {
            index = options.size() - 1;
        } else if (index == null && word.matches("\\d{1,2}")) {
            index = Integer.parseInt(word) - 1;
        }
        return index != null && index >= 0 && index < options.size()
                ? new Match.One(options.get(index), "its position")
                : NONE;
    }

    /** The option that shares the largest part of its telling words, at least half of them and most of the text's. */
    private static Match best(List<String> telling, List<Option> options, boolean slips, String by) {
        double best = 0;
        List<Option> winners = new ArrayList<>();
        for (Option option : options) {
            double score = 0;
            for (String name : names(option)) {
                score = Math.max(score, overlap(telling, name, slips));
            }
            if (score > best + 1e-9) {
                best = score;
                winners.clear();
            }
            if (score > 0 && score >= best - 1e-9) {
                winners.add(option);
            }
        }
        return winners.isEmpty() ? NONE : decide(winners, by);
    }

    private static double overlap(List<String> telling, String name, boolean slips) {
        List<String> of =
                Words.of(name).stream().filter(word -> !FILLERS.contains(word)).toList();
        if (of.isEmpty()) {
            return 0;
        }
        long shared = of.stream()
                .filter(word -> telling.stream().anyMatch(typed -> same(typed, word, slips)))
                .count();
        long used = telling.stream()
                .filter(typed -> of.stream().anyMatch(word -> same(typed, word, slips)))
                .count();
        double ofName = (double) shared / of.size();
        double ofText = (double) used / telling.size();
        boolean enough = ofName >= 0.999 && ofText >= 0.2 || ofText >= 0.999 || ofName >= 0.5 && ofText >= 0.5;
        return shared > 0 && enough ? ofName + ofText : 0;
    }

    private static boolean same(String typed, String word, boolean slips) {
        if (typed.equals(word) || stem(typed).equals(stem(word))) {
            return true;
        }
        int limit = Math.min(Words.slips(typed), Words.slips(word));
        return slips && limit > 0 && Words.distance(typed, word, limit) <= limit;
    }

    private static String stem(String word) {
        return word.length() > 3 && word.endsWith("s") ? word.substring(0, word.length() - 1) : word;
    }

    private static List<String> names(Option option) {
        List<String> names = new ArrayList<>();
        names.add(Words.normal(option.label()));
        option.also().forEach(other -> names.add(Words.normal(other)));
        names.removeIf(String::isBlank);
        return names;
    }

    private static Match decide(List<Option> options, String by) {
        return options.size() == 1 ? new Match.One(options.getFirst(), by) : new Match.Several(options);
    }
}
