package com.shuttle.api;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Says what is wrong with a body that its type does not allow, in the sentences that stand beside it there. Thread-safe. */
@RestControllerAdvice(basePackageClasses = UnfitBodies.class)
@Order(Ordered.HIGHEST_PRECEDENCE)
class UnfitBodies {

    private final Validator validator;

    UnfitBodies(Validator validator) {
        this.validator = validator;
    }

    /**
     * Looks at a body once it is known who sent it: strangers are told nothing of what a body should be.
     *
     * @throws ErrorResponseException if its type does not allow it
     */
    void require(Object body) {
        Set<ConstraintViolation<Object>> violations = validator.validate(body);
        if (!violations.isEmpty()) {
            throw Problems.unfit(sentences(violations.stream().map(ConstraintViolation::getMessage)));
        }
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> body(MethodArgumentNotValidException unfit) {
        Stream<String> messages = unfit.getBindingResult().getAllErrors().stream()
                .map(error -> String.valueOf(error.getDefaultMessage()));
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                .body(Problems.unfit(sentences(messages)).getBody());
    }

    private static String sentences(Stream<String> messages) {
        return messages.distinct().sorted().collect(Collectors.joining(" "));
    }
}
