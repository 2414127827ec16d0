package com.shuttle.core.flow;

import com.shuttle.core.calendar.WeekHours;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;

/**
 * Everything of a bot that a conversation needs: immutable once numbered.
 *
 * @param number    1 and up; 0 for the draft
 * @param profile   who the bot is
 * @param mainFlow  id of the flow that conversations start in
 * @param flows     all flows, the main one among them
 * @param variables those declared; the flows' steps bring in more
 * @param standing  settings of standing requests; those without are heard as usual
 * @param cards     the scorecards that its steps score with
 */
public record Release(
        int number,
        Profile profile,
        String mainFlow,
        List<Flow> flows,
        List<Variable> variables,
        List<StandingWords> standing,
        List<Scorecard> cards) {

    /**
     * Who the bot is.
     *
     * @param name   what visitors call it
     * @param region ISO 3166 country code in whose habits visitors write phone numbers, e.g. {@code GB}
     * @param zone   IANA time zone where the visitor's is unknown, e.g. {@code Europe/London}
     * @param team   id of the team for a Hand off that names none; empty for any
     * @param hours  lower-case day of the week to its hours, {@code 09:00-17:00}; empty for always open
     * @param responses what it says on occasions; those that are missing are as usual
     */
    public record Profile(
            String name, String region, String zone, String team, Map<String, String> hours, List<Response> responses) {
        public Profile {
            zone = zone == null || zone.isBlank() ? "UTC" : zone;
            team = team == null ? "" : team;
            hours = hours == null ? Map.of() : Map.copyOf(hours);
            responses = responses == null ? List.of() : List.copyOf(responses);
        }

        public Profile(String name, String region, String zone) {
            this(name, region, zone, "", Map.of(), List.of());
        }

        public Response response(Occasion occasion) {
            return responses.stream()
                    .filter(response -> response.occasion() == occasion)
                    .findFirst()
                    .orElseGet(() -> Response.usual(occasion));
        }

        /**
         * Whether the bot's people are there.
         *
         * @param at a time on the bot's own clock
         */
        public boolean openAt(LocalDateTime at) {
            return WeekHours.of(hours).openAt(at);
        }
    }

    /** Without scorecards. */
    public Release(
            int number,
            Profile profile,
            String mainFlow,
            List<Flow> flows,
            List<Variable> variables,
            List<StandingWords> standing) {
        this(number, profile, mainFlow, flows, variables, standing, List.of());
    }

    /** The same with these scorecards. */
    public Release with(List<Scorecard> cards) {
        return new Release(number, profile, mainFlow, flows, variables, standing, cards);
    }

    public Release {
        flows = List.copyOf(flows);
        variables = variables == null ? List.of() : List.copyOf(variables);
        standing = standing == null ? List.of() : List.copyOf(standing);
        cards = cards == null ? List.of() : List.copyOf(cards);
    }
}
