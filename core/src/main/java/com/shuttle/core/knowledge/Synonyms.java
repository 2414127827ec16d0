package com.shuttle.core.knowledge;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Words that mean the same in a collection. In a question, one that the collection never uses is replaced by the one of
 * its group that the collection uses most, because sentence models do not know house words. Immutable; thread-safe.
 */
final class Synonyms {

    private record Rule(Pattern words, String instead) {}

    private final List<Rule> rules = new ArrayList<>();
    private final Map<String, Set<String>> byStem = new LinkedHashMap<>();

    /**
     * @param counts of the collection's words
     * @param texts  of the collection; only read for synonyms of several words
     */
    Synonyms(List<List<String>> groups, WordCounts counts, Supplier<Stream<String>> texts) {
        for (List<String> group : groups) {
            Map<String, Long> uses = new LinkedHashMap<>();
            group.forEach(word -> uses.put(word, uses(word.toLowerCase(Locale.ROOT), counts, texts)));
            String usual = group.stream()
                    .reduce((a, b) -> requireNonNull(uses.get(b)) > requireNonNull(uses.get(a)) ? b : a)
                    .orElse("");
            uses.forEach((word, times) -> {
                if (times == 0 && !word.equals(usual)) {
                    rules.add(new Rule(whole(word), usual));
                }
            });
            Set<String> stems = new LinkedHashSet<>();
            group.stream().map(WordIndex::stems).filter(of -> of.size() == 1).forEach(stems::addAll);
            stems.forEach(stem ->
                    byStem.computeIfAbsent(stem, s -> new LinkedHashSet<>()).addAll(stems));
        }
    }

    private static long uses(String word, WordCounts counts, Supplier<Stream<String>> texts) {
        if (WordCounts.isWord(word)) {
            return counts.times(word) + counts.times(word + "s");
        }
        Pattern whole = whole(word);
        return texts.get()
                .mapToLong(text -> whole.matcher(text).results().count())
                .sum();
    }

    private static Pattern whole(String word) {
        return Pattern.compile(
                "\\b" + Pattern.quote(word) + "(s?)\\b", Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
    }

    String replaced(String question) {
        String replaced = question;
        for (Rule rule : rules) {
            replaced = rule.words().matcher(replaced).replaceAll(Matcher.quoteReplacement(rule.instead()) + "$1");
        }
        return replaced;
    }

    /** The stems of the single words that mean the same as one of this stem, itself among them; empty where none does. */
    Set<String> ofStem(String stem) {
        return byStem.getOrDefault(stem, Set.of());
    }
}
