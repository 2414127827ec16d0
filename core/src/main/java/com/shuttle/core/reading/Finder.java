package com.shuttle.core.reading;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Finds what a {@link Pattern} finds, but tries it only where a match may begin. Which characters those are is asked of the
 * pattern itself, once: by the contract of {@link Matcher#hitEnd}, a match of a text of one character that fails without
 * having hit its end fails whatever follows. Lists of words, of which readers have many, begin with few letters, and most
 * places of most messages need no look. Characters beyond ASCII are always tried. For expressions that do not look behind
 * themselves for something that must be there. Immutable and thread-safe.
 */
public final class Finder {

    private static final int ASCII = 128;

    private final Pattern pattern;
    private final BitSet begins = new BitSet(ASCII);
    /** Whether a match only begins where a word begins or ends. */
    private final boolean atBounds;

    private Finder(Pattern pattern) {
        this.pattern = pattern;
        this.atBounds = pattern.pattern().startsWith("\\b");
        if (pattern.pattern().contains("(?<=") || pattern.pattern().contains("\\B")) {
            throw new IllegalArgumentException("expected no look behind in " + pattern);
        }
        for (char c = 0; c < ASCII; c++) {
            begins.set(c, mayBegin("", c) || mayBegin("a", c) || mayBegin(" ", c));
        }
    }

    private boolean mayBegin(String before, char c) {
        Matcher matcher = within(before + c);
        matcher.region(before.length(), before.length() + 1);
        return matcher.lookingAt() || matcher.hitEnd();
    }

    /** What is found whatever its case. */
    public static Finder of(String regex) {
        return new Finder(Pattern.compile(regex, Pattern.CASE_INSENSITIVE));
    }

    public static Finder ofExactly(String regex) {
        return new Finder(Pattern.compile(regex));
    }

    public boolean in(String text) {
        return find(within(text), text, 0);
    }

    /** The first match; null for none. */
    public @Nullable MatchResult first(String text) {
        Matcher matcher = within(text);
        return find(matcher, text, 0) ? matcher.toMatchResult() : null;
    }

    /** All matches in their order, none of which overlap; so many at most. */
    public List<MatchResult> all(String text, int most) {
        List<MatchResult> found = new ArrayList<>();
        Matcher matcher = within(text);
        int at = 0;
        while (found.size() < most && find(matcher, text, at)) {
            found.add(matcher.toMatchResult());
            at = matcher.end() > matcher.start() ? matcher.end() : matcher.end() + 1;
        }
        return found;
    }

    private Matcher within(String text) {
        return pattern.matcher(text).useTransparentBounds(true).useAnchoringBounds(false);
    }

    private boolean find(Matcher matcher, String text, int from) {
        for (int i = from; i < text.length(); i++) {
            char c = text.charAt(i);
            if ((c >= ASCII || begins.get(c)) && !(atBounds && i > 0 && isWord(c) && isWord(text.charAt(i - 1)))) {
                matcher.region(i, text.length());
                if (matcher.lookingAt()) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean isWord(char c) {
        return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9' || c == '_';
    }
}
