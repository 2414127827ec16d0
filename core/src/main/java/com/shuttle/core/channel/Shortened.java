package com.shuttle.core.channel;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Labels made short enough. In this order, and no further than needed: what stands in parentheses goes, then small words that
 * carry nothing, then whole words from the end, and last, where even the first word is too long, its letters. What is left never
 * ends in a word that expects another.
 */
public final class Shortened {

    private static final Pattern PARENTHESES = Pattern.compile("\\s*\\([^()]*\\)");
    private static final Pattern SPACE = Pattern.compile("\\s+");
    private static final Set<String> CARRY_NOTHING =
            Set.of("a", "an", "the", "please", "just", "some", "any", "really");
    private static final Set<String> EXPECT_MORE = Set.of(
            "a", "an", "the", "and", "or", "but", "of", "for", "with", "to", "in", "on", "at", "by", "from", "about",
            "my", "our", "your", "is", "are", "i", "we", "not", "–", "-", "&", "/", "+");

    private Shortened() {}

    /**
     * A label in at most {@code most} code points, at least 2; itself where it fits.
     *
     * @return not blank unless the label is
     */
    public static String to(int most, String label) {
        String clean = SPACE.matcher(label.strip()).replaceAll(" ");
        if (fits(clean, most)) {
            return clean;
        }
        String bare = PARENTHESES.matcher(clean).replaceAll("").strip();
        if (!bare.isEmpty() && fits(bare, most)) {
            return bare;
        }
        List<String> words = List.of((bare.isEmpty() ? clean : bare).split(" "));
        List<String> heavy = words.stream()
                .filter(word -> !CARRY_NOTHING.contains(word.toLowerCase(Locale.ROOT)))
                .toList();
        return capital(clean, cut(heavy.isEmpty() ? words : heavy, most));
    }

    private static String cut(List<String> words, int most) {
        for (int many = words.size(); many > 0; many--) {
            String last = words.get(many - 1).toLowerCase(Locale.ROOT);
            String joined = String.join(" ", words.subList(0, many)).replaceFirst("[,;:.–-]+$", "");
            if (fits(joined, most) && !joined.isEmpty() && (many == 1 || !EXPECT_MORE.contains(last))) {
                return joined;
            }
        }
        String first = words.getFirst();
        return first.substring(0, first.offsetByCodePoints(0, Math.min(most - 1, letters(first)))) + "…";
    }

    private static String capital(String original, String cut) {
        return Character.isUpperCase(original.codePointAt(0))
                ? Character.toUpperCase(cut.charAt(0)) + cut.substring(1)
                : cut;
    }

    static int letters(String text) {
        return text.codePointCount(0, text.length());
    }

    static boolean fits(String text, int most) {
        return letters(text) <= most;
    }
}
