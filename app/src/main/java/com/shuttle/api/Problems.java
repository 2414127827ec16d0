package com.shuttle.api;

import com.shuttle.web.Json;
import org.jspecify.annotations.Nullable;
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

    /** What a body of JSON holds. @throws ErrorResponseException if it cannot be read, or is nothing */
    static <T> T read(String body, Class<T> type) {
        @Nullable T read;
        try {
            read = Json.read(body, type);
        } catch (RuntimeException unreadable) {
            throw unfit("That cannot be read.");
        }
        if (read == null) {
            throw unfit("There is nothing in it.");
        }
        return read;
    }
}
