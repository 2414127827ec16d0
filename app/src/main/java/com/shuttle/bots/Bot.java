package com.shuttle.bots;

import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.Variable;
import java.util.List;

/**
 * A bot's profile.
 *
 * @param slug     its part of the address {@code /chat/SLUG}
 * @param region   ISO 3166 country code
 * @param zone     IANA time zone, where a visitor's own is unknown
 * @param mainFlow id of the flow that conversations start in
 * @param variables those declared
 * @param standing settings of standing requests
 */
public record Bot(
        String id,
        String slug,
        String name,
        String description,
        String region,
        String zone,
        String mainFlow,
        List<Variable> variables,
        List<StandingWords> standing) {
    public Bot {
        variables = List.copyOf(variables);
        standing = List.copyOf(standing);
    }
}
