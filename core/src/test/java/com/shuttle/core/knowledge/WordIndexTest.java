package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.knowledge.WordIndex.QueryWord;
import java.util.List;
import java.util.stream.Stream;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class WordIndexTest {

    private static final List<String> TEXTS =
            List.of("Parking is free below the hill", "Dogs may come on a lead", "The hill is open to dogs");
    private static final WordIndex INDEX = new WordIndex(
            TEXTS.stream().map(WordIndex::stems).toList(),
            new Synonyms(List.of(List.of("dog", "hound")), WordCounts.of(TEXTS.stream()), TEXTS::stream));

    @Test
    void rareWordsTellMoreAndUnknownOnesCountAgainstAll() {
        double[] shares = INDEX.shares(INDEX.words("parking on the hill for a zeppelin"));
        assertThat(shares[0]).isBetween(0.4, 0.8);
        assertThat(shares[2]).isBetween(0.05, shares[0] - 0.1);
        assertThat(shares[1]).isZero();
    }

    @Test
    void allWordsFoundAreAShareOfOne() {
        assertThat(INDEX.shares(INDEX.words("free parking"))[0]).isCloseTo(1, Offset.offset(1e-9));
    }

    @Test
    void formsAndSynonymsOfAWordAreTheWord() {
        List<QueryWord> words = INDEX.words("a hound that parked");
        assertThat(INDEX.shared(words, 1)).containsExactly("hound");
        assertThat(INDEX.shared(words, 0)).containsExactly("parked");
    }

    @Test
    void withoutWordsThereIsNothingToShare() {
        assertThat(INDEX.shares(INDEX.words("the of a"))).containsOnly(0);
        assertThat(INDEX.shares(INDEX.words(""))).hasSize(3).containsOnly(0);
        assertThat(new WordIndex(List.of(), new Synonyms(List.of(), WordCounts.of(""), Stream::of)).shares(List.of()))
                .isEmpty();
    }
}
