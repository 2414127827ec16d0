package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Which of the offered options typed text means. Tried in this order, the first rule that speaks decides: the whole
 * label or synonym; position ("the second"); the interval a number falls in ("750" in "£500 to £1,000"); words of a
 * label in the text that still stand after denials and corrections; all words of a label, or the text part of one;
 * initials ("XL"); small misspelling of a label's telling words; meaning. Two options that a rule likes equally are
 * <i>unclear</i>. Pure function of its arguments.
 */
public final class OptionMatcher {

    /** What was matched and how, for the trace. */
    public sealed interface Match {
        /** @param by the rule, in words for designers */
        record One(Option option, String by) implements Match {}

        record Several(List<Option> options) implements Match {
            public Several {
                options = List.copyOf(options);
            }
        }

        record None() implements Match {}
    }

    /** From this cosine on, typed words mean an option that they share no word with. */
    static final double MEANT = 0.27;

    /** From this cosine on, words that tell of something may mean an option. */
    private static final double MEANT_TOLD = 0.42;

    /** An option meant must be nearer than the next by this much. */
    static final double MARGIN = 0.14;

    private static final Match NONE = new Match.None();
    static final Map<String, Integer> POSITIONS = Map.ofEntries(
            Map.entry("first", 0),
            Map.entry("1st", 0),
            Map.entry("second", 1),
            Map.entry("2nd", 1),
            Map.entry("third", 2),
            Map.entry("3rd", 2),
            Map.entry("fourth", 3),
            Map.entry("4th", 3),
            Map.entry("fifth", 4),
            Map.entry("5th", 4),
            Map.entry("sixth", 5),
            Map.entry("6th", 5),
            Map.entry("seventh", 6),
            Map.entry("7th", 6),
            Map.entry("two", 1),
            Map.entry("three", 2),
            Map.entry("four", 3),
            Map.entry("five", 4));
    static final Set<String> FILLERS = Set.of(
            "the", "a", "an", "one", "ones", "please", "pls", "i", "i'd", "i'll", "like", "want", "to", "would",
            "option", "number", "and", "of", "for", "my", "me", "it", "it's", "that", "this", "is", "about", "in", "on",
            "with", "do", "you", "your", "can", "what", "s", "let's", "go", "think", "we", "we'll", "us", "our", "some",
            "just", "need", "have", "thanks", "yes", "no", "not", "or", "be", "will", "only", "take", "at", "from",
            "by", "as", "so");

    private OptionMatcher() {}

    /** How an option was found that no word names. */
    public static final String BY_MEANING = "its meaning";

    /** How an option was found of which a word is written nearly like one that was said. */
    public static final String BY_SLIP = "a small misspelling";

    /** As {@link #match(String, List, Context, Meaning)} without numbers' habits and without meaning. */
    public static Match match(String text, List<Option> options) {
        return match(text, options, new Context("GB", java.time.LocalDateTime.MIN), Meaning.NONE);
    }

    /** Matches {@code text} against {@code options}; options with an empty label never match. */
    public static Match match(String message, List<Option> options, Context context, Meaning meaning) {
        String text = Words.readable(message);
        List<String> words = Words.of(text);
        if (words.isEmpty() || options.isEmpty()) {
            return NONE;
        }
        Match whole = whole(words, options);
        if (!(whole instanceof Match.None)) {
            return whole;
        }
        Match position = position(words, options);
        if (!(position instanceof Match.None)) {
            return position;
        }
        boolean asks = text.strip().endsWith("?") || Words.looksLikeQuestion(text);
        if (asks && !REQUESTS.matcher(text).find()) {
            return requested(text, options);
        }
        Match interval = interval(text, options, context);
        if (!(interval instanceof Match.None)) {
            return interval;
        }
        Match mentioned = mentioned(text, options);
        if (!(mentioned instanceof Match.None)) {
            return mentioned;
        }
        List<Option> denied = OptionsSaid.of(text, options).denied();
        if (!denied.isEmpty()) {
            // What follows knows nothing of negation; of the others, only what is named may be meant.
            List<Option> open =
                    options.stream().filter(option -> !denied.contains(option)).toList();
            return best(telling(Words.of(OptionsSaid.without(text, denied))), open, true, "what was not ruled out");
        }
        List<String> telling = telling(words);
        if (telling.isEmpty()) {
            return NONE;
        }
        Match initials = initials(telling, options);
        if (!(initials instanceof Match.None)) {
            return initials;
        }
        Match part = best(telling, options, false, "part of its label");
        if (!(part instanceof Match.None)) {
            return part;
        }
        Match slip = best(telling, options, true, BY_SLIP);
        return slip instanceof Match.None && !Words.opensQuestion(words) ? meant(text, options, meaning) : slip;
    }

    private static List<String> telling(List<String> words) {
        return words.stream().filter(word -> !FILLERS.contains(word)).toList();
    }

