package com.shuttle.core.flow;

/**
 * Something wrong with a flow file.
 *
 * @param place   JSON Pointer to the fault (RFC 6901), e.g. {@code /sections/0/steps/2/exits/next}; empty for the whole
 * @param message what was expected, in words for the person who made the file
 */
public record Fault(String place, String message) {
    @Override
    public String toString() {
        return place.isEmpty() ? message : place + ": " + message;
    }
}
