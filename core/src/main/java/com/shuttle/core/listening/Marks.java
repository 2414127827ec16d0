package com.shuttle.core.listening;

import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.Regex;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The marks of a repair in a message.
 *
 * @param strong whether it says that something said before was not right ("I meant", "make that", "not 3")
 * @param weak   whether it hesitates or apologises, as repairs do and other messages too
 * @param denied what it says is not so, in its own words
 * @param rest   the message without marks and without what is denied
 */
record Marks(boolean strong, boolean weak, List<String> denied, String rest) {

    private static final Finder STRONG = Finder.of(
            "\\b(?:i mean|i meant|meant to say|make (?:it|that|the)\\b|instead|after all|should(?:'ve| have)? (?:be|been|read)|change|switch|swap"
                    + "|wrong|correction|mistake|scratch that|strike that|no wait|typo|misspel\\w+|spel(?:t|led|ling)|in fact|mistyped|mistaken|my bad|changed? (?:my|our) minds?|second thoughts?|update|amend|correct (?:it|that|the)|fix (?:it|that|the)|move (?:it|that|the)|take (?:it|that) back|forget (?:what|that)|ignore (?:what|that)|got (?:it|that) wrong|turns? out|(?:we'?ve|have|has) become|misspoke|mixed up|in place of|reschedule)\\b"
                    + "|^\\W*no(?:[,.!]|\\s(?!more\\b|less\\b|fewer|later|earlier|problem|worries|thank|idea|one\\b|need|matter|rush|kidding))");
    private static final Finder WEAK = Finder.of(
            "\\b(?:sorry|argh|whoops|better|changed|decided|actually|wait|oops|hang on|hold on|oh|rather|prefer|only|second thoughts?|forget|drop|add|as well|too|also)\\b");
    private static final Pattern DENIED = Pattern.compile(
            "\\b(?:not(?!\\s+(?:more|less|over|under|above|below|beyond|exceeding|before|after|later|earlier|until|yet|only|sure)\\b)|instead of|rather than)"
                    + "\\s+(?:the\\s+|on\\s+|at\\s+)?((?:[^,.;!?]|[.,](?=\\d)){1,60}?)(?=[,.](?!\\d)|[;!?]|$|\\s+but\\b)",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern HEAD = Pattern.compile(
            "^\\W*(?:(?:no|sorry|actually|wait|oh|oops|hm+|hang on|hold on|scratch that|strike that|correction|i mean|i meant|make (?:it|that)"
                    + "|can we|could we|can you|could you|please|change (?:it|that|to)|change|it should be|should be|on second thoughts?|rather"
                    + "|(?:i'?d|we'?d) rather (?:do|have|take|go for)?|well|to|ok|okay|in fact|ah|argh|whoops|my bad|my mistake|better|(?:i|we) changed (?:my|our) minds?"
                    + "|forget (?:what i said|that)|ignore (?:what i said|that)|it turns out|turns out|i (?:got|had) (?:it|that) wrong|i take (?:it|that) back|that was wrong|let me correct that"
                    + "|i was (?:wrong|mistaken)|(?:can|could) you (?:change|make|put|move|switch|update|correct) (?:it|that)(?: to)?)\\b[\\s,.!:]*+)+",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern TAIL = Pattern.compile(
            "[\\s,]*+(?:\\b(?:i mean|i meant|instead|after all|sorry|please|though|then|actually|thanks|thank you|of course|now|my mistake|my bad|would be better|is better)[\\s.!]*+)+$",
            Pattern.CASE_INSENSITIVE);

    /** From here on a message is taken for a correction, whatever its words. */
    private static final double SURE = 0.7;

    /** The same, where something is known of how likely it is that the message corrects. @param correcting 0 to 1; -1 for unknown */
    Marks by(double correcting) {
        return new Marks(strong || correcting >= SURE, weak, denied, rest);
    }

    static Marks of(String text) {
        String plain = text.replace('’', '\'');
        List<String> denied = new ArrayList<>();
        StringBuilder rest = new StringBuilder();
        Matcher not = DENIED.matcher(plain);
        int from = 0;
        while (not.find()) {
            denied.add(not.group(1).strip());
            rest.append(plain, from, not.start()).append(' ');
            from = not.end();
        }
        rest.append(plain.substring(from));
        String bare = TAIL.matcher(HEAD.matcher(rest).replaceFirst("")).replaceFirst("");
        return new Marks(
                STRONG.in(plain) || !denied.isEmpty(),
                WEAK.in(plain),
                denied,
                Regex.replaceAll(bare.strip(), "^[\\s,.;!]+|[\\s,;]+$", ""));
    }
}
