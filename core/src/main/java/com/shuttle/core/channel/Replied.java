package com.shuttle.core.channel;

import com.shuttle.core.conversation.Message.Offer;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a message from a phone means to the channel, before the conversation hears it. */
public sealed interface Replied {

    /** Words for the conversation. */
    record Words(String text) implements Replied {}

    /** Options picked. @param options their ids, at least one */
    record Picks(List<String> options) implements Replied {
        public Picks {
            options = List.copyOf(options);
        }
    }

    /** Wants the next options. @param page from 1 on */
    record More(int page) implements Replied {}

    /** Wants no more messages. */
    record Stop() implements Replied {}

    /** Wants messages again. */
    record Start() implements Replied {}

    Pattern NUMBERS =
            Pattern.compile("(?:no\\.?\\s*|number\\s+|option\\s+|#)?(\\d{1,3})[.)]?", Pattern.CASE_INSENSITIVE);
    Pattern BETWEEN = Pattern.compile("\\s*(?:[,;&+]|\\band\\b)\\s*|\\s+");

    /**
     * Reads typed words.
     *
     * @param offers what may be picked now; those without a link are numbered from 1 on
     * @param many   whether several may be picked
     * @param page   of the options that was shown last
     * @param words  that the channel obeys
     */
    static Replied words(String text, List<Offer> offers, boolean many, int page, PhoneWords words) {
        return among(text, offers.stream().filter(one -> one.link().isEmpty()).toList(), many, page, words);
    }

    private static Replied among(String text, List<Offer> offers, boolean many, int page, PhoneWords words) {
        String bare = text.strip().toLowerCase(Locale.ROOT).replaceFirst("[.!]+$", "");
        // A bot may offer these words itself.
        if (offers.stream().anyMatch(one -> one.label().strip().equalsIgnoreCase(bare))) {
            return new Words(text);
        }
        if (words.stops().contains(bare)) {
            return new Stop();
        }
        if (words.starts().contains(bare)) {
            return new Start();
        }
        if (words.mores().contains(bare) && new Pages(offers, PhoneKind.ROWS).leadsOn(page)) {
            return new More(page + 1);
        }
        List<String> picked = numbers(bare, offers, many);
        return picked.isEmpty() ? new Words(text) : new Picks(picked);
    }

    /** Reads the id of a button or row. */
    static Replied pressed(String id) {
        return id.matches(Pages.MORE + "\\d{1,3}")
                ? new More(Integer.parseInt(id.substring(Pages.MORE.length())))
                : new Picks(List.of(id));
    }

    private static List<String> numbers(String text, List<Offer> offers, boolean many) {
        List<String> ids = new ArrayList<>();
        Set<Integer> seen = new LinkedHashSet<>();
        String[] parts = many ? BETWEEN.split(text) : new String[] {text};
        for (String part : parts) {
            Matcher number = NUMBERS.matcher(part);
            int at = number.matches() ? Integer.parseInt(number.group(1)) : 0;
            if (at < 1 || at > offers.size()) {
                return List.of();
            }
            if (seen.add(at)) {
                ids.add(offers.get(at - 1).id());
            }
        }
        return ids;
    }
}
