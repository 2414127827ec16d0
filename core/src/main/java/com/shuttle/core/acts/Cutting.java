package com.shuttle.core.acts;

import com.shuttle.core.listening.Span;
import com.shuttle.core.reading.Words;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Cuts a message into clauses that each do one thing. Most messages bear no marks where one clause ends and the next begins, so that
 * each gap between words is weighed by what stands around it: a logistic regression over words, pairs of words and marks, learnt
 * from messages that were cut by hand. Immutable; thread-safe.
 */
public final class Cutting {

    private static final String FILE = "cuts.weights";

    /** Longer messages are cut no further. */
    private static final int MOST_WORDS = 120;

    /** So many clauses of a message are told apart; what follows belongs to the last. */
    public static final int MOST_CLAUSES = 8;

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}£€$@#+_][^\\s,;:!?()]*+");

    private final Map<String, Float> weights;

    Cutting(Map<String, Float> weights) {
        this.weights = Map.copyOf(weights);
    }

    /** @throws IllegalStateException if what was learnt is missing */
    public static Cutting shipped() {
        try (InputStream in = Cutting.class.getResourceAsStream(FILE)) {
            if (in == null) {
                throw new IllegalStateException(
                        "What was learnt of clauses (" + FILE + ") is missing; ./shuttle learn makes it.");
            }
            Map<String, Float> weights = new HashMap<>();
            BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                int tab = line.indexOf('\t');
                weights.put(line.substring(tab + 1), Float.parseFloat(line.substring(0, tab)));
            }
            return new Cutting(weights);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The clauses of a message in their order, without the space around them; none for a blank one. */
    public List<Span> cut(String message) {
        List<Span> clauses = new ArrayList<>();
        int from = 0;
        for (Gap gap : gaps(message)) {
            if (clauses.size() < MOST_CLAUSES - 1
                    && odds(gap) > 0.5
                    && Words.shows(message.substring(from, gap.at()))) {
                clauses.add(bare(message, from, gap.at()));
                from = gap.at();
            }
        }
        if (!message.substring(from).isBlank()) {
            clauses.add(bare(message, from, message.length()));
        }
        return List.copyOf(clauses);
    }

    private static Span bare(String message, int from, int to) {
        int start = from;
        int end = to;
        while (start < end && Character.isWhitespace(message.charAt(start))) {
            start++;
        }
        while (end > start && Character.isWhitespace(message.charAt(end - 1))) {
            end--;
        }
        return new Span(start, end);
    }

    /** How likely a clause begins behind a gap. */
    double odds(Gap gap) {
        double sum = 0;
        for (String mark : gap.marks()) {
            sum += weights.getOrDefault(mark, 0f);
        }
        return 1 / (1 + Math.exp(-sum));
    }

    /**
     * A gap between two words.
     *
     * @param at    where the word behind it begins
     * @param marks what stands around it
     */
    record Gap(int at, List<String> marks) {}

    /** All gaps of a message, in their order. */
    static List<Gap> gaps(String message) {
        List<Span> places = new ArrayList<>();
        List<String> words = new ArrayList<>();
        List<String> parts = new ArrayList<>();
        List<Integer> first = new ArrayList<>();
        Matcher word = WORD.matcher(message);
        while (word.find() && words.size() < MOST_WORDS) {
            places.add(new Span(word.start(), word.end()));
            first.add(parts.size());
            List<String> own = Words.of(word.group());
            parts.addAll(own);
            String plain = String.join(" ", own);
            words.add(plain.chars().anyMatch(Character::isDigit) ? "#" : plain.isEmpty() ? "_" : plain);
        }
        List<Gap> gaps = new ArrayList<>();
        boolean marked = message.strip().endsWith("?");
        int sentence = 0;
        for (int i = 1; i < words.size(); i++) {
            String between =
                    message.substring(places.get(i - 1).end(), places.get(i).start());
            String before = message.substring(
                    places.get(i - 1).start(), places.get(i - 1).end());
            String mark = mark(before + between);
            if (!mark.isEmpty()) {
                sentence = i;
            }
            boolean capital = Character.isUpperCase(message.charAt(places.get(i).start()));
            boolean asks = marked || Words.opensAsQuestion(parts.subList(first.get(i), parts.size()));
            gaps.add(new Gap(places.get(i).start(), marks(words, i, mark, capital, asks, sentence)));
        }
        return gaps;
    }

    private static String mark(String text) {
        String bare = text.strip();
        char last = bare.isEmpty() ? ' ' : bare.charAt(bare.length() - 1);
        return text.indexOf('\n') >= 0
                ? "/"
                : ".?!,;:".indexOf(last) >= 0
                        ? Character.toString(last)
                        : bare.endsWith("-") || bare.endsWith("–") ? "-" : "";
    }

    private static List<String> marks(
            List<String> words, int i, String mark, boolean capital, boolean asks, int sentence) {
        String before = words.get(i - 1);
        String earlier = i > 1 ? words.get(i - 2) : "<";
        String here = words.get(i);
        String next = i + 1 < words.size() ? words.get(i + 1) : ">";
        String third = i + 2 < words.size() ? words.get(i + 2) : ">";
        List<String> marks = new ArrayList<>(List.of(
                "",
                "m" + mark,
                "b " + before,
                "h " + here,
                "n " + next,
                "bh " + before + " " + here,
                "hn " + here + " " + next,
                "hnt " + here + " " + next + " " + third,
                "eb " + earlier + " " + before,
                "mh " + mark + here,
                "mhn " + mark + here + " " + next,
                "left " + Math.min(4, words.size() - i),
                "done " + Math.min(4, i),
                "m" + mark + "left " + Math.min(4, words.size() - i)));
        if (mark.isEmpty()) {
            marks.add("since " + Math.min(5, i - sentence));
        }
        if (capital) {
            marks.add("capital" + mark);
        }
        if (asks) {
            marks.add("asks");
            marks.add("asks" + mark);
        }
        return marks;
    }
}
