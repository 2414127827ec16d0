package com.shuttle.core.acts;

import com.shuttle.core.acts.Situation.Pending;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.OptionsSaid;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * What speaks for one act or another in a clause: its vectors by the three sentence models, its words and pairs of them, and
 * some figures, among them how much of the clause the readers of values can read. Pure function of clause and situation.
 *
 * @param figures the vectors, then the figures
 * @param words   marks that the clause bears, each once
 */
record Features(float[] figures, Set<String> words) {

    /** Vectors are of unit length, so that each of their values is small beside the figures. */
    private static final float OF_VECTORS = 4;

    /** By its first letters a word is known however it ends or is misspelt. */
    private static final int BEGINNING = 4;

    /** Words and pairs beyond these say nothing new of a clause. */
    private static final int MOST_WORDS = 60;

    /** What may be read in a clause whatever is asked. */
    private static final List<ValueType> OTHERS = List.of(
            ValueType.EMAIL,
            ValueType.PHONE,
            ValueType.NUMBER,
            ValueType.MONEY,
            ValueType.DATE,
            ValueType.TIME,
            ValueType.PERSON_NAME);

    /**
     * @param clause   one of a message, as it stands there
     * @param position its index among those of the message
     * @param count    how many the message has
     */
    static Features of(String clause, int position, int count, Situation situation, Context context, Meaning meaning) {
        List<String> words = Words.of(Words.readable(clause));
        List<Float> figures = new ArrayList<>();
        for (Meaning.Model model : Meaning.Model.values()) {
            for (float x : meaning.ofQuestion(model, clause)) {
                figures.add(OF_VECTORS * x);
            }
        }
        shape(figures, clause, words, position, count);
        Set<String> marks = new HashSet<>();
        boolean read = readings(figures, marks, clause, situation, context);
        boolean named = options(figures, clause, situation);
        overlaps(figures, words, situation);
        nearness(figures, clause, situation, meaning);
        marks(marks, clause, words, situation, read, named);
        return new Features(array(figures), marks);
    }

    private static float[] array(List<Float> values) {
        float[] array = new float[values.size()];
        IntStream.range(0, array.length).forEach(i -> array[i] = values.get(i));
        return array;
    }

    private static void shape(List<Float> figures, String clause, List<String> words, int position, int count) {
        int size = words.size();
        String bare = clause.strip();
        figures.add((float) Math.log1p(size) / 3);
        figures.add(flag(size <= 1));
        figures.add(flag(size == 2));
        figures.add(flag(size > 6));
        figures.add(flag(size > 12));
        figures.add(flag(bare.endsWith("?")));
        figures.add(flag(bare.endsWith("!")));
        figures.add(flag(Words.looksLikeQuestion(clause)));
        figures.add(flag(bare.chars().anyMatch(Character::isDigit)));
        figures.add(flag(Words.deny(words)));
        figures.add(flag(position > 0));
        figures.add(flag(position == 0 && count > 1));
        figures.add(flag(position == count - 1 && count > 1));
    }

    /** @return whether the reader of what is asked reads a value in it */
    private static boolean readings(
            List<Float> figures, Set<String> marks, String clause, Situation situation, Context context) {
        ValueType type = situation.pending() == Pending.CONFIRM ? ValueType.YES_NO : situation.type();
        boolean byReader = type != null && !type.free();
        Reading pending = byReader && type != null ? Reader.reply(type, clause, context) : Reading.NOTHING;
        float own = share(pending, clause);
        figures.add(own);
        figures.add(flag(own > 0));
        figures.add(flag(own >= 0.75));
        figures.add(flag(byReader && pending instanceof Reading.Nothing));
        figures.add(flag(pending instanceof Reading.Unclear));
        figures.add(flag(pending instanceof Reading.Refused));
        figures.add(flag(pending instanceof Reading.AskedBack));
        float other = 0;
        Set<ValueType> known = Resemblance.types(situation.known().values());
        for (ValueType one : OTHERS) {
            if (one != type) {
                float share = share(Reader.reply(one, clause, context), clause);
                figures.add(one == ValueType.PERSON_NAME ? 0 : share);
                other = one == ValueType.PERSON_NAME ? other : Math.max(other, share);
                if (share > 0 && one != ValueType.PERSON_NAME) {
                    // A value of a kind that is known already is likely told anew.
                    marks.add((known.contains(one) ? "!again " : "!new ") + one);
                    marks.add(known.contains(one) ? "!again" : "!new");
                }
            } else {
                figures.add(0f);
            }
        }
        figures.add(other);
        figures.add(flag(type != null && type.free()));
        figures.add(flag(type == ValueType.PERSON_NAME || type == ValueType.PLACE || type == ValueType.COMPANY));
        return own > 0;
    }

