package com.shuttle.web;

import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;

/** Bodies that cannot be read. Where that was refused while it was read (it was too large), what was said then holds. */
@ControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class UnreadBodies {

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unread(HttpMessageNotReadableException failure) {
        for (Throwable cause = failure.getCause(); cause != null; cause = cause.getCause()) {
            if (cause instanceof ErrorResponseException refused) {
                return ResponseEntity.status(refused.getStatusCode()).body(refused.getBody());
            }
        }
        return ResponseEntity.badRequest()
                .body(ProblemDetail.forStatusAndDetail(
                        HttpStatus.BAD_REQUEST, "The body of this request cannot be read."));
    }
}
