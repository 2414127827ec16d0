package com.shuttle.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A message cut into words, figures and single signs, with where each stands. Figures keep the points, commas and
 * colons between their digits ("1,250", "14.4", "7:30").
 */
final class Tokens {

    private static final Pattern TOKEN = Pattern.compile("\\d+(?:[.,:]\\d+)*|\\p{L}+(?:'\\p{L}+)*|\\S");

    private final String text;
    private final List<Token> tokens;

    /** @param word lower case */
    record Token(String word, int start, int end) {
        boolean figure() {
            return Character.isDigit(word.charAt(0));
        }

        boolean letters() {
            return Character.isLetter(word.charAt(0));
        }
    }

    private static final Token NONE = new Token("\u0000", 0, 0);

    private Tokens(String text, List<Token> tokens) {
        this.text = text;
        this.tokens = tokens;
    }

    static Tokens of(String text) {
        List<Token> tokens = new ArrayList<>();
        Matcher matcher = TOKEN.matcher(text);
        while (matcher.find()) {
            tokens.add(new Token(matcher.group().toLowerCase(Locale.ROOT), matcher.start(), matcher.end()));
        }
        return new Tokens(text, tokens);
    }

    String text() {
        return text;
    }

    int size() {
        return tokens.size();
    }

    /** The token at {@code i}; one that equals nothing where there is none. */
    Token at(int i) {
        return i >= 0 && i < tokens.size() ? tokens.get(i) : NONE;
    }

    String word(int i) {
        return at(i).word();
    }

    boolean is(int i, String word) {
        return word(i).equals(word);
    }

    /** Whether the word is written in digits only, so many of them. */
    boolean isFigures(int i, int least, int most) {
        String word = word(i);
        return word.length() >= least && word.length() <= most && word.chars().allMatch(c -> c >= '0' && c <= '9');
    }

    boolean is(int i, Set<String> words) {
        return words.contains(word(i));
    }

    /** Whether the words from {@code i} on are these. */
    boolean follows(int i, String... words) {
        for (int k = 0; k < words.length; k++) {
            if (!is(i + k, words[k])) {
                return false;
            }
        }
        return true;
    }

    /** Whether nothing stands between token {@code i} and the next. */
    boolean touches(int i) {
        return i >= 0
                && i + 1 < tokens.size()
                && tokens.get(i).end() == tokens.get(i + 1).start();
    }

    /** The first index from {@code i} on whose word is none of these. */
    int skip(int i, Set<String> words) {
        int at = i;
        while (is(at, words)) {
            at++;
        }
        return at;
    }

    int start(int i) {
        return at(i).start();
    }

    /** Where the token before {@code next} ends. */
    int endBefore(int next) {
        return at(next - 1).end();
    }
}