    static Match whole(List<String> words, List<Option> options) {
        String normal = String.join(" ", words);
        List<Option> whole = options.stream()
                .filter(option -> names(option).contains(normal))
                .toList();
        return whole.isEmpty() ? NONE : decide(whole, "its label");
    }

    /** "Just the two of us" and "for two" are no second option. */
    private static final Finder COUNTS_HEADS = Finder.of(
            "\\b(?:\\w+ of (?:us|them)|(?:we're|we are|there's|there are|there will be|us) \\w+$)|^(?:just |only )?for \\w+$");

    static Match position(List<String> words, List<Option> options) {
        List<String> bare =
                words.stream().filter(word -> !FILLERS.contains(word)).toList();
        if (bare.size() != 1 || COUNTS_HEADS.in(String.join(" ", words))) {
            return NONE;
        }
        String word = bare.getFirst();
        Integer index = POSITIONS.get(word);
        if (word.equals("last")) {
            index = options.size() - 1;
        } else if (word.equals("middle") && options.size() % 2 == 1) {
            index = options.size() / 2;
        } else if (index == null && Regex.matches(word, "\\d{1,2}")) {
            index = Integer.parseInt(word) - 1;
        }
        return index != null && index >= 0 && index < options.size()
                ? new Match.One(options.get(index), "its position")
                : NONE;
    }

    private static Match interval(String text, List<Option> options, Context context) {
        List<Interval> intervals = options.stream()
                .map(option -> Interval.of(option.label(), context))
                .toList();
        if (intervals.stream().filter(interval -> interval != null).count() < 2) {
            return NONE;
        }
        return Interval.said(text, context)
                .map(number -> {
                    List<Option> in = new ArrayList<>();
                    for (int i = 0; i < options.size(); i++) {
                        Interval interval = intervals.get(i);
                        if (interval != null && interval.holds(number)) {
                            in.add(options.get(i));
                        }
                    }
                    return in.isEmpty() ? NONE : decide(in, "the range it falls in");
                })
                .orElse(NONE);
    }

    /** Whole labels, or a telling word that one label alone has, that are named and neither denied nor corrected. */
    private static Match mentioned(String text, List<Option> options) {
        List<Mention> mentions = OptionMentions.find(text, options);
        List<Mention> standing = Settling.standing(text, mentions).stream()
                .filter(mention -> !OptionsSaid.denied(text, mention.start(), mention.end()))
                .toList();
        if (standing.isEmpty()
                || mentions.size() == standing.size()
                        && mentions.size() == 1
                        && Words.of(text).size() > 14) {
            return NONE;
        }
        Set<Option> found = new LinkedHashSet<>();
        for (Mention mention : standing) {
            found.add(OptionMentions.option(mention, options));
        }
        return decide(List.copyOf(found), mentions.size() > standing.size() ? "what was not ruled out" : "its words");
    }

    private static Match initials(List<String> telling, List<Option> options) {
        if (telling.size() != 1 || telling.getFirst().length() > 4) {
            return NONE;
        }
        List<Option> found = options.stream()
                .filter(option -> names(option).stream().anyMatch(name -> abbreviates(telling.getFirst(), name)))
                .toList();
        return found.size() == 1 ? decide(found, "its initials") : NONE;
    }

    /** Whether a typed word is the initials of a name: "xl" of "extra large", "s" of "small". */
    private static boolean abbreviates(String typed, String name) {
        String[] words = name.split(" ");
        StringBuilder initials = new StringBuilder();
        StringBuilder sounded = new StringBuilder();
        for (String word : words) {
            initials.append(word.charAt(0));
            sounded.append(word.startsWith("ex") ? 'x' : word.charAt(0));
        }
        return typed.equals(initials.toString()) || typed.equals(sounded.toString());
    }

    /** The option that shares the largest part of its telling words, at least half of them and most of the text's. */
    private static Match best(List<String> telling, List<Option> options, boolean slips, String by) {
        double best = 0;
        List<Option> winners = new ArrayList<>();
        for (Option option : options) {
            double score = 0;
            for (String name : names(option)) {
                score = Math.max(score, overlap(telling, name, slips));
            }
            if (score > best + 1e-9) {
                best = score;
                winners.clear();
            }
            if (score > 0 && score >= best - 1e-9) {
                winners.add(option);
            }
        }
        return winners.isEmpty() ? NONE : decide(winners, by);
    }

    private static double overlap(List<String> telling, String name, boolean slips) {
        List<String> of =
                Words.of(name).stream().filter(word -> !FILLERS.contains(word)).toList();
        if (of.isEmpty()) {
            return 0;
        }
        long shared = of.stream()
                .filter(word -> telling.stream().anyMatch(typed -> WordForms.same(typed, word, slips)))
                .count();
        long used = telling.stream()
                .filter(typed -> of.stream().anyMatch(word -> WordForms.same(typed, word, slips)))
                .count();
        double ofName = (double) shared / of.size();
        double ofText = (double) used / telling.size();
        boolean half = !slips && ofName >= 0.5 && ofText >= 0.5;
        boolean enough = ofName >= 0.999 && ofText >= 0.2 || ofText >= 0.999 || half;
        return shared > 0 && enough ? ofName + ofText : 0;
    }

