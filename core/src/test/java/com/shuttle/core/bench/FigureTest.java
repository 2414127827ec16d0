package com.shuttle.core.bench;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class FigureTest {

    private static final Figure TURNS = Figure.of("Server", "turns", 40, "/s");

    @Test
    void anAimIsForTheValueOrForTheRatio() {
        assertThat(TURNS.reached()).isNull();
        assertThat(TURNS.ratio()).isNull();
        assertThat(TURNS.atLeast(40).reached()).isTrue();
        assertThat(TURNS.atMost(39).reached()).isFalse();
        assertThat(TURNS.beside(100).ratioAtLeast(0.5).reached()).isFalse();
        assertThat(TURNS.beside(100).atLeast(30).reached()).isTrue();
        assertThat(TURNS.beside(20).ratioAtMost(2).reached()).isTrue();
    }

    @Test
    void aLineShowsFigureRatioAndAim() {
        assertThat(FigureTable.line(TURNS.beside(1000).ratioAtLeast(0.5)))
                .matches("  turns +40.00 /s +1,000 +0.0400 +ratio ≥ 0.50 +MISSED");
        assertThat(FigureTable.line(TURNS)).matches("  turns +40.00 /s");
    }

    @Test
    void aFigureIsReadAsItWasWritten() {
        Figure figure = TURNS.beside(80).ratioAtMost(2);
        assertThat(FigureTable.MAPPER.readValue(FigureTable.MAPPER.writeValueAsString(figure), Figure.class))
                .isEqualTo(figure);
    }
}
