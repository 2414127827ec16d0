package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.knowledge.Evidence.Kind;
import com.shuttle.core.knowledge.Meaning.Model;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class InteractionTest {

    private static final int SIZE = 32;

    /** A model in which every word has one vector of its own, wherever it stands. */
    private static final Meaning WORDS = new Meaning() {
        @Override
        public Embedding readText(Model model, String text) {
            String[] words = text.toLowerCase().split("\\W+");
            return Embedding.of(
                    vector(text),
                    IntStream.range(0, words.length)
                            .map(i -> 2000 + Math.floorMod(words[i].hashCode(), 20_000))
                            .toArray(),
                    IntStream.range(0, words.length)
                            .mapToObj(i -> vector(words[i]))
                            .toArray(float[][]::new));
        }

        @Override
        public Embedding readQuestion(Model model, String question) {
            return readText(model, question);
        }
    };

    private static float[] vector(String word) {
        Random random = new Random(word.hashCode());
        float[] vector = new float[SIZE];
        for (int i = 0; i < SIZE; i++) {
            vector[i] = (float) random.nextGaussian();
        }
        return Vector.unit(vector);
    }

    private static Read read(String question, String answer) {
        return Read.of(Unit.of(new Entry("e", List.of(question), List.of(answer), "")), WORDS);
    }

    private static Evidence compared(List<Read> reads, String question, int unit, int without) {
        Interaction interaction = new Interaction(reads);
        Map<Model, Embedding> asked = new EnumMap<>(Model.class);
        for (Model model : Model.values()) {
            asked.put(model, WORDS.readQuestion(model, question));
        }
        double[] evidence = new double[Evidence.SIZE];
        interaction
                .ask(asked)
                .forEach((model, one) -> interaction.compare(model, one, reads.get(unit), without, evidence));
        return new Evidence(evidence);
    }

    @Test
    void aUnitThatHasEveryWordCoversTheQuestion() {
        List<Read> reads = List.of(
                read("Where are bicycles mended", "In the yard behind the mill."),
                read("What does a kayak cost", "Twelve an hour."));
        Evidence own = compared(reads, "bicycles mended yard", 0, -1);
        Evidence other = compared(reads, "bicycles mended yard", 1, -1);
        assertThat(own.mean(Kind.COVERED)).isCloseTo(1, Offset.offset(0.02));
        assertThat(own.mean(Kind.TELLING)).isCloseTo(1, Offset.offset(0.02));
        assertThat(own.mean(Kind.BEYOND)).isPositive().isGreaterThan(other.mean(Kind.BEYOND));
        assertThat(own.mean(Kind.COVERED)).isGreaterThan(other.mean(Kind.COVERED));
        assertThat(compared(reads, "Where are bicycles mended", 0, -1).mean(Kind.REWORDED))
                .isCloseTo(1, Offset.offset(0.02));
    }

    @Test
    void aWordingLeftAsideIsNotSeen() {
        Unit unit = Unit.of(
                new Entry("e", List.of("Can I swim here", "Is there a pool"), List.of("From May to September."), ""));
        List<Read> reads = List.of(Read.of(unit, WORDS), read("What does a kayak cost", "Twelve an hour."));
        assertThat(compared(reads, "Is there a pool", 0, -1).mean(Kind.COVERED)).isCloseTo(1, Offset.offset(0.02));
        assertThat(compared(reads, "Is there a pool", 0, 1).mean(Kind.COVERED)).isLessThan(0.9);
    }

    @Test
    void nothingTellingIsNoEvidence() {
        List<Read> reads = List.of(read("Where", "Here."));
        assertThat(new Interaction(List.of()).ask(Map.of())).isEmpty();
        Map<Model, Interaction.Question> asked = new Interaction(reads)
                .ask(Map.of(Model.SENTENCES, Embedding.of(vector("x"), new int[] {999}, new float[][] {vector("!")})));
        double[] evidence = new double[Evidence.SIZE];
        new Interaction(reads).compare(Model.SENTENCES, asked.get(Model.SENTENCES), reads.getFirst(), -1, evidence);
        assertThat(evidence[Evidence.at(Model.SENTENCES, Kind.COVERED)]).isZero();
        assertThat(evidence[Evidence.at(Model.SENTENCES, Kind.TELLING)]).isZero();
        assertThat(evidence[Evidence.at(Model.SENTENCES, Kind.BEYOND)]).isZero();
    }

    @Property(tries = 50)
    void readingsAreKeptWhole(@ForAll @IntRange(max = 12) int pieces, @ForAll long seed) {
        Random random = new Random(seed);
        List<float[]> vectors = new ArrayList<>();
        for (int i = 0; i < pieces; i++) {
            vectors.add(vector("word" + random.nextInt()));
        }
        Embedding reading = Embedding.of(
                vector("whole" + seed), random.ints(pieces, 0, 30_000).toArray(), vectors.toArray(float[][]::new));
        assertThat(Embedding.of(reading.bytes())).isEqualTo(reading).hasSameHashCodeAs(reading);
        for (int i = 0; i < pieces; i++) {
            assertThat((double) reading.tokens().cosine(i, reading.tokens(), i)).isCloseTo(1, Offset.offset(0.02));
        }
    }

    @Test
    void rarePiecesTellMoreAndPunctuationNothing() {
        Pieces pieces = new Pieces(Map.of(5000, 90, 6000, 1), 100);
        assertThat(pieces.rarity(7000)).isEqualTo(1);
        assertThat(pieces.rarity(6000)).isBetween(0.5, 1.0);
        assertThat(pieces.rarity(5000)).isBetween(0.0, 0.1);
        assertThat(pieces.rarity(1012)).isZero();
        assertThat(Pieces.surprise(1029)).isZero();
        assertThat(Pieces.surprise(1996)).isLessThan(Pieces.surprise(9000));
        assertThat(Pieces.surprise(30_000)).isEqualTo(1);
        assertThat(Pieces.surprise(1040)).isEqualTo(0.3);
    }
}
