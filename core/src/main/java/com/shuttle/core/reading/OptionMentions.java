package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import com.shuttle.core.reading.Tokens.Token;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Where a message names options: a label's words one after the other, or one word that a single option has. The values
 * of the mentions are the options' ids.
 */
final class OptionMentions {

    /** Said of when something is, and so no sign of an option that has such a word beside others. */
    private static final Set<String> OF_ANY_DAY = Set.of(
            "morning", "afternoon", "evening", "night", "tonight", "day", "days", "weekend", "week", "hour", "hours");

    /** "Sixty" is no slip for "sixth". */
    private static final Set<String> TENS =
            Set.of("thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety", "seven", "eight", "three");

    private OptionMentions() {}

    static List<Mention> find(String text, List<Option> options) {
        Tokens tokens = Tokens.of(text);
        Map<String, Option> telling = telling(options);
        List<Name> names = names(options);
        List<Mention> found = new ArrayList<>();
        int i = 0;
        while (i < tokens.size()) {
            Mention whole = whole(tokens, i, names);
            if (whole == null && tokens.at(i).letters()) {
                Option option = near(tokens.word(i), telling);
                whole = option == null ? null : mention(option, tokens.at(i), tokens.at(i));
                if (whole == null && tokens.at(i + 1).letters()) {
                    // "pic nic"
                    Option apart = telling.get(WordForms.stem(tokens.word(i) + tokens.word(i + 1)));
                    whole = apart == null ? null : mention(apart, tokens.at(i), tokens.at(i + 1));
                }
            }
            if (whole == null) {
                i++;
                continue;
            }
            found.add(whole);
            while (i < tokens.size() && tokens.start(i) < whole.end()) {
                i++;
            }
        }
        return found;
    }

    static Option option(Mention mention, List<Option> options) {
        String id = mention.values().getFirst().shown();
        return options.stream()
                .filter(option -> option.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** @param joined all words in one ("handbuilding"); empty where that is nothing else, or too short to be told by */
    private record Name(Option option, String[] words, String joined) {}

    private static List<Name> names(List<Option> options) {
        List<Name> names = new ArrayList<>();
        for (Option option : options) {
            for (String name : OptionMatcher.names(option)) {
                String[] words = name.split(" ");
                names.add(new Name(option, words, words.length > 1 && name.length() > 6 ? String.join("", words) : ""));
            }
        }
        return names;
    }

    private static @org.jspecify.annotations.Nullable Mention whole(Tokens tokens, int i, List<Name> names) {
        Mention longest = null;
        for (Name name : names) {
            int end = tokens.is(i, name.joined()) ? i + 1 : end(tokens, i, name.words());
            if (end > i) {
                Mention mention = mention(name.option(), tokens.at(i), tokens.at(end - 1));
                longest = longest == null || mention.end() > longest.end() ? mention : longest;
            }
        }
        return longest;
    }

    /** The token after a name that begins at {@code i}; {@code i} where it does not. */
    private static int end(Tokens tokens, int i, String[] words) {
        int at = i;
        int matched = 0;
        while (matched < words.length && at < tokens.size()) {
            if (!tokens.at(at).letters() && !tokens.at(at).figure() && matched > 0) {
                at++;
            } else if (WordForms.same(tokens.word(at), words[matched], words[matched].length() > 5)
                    || isToBeDone(tokens, at, words[matched])) {
                matched++;
                at++;
            } else {
                return i;
            }
        }
        return matched == words.length ? at : i;
    }

    /** Before what somebody wants done: "to be felled", "have it pruned". */
    private static final Set<String> WANTED_DONE = WordLists.load("wanted-done.txt");

    private static boolean isToBeDone(Tokens tokens, int at, String word) {
        return tokens.is(at - 1, WANTED_DONE) && WordForms.isDone(tokens.word(at), word);
    }

    private static Mention mention(Option option, Token first, Token last) {
        return Mention.of(new Value.Text(option.id()), first.start(), last.end());
    }

    /** Words that just one option has, except the smallest. */
    private static Map<String, Option> telling(List<Option> options) {
        Map<String, Option> telling = new HashMap<>();
        Map<String, Integer> owners = new HashMap<>();
        for (Option option : options) {
            OptionMatcher.names(option).stream()
                    .flatMap(name -> List.of(name.split(" ")).stream())
                    .filter(word -> word.length() > 2
                            && !OptionMatcher.FILLERS.contains(word)
                            && !OF_ANY_DAY.contains(word)
                            && !Character.isDigit(word.charAt(0)))
                    .map(WordForms::stem)
                    .distinct()
                    .forEach(word -> {
                        owners.merge(word, 1, Integer::sum);
                        telling.put(word, option);
                    });
        }
        telling.keySet().removeIf(word -> owners.getOrDefault(word, 0) > 1);
        return telling;
    }

    /** "We booked" wants no booking. */
    private static boolean isPast(String typed, String word) {
        return typed.endsWith("ed") && !word.endsWith("ed");
    }

    /** Whether a mention is a label or a synonym, and not just a word of one. */
    static boolean isWhole(Mention mention, String text, List<Option> options) {
        String said = Words.normal(text.substring(mention.start(), mention.end()));
        return OptionMatcher.names(option(mention, options)).stream()
                .anyMatch(name -> WordForms.same(said, name, true));
    }

    private static @org.jspecify.annotations.Nullable Option near(String typed, Map<String, Option> telling) {
        Option exact = telling.get(WordForms.stem(typed));
        if (exact != null || typed.length() < 5 || TENS.contains(typed)) {
            return exact;
        }
        for (Map.Entry<String, Option> entry : telling.entrySet()) {
            String word = entry.getKey();
            boolean inflected = word.length() >= 5
                    && (typed.startsWith(word.substring(0, word.length() - 1)) && !isPast(typed, word)
                            || word.startsWith(typed))
                    && Math.abs(typed.length() - word.length()) <= 4;
            if (inflected || word.length() >= 5 && WordForms.same(typed, word, true)) {
                return entry.getValue();
            }
        }
        return null;
    }
}
