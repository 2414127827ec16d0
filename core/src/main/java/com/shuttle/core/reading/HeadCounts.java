package com.shuttle.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/**
 * Heads counted in parts: "three adults and a child" are four, "me, my wife and our two boys" as well. Parts are people with
 * their number ("2 adults"), the speaker ("me"), people named by what they are to the speaker ("my mum"), and "six of us";
 * those that only commas, "and", "plus" or "with" stand between are added up. "Six of us, two adults and four children"
 * tells the six again and is left as it is, and so is what says a total of its own. Pure functions.
 */
public final class HeadCounts {

    /** People counted in a message. @param end exclusive */
    public record Heads(int count, int start, int end) {}

    private static final Map<String, Integer> WORDS = Map.ofEntries(
            Map.entry("a", 1),
            Map.entry("an", 1),
            Map.entry("one", 1),
            Map.entry("two", 2),
            Map.entry("three", 3),
            Map.entry("four", 4),
            Map.entry("five", 5),
            Map.entry("six", 6),
            Map.entry("seven", 7),
            Map.entry("eight", 8),
            Map.entry("nine", 9),
            Map.entry("ten", 10),
            Map.entry("eleven", 11),
            Map.entry("twelve", 12));

    private static final String NUMBER = "\\d{1,3}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve";

    /** What people are called who are counted. */
    private static final String PEOPLE =
            "adults?|grown-?\\s?ups?|kids?|child(?:ren)?|toddlers?|bab(?:y|ies)|infants?|teens?|teenagers?|boys?|girls?|men|man|women|woman"
                    + "|friends?|mates?|parents?|grandparents?|students?|pupils?|teachers?|helpers?|seniors?|pensioners?|colleagues?|guests?"
                    + "|sons?|daughters?|brothers?|sisters?|cousins?|nephews?|nieces?|neighbours?|staff|grandchildren|others";

    /** Who one person is to the speaker. */
    private static final String RELATION =
            "wife|husband|partner|mum|mom|mother|dad|father|sister|brother|son|daughter|girlfriend|boyfriend|friend|mate|boss|colleague"
                    + "|baby|nan|gran|grandma|grandad|grandpa|grandmother|grandfather|grandson|granddaughter|flatmate|neighbour|fianc[eé]e?"
                    + "|aunt|uncle|cousin|nephew|niece|child|kid|boy|girl|carer|driver|other half|better half";

    private static final Finder TERM = Finder.of("\\b(?:(?:(?:my|our|the|his|her)\\s+)?(?<count>" + NUMBER
            + "|an?)\\s+(?:\\d{1,2}[- ]year[- ]olds?|\\d{1,2}[- ]?yos?|(?:(?!of\\b|and\\b|to\\b|or\\b)\\p{L}+\\s+)?(?:"
            + PEOPLE + "))"
            + "|(?<bare>" + NUMBER + ")(?=\\s*(?:\\+|plus|and)\\s*(?:" + NUMBER + ")\\s+(?:" + PEOPLE + ")\\b)"
            + "|(?<of>" + NUMBER + ")\\s+of\\s+us|(?:just\\s+)?us\\s+(?<us>" + NUMBER + ")"
            + "|(?<my>my|our|his|her|the)\\s+(?:(?:little|big|older|younger|eldest|other|best|old|new)\\s+)?(?:"
            + RELATION + ")"
            + "|(?<me>me|myself|i))\\b");

    private static final Pattern JOINED = Pattern.compile(
            "(?:\\s|,|&|\\+|\\band\\b|\\bplus\\b|\\bwith\\b|\\balso\\b|\\bas well as\\b|\\btogether\\b)*+",
            Pattern.CASE_INSENSITIVE);

    private static final Finder ADDS = Finder.of("&|\\+|\\b(?:and|plus|with)\\b");

    /** "Two classes of 28". */
    private static final Finder TIMES = Finder.of(
            "\\b(\\d{1,2}|two|three|four|five|six)\\s+(?:class(?:es)?|groups?|tables?|teams?|coaches|busloads?)\\s+of\\s+(\\d{1,3})\\b");

