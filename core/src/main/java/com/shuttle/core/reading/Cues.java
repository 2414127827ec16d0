package com.shuttle.core.reading;

import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** How strongly the words around a value point to a slot. */
final class Cues {

    private static final Pattern POSSESSIVE = Pattern.compile("['’]s(?![\\p{L}'’])", Pattern.CASE_INSENSITIVE);

    private Cues() {}

    /**
     * 0 for no cue. A cue counts more the nearer it stands; only words between this mention and its neighbours and in the
     * same sentence count, and those before count over those after.
     */
    static int score(String text, Mention mention, List<Mention> all, Set<String> cues) {
        int from = 0;
        int to = text.length();
        for (Mention other : all) {
            if (other.end() <= mention.start()) {
                from = Math.max(from, other.end());
            }
            if (other.start() >= mention.end()) {
                to = Math.min(to, other.start());
            }
        }
        List<String> before = words(lastSentence(text.substring(Math.min(from, mention.start()), mention.start())));
        List<String> after = words(firstClause(text.substring(mention.end(), Math.max(mention.end(), to))));
        int score = 0;
        for (int i = 0; i < Math.min(6, before.size()); i++) {
            if (cues.contains(before.get(before.size() - 1 - i))) {
                score = Math.max(score, 20 - 2 * i);
            }
        }
        for (int i = 0; i < Math.min(3, after.size()); i++) {
            if (cues.contains(after.get(i))) {
                score = Math.max(score, 14 - 3 * i);
            }
        }
        return score;
    }

    static List<String> words(String text) {
        return Words.of(POSSESSIVE.matcher(text.replace('-', ' ')).replaceAll(""));
    }

    private static String lastSentence(String text) {
        int at = Math.max(text.lastIndexOf(". "), Math.max(text.lastIndexOf('\n'), text.lastIndexOf("; ")));
        return text.substring(at + 1);
    }

    private static String firstClause(String text) {
        return Regex.split(text, "[,.;\\n!?]|\\sand\\s", 2)[0];
    }
}
