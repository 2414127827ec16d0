package com.shuttle.core.reading;

import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** Reads the name of a place in the reply to a question for one: what is left when the words around it are gone. */
final class PlaceReader {

    private static final Pattern LEAD = Pattern.compile(
            "^(?:(?:hi|hello|hey|well|um|so|oh|yes|sure|ok|sorry|no|actually|and|wait)[\\s,.!]+)*(?:(?:i(?:'m| am)|we(?:'re| are)|i live|we live|living|based|coming|travelling|somewhere|it's|it is|that's|the|place|town|city|village|is)\\s+)*(?:(?:in|from|at|near|around|close to|out of|to|by|based in)\\s+)*",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern TAIL = Pattern.compile(
            "[\\s,.!]*(?:please|thanks|thank you|mate|cheers|at the moment|right now|now)?[\\s.!]*$",
            Pattern.CASE_INSENSITIVE);

    /** Words of a sentence, and of no place. */
    private static final Set<String> SAYS = WordLists.load("in-sentences.txt");

    private PlaceReader() {}

    static Reading read(String text) {
        if (Words.looksLikeQuestion(text)) {
            return Reading.NOTHING;
        }
        String bare = TAIL.matcher(LEAD.matcher(text.strip()).replaceFirst(""))
                .replaceFirst("")
                .strip();
        List<String> words = Words.of(bare);
        boolean place = !(words.size() > 1 && NameReader.isTitle(words.getFirst()))
                && words.stream().noneMatch(SAYS::contains)
                && !words.isEmpty()
                && words.size() <= 8
                && Regex.matches(bare, ".*\\p{L}{2}.*")
                && bare.indexOf('@') < 0;
        if (!place) {
            return Reading.NOTHING;
        }
        int start = text.indexOf(bare);
        return new Reading.Given(new Value.Text(bare), start, start + bare.length());
    }
}
