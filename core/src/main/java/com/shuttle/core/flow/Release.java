package com.shuttle.core.flow;

import java.util.List;

/**
 * Everything of a bot that a conversation needs: immutable once numbered.
 *
 * @param number    1 and up; 0 for the draft
 * @param profile   who the bot is
 * @param mainFlow  id of the flow that conversations start in
 * @param flows     all flows, the main one among them
 * @param variables those declared; the flows' steps bring in more
 * @param standing  settings of standing requests; those without are heard as usual
 */
public record Release(
        int number,
        Profile profile,
        String mainFlow,
        List<Flow> flows,
        List<Variable> variables,
        List<StandingWords> standing) {

    /**
     * Who the bot is.
     *
     * @param name   what visitors call it
     * @param region ISO 3166 country code in whose habits visitors write phone numbers, e.g. {@code GB}
     * @param zone   IANA time zone where the visitor's is unknown, e.g. {@code Europe/London}
     */
    public record Profile(String name, String region, String zone) {
        public Profile {
            zone = zone == null || zone.isBlank() ? "UTC" : zone;
        }
    }

    public Release {
        flows = List.copyOf(flows);
        variables = variables == null ? List.of() : List.copyOf(variables);
        standing = standing == null ? List.of() : List.copyOf(standing);
    }
}