    private static final Finder TOTAL = Finder.of("\\b(?:in total|altogether|all in all|all told|in all|so)\\b");

    private record Term(int count, boolean counted, boolean ofUs, boolean me, int start, int end) {}

    private HeadCounts() {}

    /** So many groups of so many each; empty where a message has none. */
    public static Optional<Heads> groups(String text) {
        MatchResult times = TIMES.first(text);
        return times != null
                ? Optional.of(new Heads(
                        number(times.group(1)) * Integer.parseInt(times.group(2)), times.start(), times.end()))
                : Optional.empty();
    }

    /** All heads of a message that counts them in parts; empty where it has fewer than two, or tells the whole besides. */
    public static Optional<Heads> sum(String text) {
        Optional<Heads> groups = groups(text);
        if (groups.isPresent() || TOTAL.in(text)) {
            return groups;
        }
        List<Term> terms = terms(text);
        Optional<Heads> added = added(text, terms);
        return added.isPresent() || terms.stream().anyMatch(Term::ofUs) ? added : apart(terms);
    }

    /** People with their numbers wherever they stand: "32 children in year 5, 4 adults". */
    private static Optional<Heads> apart(List<Term> terms) {
        List<Term> counted = terms.stream().filter(Term::counted).toList();
        return counted.size() < 2
                ? Optional.empty()
                : Optional.of(new Heads(
                        counted.stream().mapToInt(Term::count).sum(),
                        counted.getFirst().start(),
                        counted.getLast().end()));
    }

    /** The first parts that are joined to one another. */
    private static Optional<Heads> added(String text, List<Term> terms) {
        for (int i = 0; i + 1 < terms.size(); i++) {
            int last = i;
            while (last + 1 < terms.size() && joined(text, terms.get(last), terms.get(last + 1))) {
                last++;
            }
            if (last > i) {
                return together(text, terms.subList(i, last + 1));
            }
        }
        return Optional.empty();
    }

    private static Optional<Heads> together(String text, List<Term> group) {
        Term first = group.getFirst();
        String after = text.substring(first.end(), group.get(1).start());
        boolean toldAgain = first.ofUs() && !ADDS.in(after);
        List<Term> others = group.stream().filter(term -> !term.me()).toList();
        boolean me = others.size() < group.size();
        boolean counted = me || others.stream().anyMatch(Term::counted);
        return toldAgain || others.isEmpty() || !counted
                ? Optional.empty()
                : Optional.of(new Heads(
                        others.stream().mapToInt(Term::count).sum() + (me ? 1 : 0),
                        first.start(),
                        group.getLast().end()));
    }

    private static boolean joined(String text, Term first, Term second) {
        return JOINED.matcher(text.substring(first.end(), second.start())).matches();
    }

    private static List<Term> terms(String text) {
        List<Term> terms = new ArrayList<>();
        for (MatchResult term : TERM.all(text, Mention.MOST)) {
            String of = term.group("of") == null ? term.group("us") : term.group("of");
            String bare = term.group("bare") == null ? term.group("count") : term.group("bare");
            String said = of == null ? bare : of;
            boolean the = "the".equalsIgnoreCase(term.group("my")) && terms.isEmpty();
            if (!the) {
                terms.add(new Term(
                        said == null ? 1 : number(said),
                        said != null,
                        of != null,
                        term.group("me") != null,
                        term.start(),
                        term.end()));
            }
        }
        return terms;
    }

    private static int number(String said) {
        String word = said.toLowerCase(Locale.ROOT);
        return WORDS.containsKey(word) ? WORDS.get(word) : Integer.parseInt(word);
    }

    private static final Finder SOME = Finder.of(
            "\\b(?:adults?|grown-?\\s?ups?|kids?|child(?:ren)?|toddlers?|bab(?:y|ies)|infants?|teens?|teenagers?|boys?|girls?|men|women"
                    + "|students?|pupils?|teachers?|helpers?|seniors?|pensioners?|parents?)\\b");

    /** Whether words speak of a part of the heads only ("how many children"). */
    public static boolean isPart(String words) {
        return SOME.in(words);
    }
}
