package com.shuttle.api;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.MessageSourceResolvable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.HandlerMethodValidationException;

/** Says what is wrong with a body or parameter that its type does not allow, in the sentences that stand beside it there. */
@RestControllerAdvice(basePackageClasses = UnfitBodies.class)
@Order(Ordered.HIGHEST_PRECEDENCE)
class UnfitBodies {

    @ExceptionHandler
    ResponseEntity<ProblemDetail> body(MethodArgumentNotValidException unfit) {
        return problem(unfit.getBindingResult().getAllErrors().stream());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> parameter(HandlerMethodValidationException unfit) {
        return problem(unfit.getAllErrors().stream());
    }

    private static ResponseEntity<ProblemDetail> problem(Stream<? extends MessageSourceResolvable> errors) {
        String sentences = errors.map(MessageSourceResolvable::getDefaultMessage)
                .distinct()
                .sorted()
                .collect(Collectors.joining(" "));
        ProblemDetail problem = Problems.unfit(sentences).getBody();
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(problem);
    }
}
