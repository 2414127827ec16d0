package com.shuttle.core.reading;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Which of the mentions in a message is meant. A mention the visitor denies ("not the 3rd", "… is no good", "my old
 * number …") is left out; one that a correction follows ("no wait", "I mean", "make that") gives way to what comes
 * after. What is left must agree, otherwise the message is unclear. Pure functions.
 */
final class Settling {

    private static final Finder DENIED_BEFORE = Finder.of(
            "\\b(?:not|isn't|wasn't|instead of|rather than|no longer|except|never|can't (?:do|make)|cannot (?:do|make)|old|former|previous)"
                    + "(?: (?:on|the|for|at|in|a|number|email|address|mail|phone|one|from|is|was|it's|mobile|until|to))*[\\s:,\"'<£$€]*$");
    private static final Finder NOT_ONLY =
            Finder.of("\\bnot (?:more than|over|above|exceeding|only|before|later than)[^,.;]*$");
    private static final Pattern DENIED_AFTER = Pattern.compile(
            "^[\\s\"'>]*(?:(?:is|was|are|'s) (?:no good|dead|wrong|no longer|out|too|not|old|off|the old|gone)|isn't|wasn't|doesn't work"
                    + "|does not work|won't work|won't do|no longer|no good|not working|has changed)",
            Pattern.CASE_INSENSITIVE);
    private static final Finder CORRECTS = Finder.of(
            "(?:\\b(?:no|nope|sorry|wait|i mean|i meant|actually|make (?:it|that)|correction|or rather|scratch that|rather|oops|typo"
                    + "|hang on|hold on|strike that|change that|instead|should be|should read|my mistake|better|this time|on second thoughts?|let's say|now)\\b|\\*)");

    private Settling() {}

    /** The mentions that still stand, in their order. */
    static List<Mention> standing(String text, List<Mention> mentions) {
        List<Mention> standing = new ArrayList<>();
        int after = 0;
        for (Mention mention : mentions) {
            String before = text.substring(Math.min(after, mention.start()), mention.start());
            if (!denied(text, mention)) {
                if (CORRECTS.in(before)) {
                    standing.clear();
                }
                standing.add(mention);
            }
            after = mention.end();
        }
        return standing;
    }

    static boolean denied(String text, Mention mention) {
        String before = text.substring(Math.max(0, mention.start() - 60), mention.start());
        String after = text.substring(mention.end(), Math.min(text.length(), mention.end() + 40));
        return DENIED_BEFORE.in(before) && !NOT_ONLY.in(before)
                || DENIED_AFTER.matcher(after).find();
    }

    /** One reading of a message with these mentions. */
    static Reading reading(String text, List<Mention> mentions) {
        if (mentions.isEmpty()) {
            return Reading.NOTHING;
        }
        List<Mention> standing = standing(text, mentions);
        Set<Value> values = new LinkedHashSet<>();
        boolean range = false;
        Mention last = null;
        for (Mention mention : standing) {
            values.addAll(mention.values());
            range |= mention.range();
            last = mention;
        }
        if (last == null || values.isEmpty()) {
            return Reading.NOTHING;
        }
        if (values.size() == 1 && !range) {
            return new Reading.Given(values.iterator().next(), last.start(), last.end());
        }
        return new Reading.Unclear(List.copyOf(values), standing.getFirst().start(), last.end());
    }
}
