package com.shuttle.bots;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SlugsTest {

    @ParameterizedTest
    @CsvSource({
        "Vesper, vesper",
        "'  Dome   hire! ', dome-hire",
        "Café Ölberg, cafe-olberg",
        "'../../admin', admin",
        "日本, bot",
        "'', bot",
        "---, bot",
        "A & B (copy), a-b-copy",
    })
    void namesBecomePartsOfAddresses(String name, String slug) {
        assertThat(Slugs.free(name, taken -> false)).isEqualTo(slug);
    }

    @Test
    void aNumberIsAddedWhereItIsTaken() {
        assertThat(Slugs.free("Vesper", Set.of("vesper", "vesper-2")::contains)).isEqualTo("vesper-3");
    }

    @Test
    void longNamesAreCut() {
        assertThat(Slugs.free("x".repeat(300), taken -> false)).hasSize(50);
    }
}
