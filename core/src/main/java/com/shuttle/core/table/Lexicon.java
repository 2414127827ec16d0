package com.shuttle.core.table;

import com.shuttle.core.table.Condition.Op;
import java.math.BigDecimal;
import java.time.Month;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The words of English questions that mean the same of every table. Pure functions. */
final class Lexicon {

    /** What a phrase does. */
    sealed interface Sense {
        record Compare(Op op) implements Sense {}

        enum Plain implements Sense {
            BETWEEN,
            ABOUT,
            NOT,
            OR,
            AND,
            COUNT,
            HOW,
            HOW_MUCH,
            ORDER_BY,
            FIRST
        }
    }

    record Found(Sense sense, int words) {}

    private static final Map<List<String>, Sense> PHRASES = new HashMap<>();

    /** Words that say nothing about which rows are meant. */
    private static final Set<String> EMPTY = new HashSet<>(Arrays.asList(("""
            a an the this that these those which what who whom whose where when is are was were be been am do doe does did
            can could may might will would shall should must have has had got get there here any some one all every each
            i you we they he she it me us them my your our their his her its of for in on at to with by from into as than
            please thank thanks hello hi hey want need like looking look show list tell give find see know offer available
            stock kind sort type if then so also just only really currently still right now ok okay and s t im ive id
            id'd something anything someone anybody somebody people's that's what's there's who's yours mine ours such
            come go out up most more both either me group party class compare versus vs difference best
            good better suitable right ideal fit fits""").split("\\s+")));

    private static final Map<String, Integer> NUMBERS = new HashMap<>();

    static {
        compare(Op.LESS, "under, below, beneath, less than, fewer than, before");
        compare(
                Op.AT_MOST,
                "at most, no more than, not more than, up to, maximum of, max, within, not over, until, by,"
                        + " no later than, at the most, not exceeding, or less, or under, or fewer, or below, or lighter, or cheaper");
        compare(
                Op.AT_LEAST,
                "at least, no less than, not less than, minimum of, min, starting at, since, from, or more,"
                        + " or over, or above, and up, upward, and above, or heavier, or larger, or bigger, at the least, plus");
        compare(Op.MORE, "over, above, more than, greater than, exceeding, beyond," + " after, upwards of");
        compare(Op.EQUAL, "exactly, equal to, precisely");
        plain(Sense.Plain.BETWEEN, "between");
        plain(Sense.Plain.ABOUT, "about, around, roughly, approximately, approx, circa");
        plain(
                Sense.Plain.NOT,
                "not, no, without, except, excluding, non, neither, other than, isn't, aren't, doesn't,"
                        + " don't, can't, but not, apart from, lacking");
        plain(Sense.Plain.OR, "or, nor, or else, alternatively");
        plain(Sense.Plain.AND, "and, but, as well a, also, plu");
        plain(Sense.Plain.COUNT, "how many, number of, count, the number of, count of");
        plain(Sense.Plain.HOW_MUCH, "how much");
        plain(Sense.Plain.HOW, "how");
        plain(Sense.Plain.ORDER_BY, "ordered by, sorted by, order by, sort by, ranked by, in order of, by order of");
        plain(Sense.Plain.FIRST, "first");
        String[] numbers =
                "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty"
                        .split(" ");
        for (int i = 2; i < numbers.length; i++) {
            NUMBERS.put(numbers[i], i);
        }
        NUMBERS.put("dozen", 12);
        NUMBERS.put("thirty", 30);
        NUMBERS.put("forty", 40);
        NUMBERS.put("fifty", 50);
        NUMBERS.put("hundred", 100);
    }

    private Lexicon() {}

    private static void compare(Op op, String phrases) {
        put(new Sense.Compare(op), phrases);
    }

    private static void plain(Sense sense, String phrases) {
        put(sense, phrases);
    }

    private static void put(Sense sense, String phrases) {
        Arrays.stream(phrases.split(","))
                .forEach(phrase -> PHRASES.put(
                        Arrays.stream(phrase.strip().split(" "))
                                .map(Phrase::singular)
                                .toList(),
                        sense));
    }

    static Optional<Found> at(List<String> words, int place) {
        for (int length = Math.min(4, words.size() - place); length > 0; length--) {
            Sense sense = PHRASES.get(words.subList(place, place + length));
            if (sense != null) {
                return Optional.of(new Found(sense, length));
            }
        }
        return Optional.empty();
    }

    static boolean empty(String word) {
        return EMPTY.contains(word);
    }

    /** Whether a word means something in every question. */
    static boolean means(String word) {
        return empty(word)
                || PHRASES.containsKey(List.of(word))
                || NUMBERS.containsKey(word)
                || Adjectives.of(word).isPresent();
    }

    static Optional<BigDecimal> number(String word) {
        return Optional.ofNullable(NUMBERS.get(word)).map(BigDecimal::valueOf);
    }

    static Optional<Month> month(String word) {
        return Arrays.stream(Month.values())
                .filter(month -> month.name().equalsIgnoreCase(word))
                .findFirst();
    }
}
