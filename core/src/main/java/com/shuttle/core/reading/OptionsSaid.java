package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which options a message names, and of those which it wants and which it rules out. A negation ("no", "without", "instead
 * of", "forget", "don't need" …) holds from its word to the next contrast: a full stop, "but", "just", or a comma, except one
 * within a list ("no apron, lunch or clay"). A correction ("no wait", "I mean") takes back what was named before it. Pure
 * function.
 *
 * @param wanted named and not ruled out, in the order they were named, each once
 * @param denied named and ruled out
 * @param last   where the last of those wanted ends, and where the first begins; 0 and 0 where none is
 */
public record OptionsSaid(List<Option> wanted, List<Option> denied, int first, int last) {

    private static final Pattern NEGATES = Pattern.compile(
            "\\b(?:no|not|never|without|except(?: for)?|excluding|minus|bar|neither|nor|instead of|rather than|(?:rather|sooner)\\b[^.;,]*\\bthan|apart from|other than"
                    + "|any(?:thing|one)? but|every(?:thing| one)? but|all but|skip|forget(?: about)?|drop|leave|lose|remove|cancel"
                    + "|take off|take out|scrap|(?:do|does|wo|ca|need|would|should|is|are)n'?t|don'?t|do not|cannot"
                    + "|(?:our|my|their) own|bring(?:ing)? (?:our|my|their)|already (?:have|got))\\b[^.;]*$",
            Pattern.CASE_INSENSITIVE);
    private static final Finder NOT_REALLY = Finder.of(
            "\\b(?:no (?:problem|worries|wait)|why not|not only|not just|can'?t wait|don'?t mind|not sure)\\b[^.;]*$");
    private static final Pattern CONTRAST = Pattern.compile(
            "[.;!?\\n]|\\b(?:but(?! not\\b| no\\b)|though|just|only|please|so|(?<=instead of .{1,40})it'?s|we want|i want|(?:we|i)'?d (?:like|rather|prefer)|do want|do need|i'?d take|we'?d take|i'?ll have|we'?ll have|yes)\\b",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern ALL_BUT =
            Pattern.compile("\\b(?:any|every|all)(?:thing|one| one| of (?:them|it))?\\s*$", Pattern.CASE_INSENSITIVE);
    private static final Pattern NEGATED_AFTER = Pattern.compile(
            "^\\s*(?:(?:is|are|was|were) (?:not|no)|(?:is|are)n'?t|not|no)(?=\\s*(?:[,.;!]|$|thanks|thank|needed|required|necessary|for))",
            Pattern.CASE_INSENSITIVE);
    /** "We had the wheel last time". */
    private static final Finder HAD =
            Finder.of("\\b(?:had|did|done|tried|took|booked|been (?:to|on)|went (?:to|on))\\b[^.;]*$");

    private static final Pattern BEFORE = Pattern.compile(
            "[^.;!?,]{0,20}\\b(?:last|before|already|earlier|previously|the other)\\b", Pattern.CASE_INSENSITIVE);

    private static final Pattern TAKES_BACK = Pattern.compile(
            "\\b(?:no,|no wait|nope|sorry|wait|i mean|i meant|actually|make (?:it|that)|correction|or rather|scratch that|oops|hang on"
                    + "|hold on|on second thoughts?|changed? (?:my|our) minds?)\\b",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern LISTED = Pattern.compile("^[^.;!?]*?\\b(?:or|nor)\\b", Pattern.CASE_INSENSITIVE);

    public OptionsSaid {
        wanted = List.copyOf(wanted);
        denied = List.copyOf(denied);
    }

    /** What a message says of these options. */
    public static OptionsSaid of(String message, List<Option> options) {
        String text = Words.readable(message);
        Set<Option> wanted = new LinkedHashSet<>();
        Set<Option> denied = new LinkedHashSet<>();
        int first = 0;
        int last = 0;
        int after = 0;
        for (Mention mention :
                OptionMentions.find(text, options).stream().limit(Mention.MOST).toList()) {
            Option option = OptionMentions.option(mention, options);
            if (denied(text, mention.start(), mention.end())) {
                denied.add(option);
            } else {
                if (TAKES_BACK
                        .matcher(text.substring(Math.min(after, mention.start()), mention.start()))
                        .find()) {
                    wanted.clear();
                }
                first = wanted.isEmpty() ? mention.start() : first;
                last = mention.end();
                wanted.add(option);
                denied.remove(option);
            }
            after = mention.end();
        }
        wanted.removeAll(denied);
        return new OptionsSaid(new ArrayList<>(wanted), new ArrayList<>(denied), first, last);
    }

    /** The labels of options of which a message has a word and not the whole name: "in the dome" of "Dome show". */
    public static Set<String> inPart(String message, List<Option> options) {
        String text = Words.readable(message);
        Set<String> part = new LinkedHashSet<>();
        Set<String> whole = new LinkedHashSet<>();
        for (Mention mention : OptionMentions.find(text, options)) {
            String label = OptionMentions.option(mention, options).label();
            (OptionMentions.isWhole(mention, text, options) ? whole : part).add(label);
        }
        part.removeAll(whole);
        return part;
    }

    /** A message without the words that name options. */
    public static String without(String message, List<Option> options) {
        String text = Words.readable(message);
        StringBuilder rest = new StringBuilder(text);
        for (Mention mention : OptionMentions.find(text, options)) {
            rest.replace(mention.start(), mention.end(), Words.gap(mention.end() - mention.start()));
        }
        return rest.toString();
    }

    /** Whether what stands at a place of a message is ruled out there. */
    static boolean denied(String text, int start, int end) {
        String scope = text.substring(scope(text, start), start);
        Matcher negates = NEGATES.matcher(scope);
        boolean before = negates.find() && !NOT_REALLY.in(scope);
        boolean hadIt = HAD.in(scope) && BEFORE.matcher(text.substring(end)).lookingAt();
        return before || hadIt || NEGATED_AFTER.matcher(text.substring(end)).find();
    }

    /** Where the scope begins that a place stands in: after the last contrast before it. */
    private static int scope(String text, int at) {
        int from = 0;
        Matcher contrast = CONTRAST.matcher(text.substring(0, at));
        while (contrast.find()) {
            boolean all = contrast.group().equalsIgnoreCase("but")
                    && ALL_BUT.matcher(text.substring(0, contrast.start())).find();
            from = all ? from : contrast.end();
        }
        int comma = text.lastIndexOf(',', at - 1);
        boolean listed = comma >= from
                && LISTED.matcher(text.substring(comma, Math.min(text.length(), at + 60)))
                        .find();
        return comma >= from && !listed ? comma + 1 : from;
    }
}