    /** "Can I have a canoe" asks for it, and is no question. */
    private static final Pattern REQUESTS = Pattern.compile(
            "^\\W*+(?:(?:hi|hello|hey|please|ok|so|and|well)\\W++)*+(?:can|could|may|might) (?:i|we) (?:please |also |just )?"
                    + "(?:(?:have|get|take|do) (?:a|an|the|one|some|that|this)|book|order|reserve|rent|hire|choose|go for|join|sign up for)\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern CLAUSE_END = Pattern.compile(
            "[,.;:?!\\n]|\\s[-–—]\\s|\\s(?:and|also|plus|then|instead|if|for|on|at|please)\\b",
            Pattern.CASE_INSENSITIVE);

    /** "How about the wheel" and "can I have lunch?" ask for an option where they speak of nothing else. */
    private static Match requested(String text, List<Option> options) {
        Matcher head = InQuestions.ASKS_FOR.matcher(text);
        if (!head.lookingAt()) {
            return NONE;
        }
        List<String> telling =
                telling(Words.of(CLAUSE_END.split(text.substring(head.end()).strip(), 2)[0]));
        List<Option> nothingElse = options.stream()
                .filter(option -> names(option).stream().anyMatch(name -> saysOnly(telling, Words.of(name))))
                .toList();
        return telling.isEmpty() || nothingElse.size() != 1 ? NONE : decide(nothingElse, "what is asked for");
    }

    /** Whether words are those of a name; one more may stand beside the whole of it ("wheel throwing"). */
    private static boolean saysOnly(List<String> telling, List<String> name) {
        long of = telling.stream()
                .filter(typed -> name.stream().anyMatch(word -> WordForms.same(typed, word, true)))
                .count();
        return of == telling.size() || of > 0 && of == name.size() && telling.size() - of == 1;
    }

    /** The option whose label, or a synonym, is nearest in meaning, where it is near enough and clearly the nearest. */
    static Match meant(String text, List<Option> options, Meaning meaning) {
        double[] ofOption = nearness(text, options, meaning);
        if (ofOption.length == 0) {
            return NONE;
        }
        int best = 0;
        for (int i = 1; i < ofOption.length; i++) {
            best = ofOption[i] > ofOption[best] ? i : best;
        }
        double second = -1;
        for (int i = 0; i < ofOption.length; i++) {
            second = i == best ? second : Math.max(second, ofOption[i]);
        }
        return ofOption[best] >= MEANT && ofOption[best] - second >= MARGIN
                ? new Match.One(options.get(best), BY_MEANING)
                : NONE;
    }

    /** Options hardly farther from a text in meaning than the nearest, which is near enough; the nearest first. */
    public static List<Option> nearest(String text, List<Option> options, Meaning meaning) {
        double[] near = nearness(text, options, meaning);
        double best = Arrays.stream(near).max().orElse(-1);
        return best < MEANT_TOLD
                ? List.of()
                : IntStream.range(0, near.length)
                        .filter(i -> near[i] >= best - MARGIN / 2)
                        .boxed()
                        .sorted(Comparator.comparingDouble(i -> -near[i]))
                        .map(options::get)
                        .toList();
    }

    /** The cosine of each option's nearest name; empty where options have none. */
    private static double[] nearness(String text, List<Option> options, Meaning meaning) {
        List<String> labels = new ArrayList<>();
        List<Option> owners = new ArrayList<>();
        for (Option option : options) {
            for (String name : names(option)) {
                labels.add(name);
                owners.add(option);
            }
        }
        if (labels.isEmpty()) {
            return new double[0];
        }
        double[] near = meaning.nearness(text, labels);
        double[] ofOption = new double[options.size()];
        Arrays.fill(ofOption, -1);
        for (int i = 0; i < near.length; i++) {
            int option = options.indexOf(owners.get(i));
            ofOption[option] = Math.max(ofOption[option], near[i]);
        }
        return ofOption;
    }

    /** Options of which the names are at hand; forgotten together before they are too many. */
    private static final Map<Option, List<String>> NAMES = new ConcurrentHashMap<>();

    private static final int MOST_NAMED = 20_000;

    /** An option's label and synonyms as words are compared: in small letters, without marks. */
    static List<String> names(Option option) {
        if (NAMES.size() >= MOST_NAMED) {
            NAMES.clear();
        }
        return NAMES.computeIfAbsent(option, OptionMatcher::named);
    }

    private static List<String> named(Option option) {
        List<String> names = new ArrayList<>();
        names.add(Words.normal(option.label()));
        option.also().forEach(other -> names.add(Words.normal(other)));
        names.removeIf(String::isBlank);
        return List.copyOf(names);
    }

    private static Match decide(List<Option> options, String by) {
        return options.size() == 1 ? new Match.One(options.getFirst(), by) : new Match.Several(options);
    }
}
