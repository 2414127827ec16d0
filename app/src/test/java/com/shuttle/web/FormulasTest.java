package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FormulasTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '"',
            value = {"=1+1|'=1+1", "@x|'@x", "-5 degrees|'-5 degrees", "hello|hello", "'tis|'tis", "\"\"|\"\""})
    void whatLooksLikeAFormulaIsToldApart(String text, String told) {
        assertThat(Formulas.told(text)).isEqualTo(told);
    }

    @ParameterizedTest
    @ValueSource(strings = {"=cmd|' /C calc'!A0", "'=x", "''=x", "'", "+44", "\t=1", "plain", "'plain", "- a\n- b"})
    void readingTakesItAwayAgain(String text) {
        assertThat(Formulas.untold(Formulas.told(text))).isEqualTo(text);
        assertThat(Formulas.told(text))
                .doesNotStartWith("=")
                .doesNotStartWith("+")
                .doesNotStartWith("@");
    }
}
