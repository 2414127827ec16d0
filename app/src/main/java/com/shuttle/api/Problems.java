package com.shuttle.api;

import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.ErrorResponseException;

/** Problem details (RFC 9457) that callers of the interface get. */
final class Problems {

    private Problems() {}

    static ErrorResponseException of(HttpStatus status, String title, String detail) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setTitle(title);
        return new ErrorResponseException(status, problem, null);
    }

    static ErrorResponseException unfit(String detail) {
        return of(HttpStatus.UNPROCESSABLE_CONTENT, "Unfit content", detail);
    }
}
