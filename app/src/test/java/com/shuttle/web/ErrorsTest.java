package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.web.servlet.ModelAndView;

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

    @Test
    void whoWaitedTooLongForOthersIsToldToTryAgain() throws Exception {
        Errors errors = new Errors();
        CannotAcquireLockException waited = new CannotAcquireLockException("timeout");
        ResponseEntity<?> forPrograms = (ResponseEntity<?>)
                errors.unforeseen(waited, new MockHttpServletRequest("POST", "/api/v1/tables/x/rows"));
        assertThat(forPrograms.getStatusCode()).isEqualTo(HttpStatus.SERVICE_UNAVAILABLE);
        ModelAndView forPeople =
                (ModelAndView) errors.unforeseen(waited, new MockHttpServletRequest("POST", "/tables/x"));
        assertThat(forPeople.getStatus()).isEqualTo(HttpStatus.SERVICE_UNAVAILABLE);
    }
}
