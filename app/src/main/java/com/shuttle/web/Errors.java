package com.shuttle.web;

import jakarta.servlet.http.HttpServletRequest;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.ModelAndView;

/** Turns what was not found into a page for people and into a problem detail (RFC 9457) for programs. */
@ControllerAdvice
class Errors {

    private static final Logger LOG = LoggerFactory.getLogger(Errors.class);

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
