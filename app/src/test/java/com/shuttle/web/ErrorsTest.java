package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.springframework.dao.DataIntegrityViolationException;

class ErrorsTest {

    @Test
    void whatIsLoggedOfAFailureHasNothingThatAnybodySaid() {
        RuntimeException failure = new DataIntegrityViolationException(
                "value too long: 'my card is 4929…'", new IllegalStateException("my card is 4929…"));
        assertThat(Errors.told(failure))
                .contains("DataIntegrityViolationException < IllegalStateException")
                .contains("com.shuttle.web.ErrorsTest.whatIsLogged")
                .doesNotContain("card");
    }
}
