package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class SynonymsTest {

    private static final Synonyms SYNONYMS = new Synonyms(
            List.of(List.of("tap", "faucet", "spigot"), List.of("plot", "parcel of land")),
            WordCounts.of("The tap leaks. Taps are shut. A plot. A faucet here"),
            () -> Stream.of("The tap leaks.", "Taps are shut.", "A plot.", "A faucet here"));

    @Test
    void wordsTheCollectionNeverUsesBecomeTheOneItUsesMost() {
        assertThat(SYNONYMS.replaced("my Spigot drips")).isEqualTo("my tap drips");
        assertThat(SYNONYMS.replaced("spigots and a parcel of land")).isEqualTo("taps and a plot");
        assertThat(SYNONYMS.replaced("the faucet")).as("used here").isEqualTo("the faucet");
        assertThat(SYNONYMS.replaced("spigotry $1 \\1")).isEqualTo("spigotry $1 \\1");
    }

    @Test
    void singleWordsStandForOneAnother() {
        assertThat(SYNONYMS.ofStem("faucet")).contains("tap", "spigot");
        assertThat(SYNONYMS.ofStem("land")).isEmpty();
    }
}
