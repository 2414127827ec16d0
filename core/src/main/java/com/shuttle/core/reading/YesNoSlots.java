package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** Yes or no among several things: a clause that names the slot's topic, read for whether it wants or denies it. */
final class YesNoSlots {

    private static final Finder DENIES = Finder.of(
            "\\b(?:no|not|never|without|nope|none|neither|nor|don't|dont|doesn't|didn't|won't|can't|isn't|aren't|wasn't|weren't|haven't|needn't|skip|unsubscribe|avoid|keep .* off|off your|stop|refuse|decline)\\b|n't\\b");
    private static final Finder ASKS =
            Finder.of("\\?\\s*$|^\\s*(?:is|are|do|does|can|could|what|how|why|when|where)\\b");
    private static final Pattern CLAUSES = Pattern.compile(
            "[,.;!\\n§]+|(?<=\\?)|\\s(?:and|but|though|although|also)\\s|\\s[-–—]+\\s", Pattern.CASE_INSENSITIVE);
    private static final Set<String> NEGATIVE_NAMES = Set.of("no", "not", "without", "decline", "refuse");

    private final SeveralReader reader;

    YesNoSlots(SeveralReader reader) {
        this.reader = reader;
    }

    void read() {
        for (Slot slot : reader.slots(ValueType.YES_NO)) {
            Set<String> cues = slot.words().cues();
            for (String clause : CLAUSES.split(reader.rest())) {
                Boolean said = said(slot, clause, cues);
                if (said != null) {
                    int at = Math.max(0, reader.rest().indexOf(clause));
                    reader.put(slot, new Reading.Given(new Value.YesNo(said), at, at + clause.length()));
                }
            }
        }
    }

    private static @org.jspecify.annotations.Nullable Boolean said(Slot slot, String clause, Set<String> cues) {
        String plain = clause.toLowerCase(java.util.Locale.ROOT);
        Boolean special = special(slot, plain);
        if (special != null) {
            return special;
        }
        List<String> words = Cues.words(plain);
        boolean topic = words.stream()
                .anyMatch(word -> cues.contains(word)
                        && !word.equals("name")
                        && !word.equals("before")
                        && !word.equals("new")
                        && !word.equals("month")
                        && !word.equals("first")
                        && !word.equals("packed"));
        if (!topic || ASKS.in(clause.strip())) {
            return null;
        }
        boolean negative = slot.words().own().stream().anyMatch(NEGATIVE_NAMES::contains);
        return DENIES.in(plain) == negative;
    }

    /** Topics that people speak of in other words. */
    private static @org.jspecify.annotations.Nullable Boolean special(Slot slot, String clause) {
        Set<String> own = slot.words().own();
        if (own.contains("monthly") || own.contains("regular") || own.contains("recurring")) {
            if (Regex.matches(
                    clause,
                    ".*\\b(?:one[- ]off|just (?:the )?once|once only|single (?:gift|donation)|one time|not monthly|just this once)\\b.*")) {
                return false;
            }
            if (Regex.matches(clause, ".*\\b(?:every month|each month|per month|a month|monthly|pm)\\b.*")) {
                return true;
            }
            return null;
        }
        if (own.contains("anonymous")) {
            if (Regex.matches(
                    clause, ".*\\b(?:(?:print|use|publish|show|mention|list|include) my name|put my name)\\b.*")) {
                return DENIES.in(clause);
            }
            if (Regex.matches(clause, ".*\\b(?:keep|leave) my name (?:out|off|private|secret)\\b.*")) {
                return true;
            }
            return clause.contains("anonym") ? !DENIES.in(clause) : null;
        }
        if (own.contains("first") && (own.contains("visit") || own.contains("time"))) {
            if (Regex.matches(
                    clause,
                    ".*\\b(?:first (?:visit|time|appointment)|never been|not been before|new patient|i'm new|haven't been|new here)\\b.*")) {
                return !Regex.matches(clause, ".*\\bnot (?:my|a|the) first\\b.*|.*isn't (?:my|the) first.*");
            }
            if (Regex.matches(
                    clause,
                    ".*\\b(?:been (?:here )?before|existing patient|regular|came last|second visit|follow[- ]up)\\b.*")) {
                return false;
            }
            return null;
        }
        if (own.contains("lunch")
                && Regex.matches(
                        clause,
                        ".*\\b(?:packed lunch(?:es)?|bring(?:ing)? (?:our|their) own|own (?:packed )?(?:lunch(?:es)?|food|sandwiches|picnic))\\b.*")) {
            return false;
        }
        return null;
    }
}
