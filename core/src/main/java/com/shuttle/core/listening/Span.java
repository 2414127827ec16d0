package com.shuttle.core.listening;

import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.stream.Collectors;

/** A stretch of a message in UTF-16 units, from its first up to but not with its end; never empty. */
public record Span(int start, int end) {

    public Span {
        if (start < 0 || end <= start) {
            throw new IllegalArgumentException("expected a stretch, but got " + start + " to " + end);
        }
    }

    public boolean overlaps(Span other) {
        return start < other.end && other.start < end;
    }

    /** All of a message; none where it is empty. */
    public static List<Span> all(String text) {
        return text.isEmpty() ? List.of() : List.of(new Span(0, text.length()));
    }

    /**
     * What was taken out of a message.
     *
     * @param rest the message with other marks or blanks in place of what was taken, as long as it was; empty where all of it
     *     was
     */
    public static List<Span> taken(String text, String rest) {
        if (rest.length() != text.length()) {
            return all(text);
        }
        BitSet taken = new BitSet(text.length());
        for (int i = 0; i < text.length(); i++) {
            taken.set(i, text.charAt(i) != rest.charAt(i));
        }
        for (int i = taken.nextClearBit(0); i < text.length(); i = taken.nextClearBit(i + 1)) {
            // A gap has its own blanks where some of the message's are.
            boolean within = i > 0 && taken.get(i - 1) && taken.get(i + 1);
            taken.set(i, within && ("; ".indexOf(text.charAt(i)) >= 0));
        }
        return of(taken);
    }

    /** What is left of some stretches without others. */
    public static List<Span> minus(List<Span> spans, List<Span> others) {
        BitSet left = bits(spans);
        left.andNot(bits(others));
        return of(left);
    }

    /** Whether some stretches are three quarters of a message or more. */
    public static boolean explains(String text, List<Span> spans) {
        int length = spans.stream().mapToInt(span -> span.end - span.start).sum();
        return 4 * length >= 3 * text.strip().length();
    }

    /** A message with gaps in place of all but some stretches of it, as long as it was; empty for none. */
    public static String only(String text, List<Span> spans) {
        StringBuilder only = new StringBuilder(Words.gap(spans.isEmpty() ? 0 : text.length()));
        spans.forEach(span -> only.replace(span.start, span.end, text.substring(span.start, span.end)));
        return only.toString();
    }

    /** The words of a message that stand in some stretches, gaps shown by an ellipsis. */
    public static String words(String text, List<Span> spans) {
        return spans.stream()
                .map(span -> text.substring(span.start, Math.min(span.end, text.length()))
                        .strip())
                .filter(words -> !words.isEmpty())
                .collect(Collectors.joining(" … "));
    }

    private static BitSet bits(List<Span> spans) {
        BitSet bits = new BitSet();
        spans.forEach(span -> bits.set(span.start, span.end));
        return bits;
    }

    private static List<Span> of(BitSet bits) {
        List<Span> spans = new ArrayList<>();
        for (int at = bits.nextSetBit(0); at >= 0; at = bits.nextSetBit(bits.nextClearBit(at))) {
            spans.add(new Span(at, bits.nextClearBit(at)));
        }
        return spans;
    }

    /** A message with gaps in place of some stretches of it, so that all else keeps its place. */
    public static String without(String text, List<Span> spans) {
        StringBuilder without = new StringBuilder(text);
        spans.forEach(span -> without.replace(span.start, span.end, Words.gap(span.end - span.start)));
        return without.toString();
    }

    /** A message with a gap in place of a stretch of it. */
    public static String without(String text, int start, int end) {
        return text.substring(0, start) + Words.gap(end - start) + text.substring(end);
    }
}
