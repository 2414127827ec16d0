package com.shuttle.core.bench;

import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Embedding;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Meaning;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Made-up knowledge of any size, always the same for a seed. */
final class MadeUp {

    private static final List<String> OPENINGS = List.of(
            "How do I",
            "Can I",
            "Where can I",
            "What does it cost to",
            "When may we",
            "Is it possible to",
            "Who helps me to");
    private static final List<String> VERBS = List.of(
            "book",
            "cancel",
            "visit",
            "hire",
            "repair",
            "borrow",
            "return",
            "photograph",
            "join",
            "reach",
            "open",
            "carry");
    private static final List<String> THINGS = List.of(
            "the dome",
            "a telescope",
            "the café",
            "a guide",
            "the archive",
            "a workshop",
            "the terrace",
            "a locker",
            "the tower",
            "a school visit",
            "the night tour",
            "a voucher",
            "the car park",
            "a wheelchair",
            "the garden",
            "a meteorite");
    private static final List<String> WHENS = List.of(
            "", "on Sunday", "at night", "in winter", "with children", "for a group", "without a ticket", "next year");

    private static final int VECTOR = 384;
    private static final int PIECE = 128;
    private static final int PHRASINGS = 4;

    private final Random random;

    MadeUp(long seed) {
        random = new Random(seed);
    }

    String question() {
        return of(OPENINGS) + " " + of(VERBS) + " " + of(THINGS) + " " + of(WHENS) + " number " + random.nextInt(1000)
                + "?";
    }

    Entry entry(String ref) {
        List<String> same = new ArrayList<>();
        for (int i = 0; i < PHRASINGS; i++) {
            same.add(question());
        }
        return new Entry(ref, same, List.of("Answer to " + same.getFirst()), "");
    }

    /** Entries of four phrasings each. */
    List<Entry> entries(int phrasings) {
        List<Entry> entries = new ArrayList<>();
        while (entries.size() * PHRASINGS < phrasings) {
            entries.add(entry("e" + entries.size()));
        }
        return entries;
    }

    static Content content(List<Entry> entries) {
        return new Content(entries, List.of(), List.of());
    }

    private String of(List<String> words) {
        return words.get(random.nextInt(words.size()));
    }

    private static float[] vector(Random random, int size) {
        float[] vector = new float[size];
        for (int i = 0; i < vector.length; i++) {
            vector[i] = (random.nextFloat() - 0.5f) / 5;
        }
        return vector;
    }

    /**
     * Stored vectors at random, those of questions as {@code questions} gives them: comparing with stored vectors takes the
     * same time whatever they hold.
     */
    static Meaning meaning(Meaning questions) {
        return new Meaning() {
            @Override
            public Embedding readText(Model model, String text) {
                Random random = new Random(text.hashCode());
                String[] pieces = text.split(" ");
                int[] ids = new int[pieces.length];
                float[][] vectors = new float[pieces.length][];
                for (int i = 0; i < pieces.length; i++) {
                    ids[i] = 2000 + Math.floorMod(pieces[i].hashCode(), 20_000);
                    vectors[i] = vector(random, PIECE);
                }
                return Embedding.of(vector(random, VECTOR), ids, vectors);
            }

            @Override
            public Embedding readQuestion(Model model, String question) {
                return questions.readQuestion(model, question);
            }
        };
    }
}
