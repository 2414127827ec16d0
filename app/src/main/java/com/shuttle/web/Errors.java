package com.shuttle.web;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Arrays;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageConversionException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.validation.BindException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.ModelAndView;

/** Turns what was not found into a page for people and into a problem detail (RFC 9457) for programs. */
@ControllerAdvice
class Errors {

    private static final Logger LOG = LoggerFactory.getLogger(Errors.class);

    /**
     * What is nobody's mistake but ours: noted by its kind and place alone, because the message of an exception may quote what
     * a visitor said, and told without any of it.
     */
    @ExceptionHandler(Exception.class)
    Object unforeseen(Exception failure, HttpServletRequest request) throws Exception {
        if (isAnswer(failure)) {
            throw failure;
        }
        if (isBadRequest(failure)) {
            return answer(request, HttpStatus.BAD_REQUEST, "This request cannot be read.");
        }
        if (failure instanceof DuplicateKeyException) {
            LOG.info("{} {} met another that did the same", request.getMethod(), route(request));
            return answer(
                    request,
                    HttpStatus.CONFLICT,
                    "Somebody did the same at this moment. Look at what is there now, and try again where it is needed.");
        }
        if (failure instanceof ConcurrencyFailureException) {
            LOG.warn("{} {} waited too long for others: {}", request.getMethod(), route(request), told(failure));
            return answer(
                    request,
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "Others are changing the same at this moment. Nothing was changed; please try again.");
        }
        LOG.error("{} {} failed: {}", request.getMethod(), route(request), told(failure));
        return answer(request, HttpStatus.INTERNAL_SERVER_ERROR, "Something went wrong here. Please try again.");
    }

    /** A page for people, a problem detail for programs. */
    private static Object answer(HttpServletRequest request, HttpStatus status, String detail) {
        if (request.getRequestURI().startsWith("/api/")) {
            return ResponseEntity.status(status).body(ProblemDetail.forStatusAndDetail(status, detail));
        }
        ModelAndView page = new ModelAndView(status.is5xxServerError() ? "error/5xx" : "error/unread");
        page.addObject("detail", detail);
        page.setStatus(status);
        return page;
    }

    /** What the server and its firewall say of requests that are no requests. */
    private static boolean isBadRequest(Exception failure) {
        return failure instanceof RequestRejectedException
                || failure.getClass().getName().equals("org.apache.tomcat.util.http.InvalidParameterException");
    }

    /** Whether an exception says by itself what is answered, as those of the framework do; or nobody listens any more. */
    private static boolean isAnswer(Exception failure) {
        return failure instanceof ErrorResponse
                || failure instanceof AuthenticationException
                || failure instanceof AccessDeniedException
                || failure instanceof HttpMessageConversionException
                || failure instanceof BindException
                || failure instanceof TypeMismatchException
                || failure instanceof AsyncRequestNotUsableException
                || failure instanceof IOException;
    }

    private static Object route(HttpServletRequest request) {
        Object pattern = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
        return pattern == null ? "?" : pattern;
    }

    /** The kinds of an exception and its causes, and where in our own code it was. */
    static String told(Throwable failure) {
        String kinds = Stream.iterate(failure, Objects::nonNull, Throwable::getCause)
                .limit(6)
                .map(cause -> cause.getClass().getSimpleName())
                .collect(Collectors.joining(" < "));
        String places = Arrays.stream(failure.getStackTrace())
                .filter(frame -> frame.getClassName().startsWith("com.shuttle"))
                .limit(4)
                .map(frame -> frame.getClassName() + "." + frame.getMethodName() + ":" + frame.getLineNumber())
                .collect(Collectors.joining(" < "));
        return kinds + " at " + places;
    }

    /** A form whose parts cannot be told apart, or that is too large. */
    @ExceptionHandler(MultipartException.class)
    Object broken(MultipartException broken, HttpServletRequest request) {
        HttpStatus status = broken instanceof MaxUploadSizeExceededException
                ? HttpStatus.CONTENT_TOO_LARGE
                : HttpStatus.BAD_REQUEST;
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                status, status == HttpStatus.BAD_REQUEST ? "The form cannot be read." : "A file has 20 MB at most.");
        return ResponseEntity.status(status).body(problem);
    }

    @ExceptionHandler(Missing.class)
    Object missing(Missing missing, HttpServletRequest request) {
        LOG.debug("{}", missing.getMessage());
        if (request.getRequestURI().startsWith("/api/")) {
            ProblemDetail problem =
                    ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, "There is " + missing.getMessage() + ".");
            return ResponseEntity.status(HttpStatus.NOT_FOUND).body(problem);
        }
        ModelAndView page = new ModelAndView("error/404");
        page.setStatus(HttpStatus.NOT_FOUND);
        return page;
    }
}
