package com.shuttle.core.channel;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * What a channel to phones says itself, and which words it obeys or passes over, in one language. The English words are obeyed in
 * every language, since networks and habits know them.
 *
 * @param choose    opens a list of options
 * @param onward    the row of a list that leads to the next options
 * @param further   stands over the next options
 * @param others    title of options without a group among groups
 * @param moreHint  how to get the other options by typing
 * @param severally how to pick several by typing
 * @param stops     words for no more messages, in lower case, each alone in a message
 * @param starts    words for messages again
 * @param mores     words for the next options
 * @param greetings words that only greet
 */
public record PhoneWords(
        String choose,
        String onward,
        String further,
        String others,
        String moreHint,
        String severally,
        Set<String> stops,
        Set<String> starts,
        Set<String> mores,
        Set<String> greetings) {

    public static final PhoneWords ENGLISH = of(UnaryOperator.identity());

    private static final String STOPS = "stop, stop all, stopall, unsubscribe, quit, end";
    private static final String STARTS = "start, unstop, subscribe";
    private static final String MORES = "more";
    private static final String GREETINGS =
            "hi, hello, hey, hiya, good morning, good afternoon, good evening, good day";

    public PhoneWords {
        stops = Set.copyOf(stops);
        starts = Set.copyOf(starts);
        mores = Set.copyOf(mores);
        greetings = Set.copyOf(greetings);
    }

    /** @param word what English words are in the language; lists of words are separated by commas */
    public static PhoneWords of(UnaryOperator<String> word) {
        return new PhoneWords(
                word.apply("Choose"),
                word.apply("More…"),
                word.apply("The next ones"),
                word.apply("Others"),
                word.apply("MORE for the others"),
                word.apply("Reply with the numbers, such as 1, 2"),
                both(STOPS, word),
                both(STARTS, word),
                both(MORES, word),
                both(GREETINGS, word));
    }

    private static Set<String> both(String english, UnaryOperator<String> word) {
        Set<String> all = new LinkedHashSet<>();
        for (String list : new String[] {english, word.apply(english)}) {
            Arrays.stream(list.split(","))
                    .map(one -> one.strip().toLowerCase(Locale.ROOT))
                    .filter(one -> !one.isEmpty())
                    .forEach(all::add);
        }
        return all;
    }

    /** Whether a message only greets: one of the greetings, to somebody or nobody, with marks behind it. */
    public boolean greets(String text) {
        String bare = text.strip().toLowerCase(Locale.ROOT).replaceFirst("[\\s!.,]+$", "");
        return greetings.contains(bare)
                || greetings.contains(bare.replaceFirst("[\\s,]+(there|again|everybody|all)$", ""));
    }
}
