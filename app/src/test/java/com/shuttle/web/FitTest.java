package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class FitTest {

    @Test
    void whatIsTooLongEndsWithAnEllipsisAndNeverInHalfACharacter() {
        assertThat(Fit.within("abc", 3)).isEqualTo("abc");
        assertThat(Fit.within("abcd", 3)).isEqualTo("ab…");
        assertThat(Fit.within("a😀bcd", 3)).isEqualTo("a…");
    }
}
