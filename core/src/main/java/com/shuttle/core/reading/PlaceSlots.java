package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Places among several things: written as names after a word that says where ("in Coldharbour"), and the two ends of a way
 * ("from Ludham to Oxley"), however written where both are wanted. Which is which the words before them tell.
 */
final class PlaceSlots {

    private static final String NAME =
            "\\p{Lu}[\\p{L}'’]++(?:[ -](?:(?:on|upon|under|le|of|the|in)[ -])*+\\p{Lu}[\\p{L}'’]++){0,3}+";

    private static final Pattern WRITTEN =
            Pattern.compile("\\b((?i:from|to|in|at|near|around|outside))\\s++(?:the )?(" + NAME + ")");

    /** What a place does not go on with. */
    private static final String ENDS =
            "(?:on|in|at|by|next|this|for|and|please|around|about|before|after|from|to|with)\\b";

    private static final String WORDS =
            "((?!the\\b|a\\b|my\\b|our\\b)[\\p{L}'’-]++(?: (?!" + ENDS + ")[\\p{L}'’-]++)?)";

    private static final Pattern WAY = Pattern.compile(
            "\\bfrom " + WORDS + " to " + WORDS + "(?=\\s*(?:$|[,.;!?§]|" + ENDS + "))", Pattern.CASE_INSENSITIVE);

    private static final Set<String> BEGIN = Set.of("from", "origin", "start", "pickup", "collection", "old");
    private static final Set<String> END = Set.of("to", "destination", "end", "delivery", "new");

    /** Written with capitals after such words too, and no places. */
    private static final Set<String> NO_PLACES = WordLists.load("no-places.txt");

    private final SeveralReader reader;

    PlaceSlots(SeveralReader reader) {
        this.reader = reader;
    }

    private record Said(String before, Mention mention) {}

    void read() {
        List<Slot> wanted = reader.slots(ValueType.PLACE);
        if (wanted.isEmpty()) {
            return;
        }
        List<Said> said = said(reader.rest(), wanted);
        for (Slot slot : wanted) {
            List<Said> fitting = said.stream()
                    .filter(one -> isFor(slot, one.before(), wanted.size() == 1))
                    .toList();
            if (fitting.size() == 1) {
                reader.put(slot, fitting.getFirst().mention());
            }
        }
        reader.blank(said.stream().map(Said::mention).toList());
    }

    private static List<Said> said(String text, List<Slot> wanted) {
        Slot begin = end(wanted, BEGIN);
        Slot end = end(wanted, END);
        Matcher way = WAY.matcher(begin == null || end == null ? "" : text);
        if (way.find() && isPlace(way.group(1)) && isPlace(way.group(2))) {
            return List.of(new Said("from", mention(way, 1)), new Said("to", mention(way, 2)));
        }
        List<Said> said = new ArrayList<>();
        Matcher written = WRITTEN.matcher(text);
        while (written.find()) {
            if (isPlace(written.group(2)) && !InQuestions.isAsked(text, written.start())) {
                said.add(new Said(written.group(1).toLowerCase(Locale.ROOT), mention(written, 2)));
            }
        }
        return said;
    }

    private static @Nullable Slot end(List<Slot> wanted, Set<String> words) {
        return wanted.stream()
                .filter(slot -> slot.words().own().stream().anyMatch(words::contains))
                .findFirst()
                .orElse(null);
    }

    private static Mention mention(Matcher matcher, int group) {
        return Mention.of(new Value.Text(matcher.group(group)), matcher.start(group), matcher.end(group));
    }

    private static boolean isPlace(String name) {
        String first = Words.normal(name).split(" ")[0];
        return !NO_PLACES.contains(first)
                && !CalendarWords.named(first)
                && CalendarWords.ordinal(first) == 0
                && !CompanyReader.looksLikeOne(name);
    }

    /** Whether words before a place say that it is a slot's: the one end of a way is not the other. */
    private static boolean isFor(Slot slot, String before, boolean only) {
        boolean begins = slot.words().own().stream().anyMatch(BEGIN::contains);
        boolean ends = slot.words().own().stream().anyMatch(END::contains);
        return switch (before) {
            case "from" -> begins || only && !ends;
            case "to" -> ends;
            default -> only && !ends;
        };
    }
}
