package com.shuttle.core.reading;

import java.util.List;
import java.util.Set;

/** Reads yes or no from the word a message opens with, or from set phrases. */
final class YesNoReader {

    private static final Set<String> YES = Set.of(
            "yes",
            "y",
            "yeah",
            "yep",
            "yup",
            "ya",
            "sure",
            "ok",
            "okay",
            "certainly",
            "absolutely",
            "definitely",
            "please",
            "correct",
            "right",
            "true",
            "indeed",
            "course",
            "fine",
            "affirmative",
            "aye",
            "yes please",
            "of course",
            "go ahead",
            "sounds good",
            "why not",
            "i do",
            "i am",
            "we do",
            "we are",
            "please do",
            "that's right");
    private static final Set<String> NO = Set.of(
            "no",
            "n",
            "nope",
            "nah",
            "never",
            "negative",
            "false",
            "incorrect",
            "wrong",
            "no thanks",
            "no thank you",
            "not really",
            "not now",
            "not yet",
            "i don't",
            "i do not",
            "i'm not",
            "i am not",
            "we don't",
            "we aren't",
            "certainly not",
            "of course not",
            "definitely not",
            "absolutely not",
            "not at all");

    private YesNoReader() {}

    static Reading read(String text) {
        List<String> words = Words.of(text);
        if (words.isEmpty()) {
            return text.contains("👍") ? given(true, text) : text.contains("👎") ? given(false, text) : Reading.NOTHING;
        }
        for (int length = Math.min(3, words.size()); length >= 1; length--) {
            String opening = String.join(" ", words.subList(0, length));
            if (NO.contains(opening)) {
                return given(false, text);
            }
            if (YES.contains(opening)) {
                return given(true, text);
            }
        }
        return Reading.NOTHING;
    }

    private static Reading given(boolean yes, String text) {
        return new Reading.Given(new Value.YesNo(yes), 0, text.length());
    }
}