    private static float share(Reading reading, String clause) {
        int length = Math.max(1, clause.strip().length());
        return switch (reading) {
            case Reading.Given(var value, int start, int end) -> Math.clamp((end - start) / (float) length, 0, 1);
            case Reading.Unclear(var values, int start, int end) -> Math.clamp((end - start) / (float) length, 0, 1);
            default -> 0;
        };
    }

    /** @return whether it names one that is offered and does not rule it out */
    private static boolean options(List<Float> figures, String clause, Situation situation) {
        List<Option> options = IntStream.range(0, situation.options().size())
                .mapToObj(i -> new Option("o" + i, situation.options().get(i), List.of()))
                .toList();
        OptionsSaid said = options.isEmpty() ? NONE_SAID : OptionsSaid.of(clause, options);
        figures.add(flag(!said.wanted().isEmpty()));
        figures.add(flag(!said.denied().isEmpty()));
        figures.add(
                said.wanted().isEmpty()
                        ? 0
                        : (said.last() - said.first())
                                / (float) Math.max(1, clause.strip().length()));
        figures.add(flag(!options.isEmpty()));
        OptionMatcher.Match match = options.isEmpty() ? null : OptionMatcher.match(clause, options);
        figures.add(flag(match instanceof OptionMatcher.Match.One));
        figures.add(flag(match instanceof OptionMatcher.Match.Several));
        return match instanceof OptionMatcher.Match.One || !said.wanted().isEmpty();
    }

    private static final OptionsSaid NONE_SAID = new OptionsSaid(List.of(), List.of(), 0, 0);

    private static void overlaps(List<Float> figures, List<String> words, Situation situation) {
        Set<String> own = stems(words);
        figures.add(overlap(own, Words.of(situation.question())));
        figures.add(overlap(own, all(situation.options())));
        figures.add(overlap(own, all(situation.known().keySet())));
        figures.add(overlap(own, all(situation.known().values())));
        figures.add(flag(situation.known().isEmpty()));
    }

    private static List<String> all(Collection<String> texts) {
        return texts.stream().flatMap(text -> Words.of(text).stream()).toList();
    }

    private static float overlap(Set<String> own, List<String> others) {
        Set<String> stems = stems(others);
        long common = own.stream().filter(stems::contains).count();
        return own.isEmpty() ? 0 : common / (float) own.size();
    }

    /** Words of which something is meant, by their first five letters. */
    private static Set<String> stems(List<String> words) {
        Set<String> stems = new HashSet<>();
        for (String word : words) {
            if (word.length() > 3 || word.chars().anyMatch(Character::isDigit)) {
                stems.add(word.substring(0, Math.min(5, word.length())));
            }
        }
        return stems;
    }

    private static void nearness(List<Float> figures, String clause, Situation situation, Meaning meaning) {
        List<String> compared = new ArrayList<>();
        compared.add(situation.question().isBlank() ? "?" : situation.question());
        situation.options().stream().limit(MOST_OPTIONS).forEach(compared::add);
        double[] near = meaning.closeness(clause, compared);
        figures.add(situation.question().isBlank() ? 0 : (float) near[0]);
        figures.add((float) Arrays.stream(near, 1, near.length).max().orElse(0));
    }

    /** Of longer lists only the first are compared by meaning. */
    private static final int MOST_OPTIONS = 12;

    private static void marks(
            Set<String> marks, String clause, List<String> words, Situation situation, boolean read, boolean named) {
        List<String> bounded = words.subList(0, Math.min(words.size(), MOST_WORDS));
        String pending = situation.waits();
        for (int i = 0; i < bounded.size(); i++) {
            String word = figureless(bounded.get(i));
            marks.add(word);
            if (word.length() > BEGINNING) {
                marks.add(word.substring(0, BEGINNING) + "~");
            }
            if (i > 0) {
                marks.add(figureless(bounded.get(i - 1)) + " " + word);
            }
        }
        if (!bounded.isEmpty()) {
            String first = figureless(bounded.getFirst());
            marks.add("^" + first);
            marks.add("@" + pending + "^" + first);
            marks.add("^" + first + (bounded.size() > 1 ? " " + figureless(bounded.get(1)) : ""));
            marks.add(figureless(bounded.getLast()) + "$");
            if (bounded.size() == 1) {
                marks.add("=" + first);
            }
        }
        marks.add("@" + pending);
        marks.add("@" + pending + (read || named ? "+" : "-"));
        marks.add("@" + pending + (Words.looksLikeQuestion(clause) ? "?" : "."));
    }

    /** Figures are all alike: which one stands somewhere says nothing of what is done with it. */
    private static String figureless(String word) {
        return word.chars().anyMatch(Character::isDigit) ? "#" : word;
    }

    private static float flag(boolean is) {
        return is ? 1 : 0;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Features(float[] others, Set<String> marks)
                && Arrays.equals(figures, others)
                && words.equals(marks);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(figures);
    }
}
