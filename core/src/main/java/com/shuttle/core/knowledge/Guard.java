package com.shuttle.core.knowledge;

import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/**
 * Compares a rewording with what it is made from: whatever numbers, names, links or negations it brings in or leaves out.
 * Rather strict than clever: a rewording that is dropped costs nothing, one that invents costs trust. Pure functions.
 */
public final class Guard {

    private static final Pattern LINK = Pattern.compile(
            "(?i)\\b(?:https?://|www\\.)[^\\s)>\\]]+|(?<![\\w.+-])[\\w.+-]++@[\\w-]+(?:\\.[\\w-]+)+|(?<=\\]\\()[^)\\s]+");
    private static final Pattern FIGURE = Pattern.compile("\\d+(?:[.,:]\\d++)*+");
    private static final Pattern WORD = Pattern.compile("\\p{L}+(?:['’]\\p{L}+)?");
    private static final Pattern SENTENCE_START = Pattern.compile("(?:^|[.!?:;\\n*\\-–•>]\\s*|[“\"(\\[]\\s*)$");
    private static final Pattern NEGATION =
            Pattern.compile("(?i)\\b(?:not|no|never|nobody|none|without|cannot|\\w+n['’]t)\\b");

    private static final List<String> NUMBER_WORDS = List.of(
            "zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve");
    private static final Map<String, String> OTHER_NUMBERS = Map.of(
            "dozen", "12", "twenty", "20", "thirty", "30", "forty", "40", "fifty", "50", "hundred", "100", "half",
            "0.5");

    /** A rewording may be this much longer than what it is made from. */
    private static final int TIMES_LONGER = 2;

    private static final int LONGER = 200;

    private static final int LONGEST_WORD = 60;

    private Guard() {}

    /** What speaks against a rewording, a few words each; empty where nothing does. */
    public static List<String> faults(String source, String rewording) {
        List<String> faults = new ArrayList<>();
        if (rewording.isBlank()) {
            faults.add("it is empty");
        }
        if (rewording.length() > source.length() * TIMES_LONGER + LONGER) {
            faults.add("it is much longer");
        }
        Set<String> links = links(source);
        for (String link : links(rewording)) {
            if (!links.contains(link)) {
                faults.add("the link " + link);
            }
        }
        String plainSource = LINK.matcher(source).replaceAll(" ");
        String plain = LINK.matcher(rewording).replaceAll(" ");
        Set<String> words = words(plainSource);
        Set<String> figures = figures(plainSource, words);
        for (String figure : figures(plain, words(plain))) {
            if (!figures.contains(figure)) {
                faults.add("the number " + figure);
            }
        }
        WORD.matcher(plain).results().forEach(match -> {
            if (isName(plain, match) && !words.contains(lower(match.group()))) {
                faults.add("the name " + match.group());
            }
        });
        if (NEGATION.matcher(plainSource).find() != NEGATION.matcher(plain).find()) {
            faults.add("a “not” more or less");
        }
        return faults.stream().distinct().toList();
    }

    private static Set<String> links(String text) {
        Set<String> links = new HashSet<>();
        LINK.matcher(text)
                .results()
                .forEach(match -> links.add(
                        match.group().replaceAll("(?<![.,;:!?])[.,;:!?]++$", "").toLowerCase(Locale.ROOT)));
        return links;
    }

    /** @param words the text's own */
    private static Set<String> figures(String text, Set<String> words) {
        Set<String> figures = new HashSet<>();
        FIGURE.matcher(text).results().forEach(match -> figures.add(match.group()));
        for (String word : words) {
            int value = NUMBER_WORDS.indexOf(word);
            // "One" is as often a pronoun.
            if (value >= 0 && value != 1) {
                figures.add(Integer.toString(value));
            } else if (OTHER_NUMBERS.containsKey(word)) {
                figures.add(OTHER_NUMBERS.get(word));
            }
        }
        return figures;
    }

    private static Set<String> words(String text) {
        Set<String> words = new HashSet<>();
        WORD.matcher(text).results().forEach(match -> words.add(lower(match.group())));
        return words;
    }

    /** No word is longer than this, and lower case of some letters costs the square of their number. */
    private static String lower(String word) {
        return word.length() > LONGEST_WORD ? word : word.toLowerCase(Locale.ROOT);
    }

    /** A word with a capital, unless a sentence begins there with an everyday word. */
    private static boolean isName(String text, MatchResult match) {
        String word = match.group();
        if (!Character.isUpperCase(word.charAt(0))
                || word.equals("I")
                || word.startsWith("I'")
                || word.startsWith("I’")) {
            return false;
        }
        boolean begins = SENTENCE_START
                        .matcher(text.substring(Math.max(0, match.start() - 20), match.start()))
                        .find()
                || match.start() == 0;
        return !begins || !Words.everyday(lower(word));
    }
}
