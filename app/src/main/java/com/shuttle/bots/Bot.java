package com.shuttle.bots;

import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.Variable;
import java.util.List;

/**
 * A bot's profile.
 *
 * @param slug      its part of the address {@code /chat/SLUG}
 * @param region    ISO 3166 country code
 * @param zone      IANA time zone, where a visitor's own is unknown
 * @param mainFlow  id of the flow that conversations start in
 * @param variables those declared
 * @param standing  settings of standing requests
 * @param archived  whether it is put away: kept, but no longer found by visitors
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
        List<StandingWords> standing,
        Manner manner,
        boolean archived) {
    public Bot {
        variables = List.copyOf(variables);
        standing = List.copyOf(standing);
    }

    /** This bot with another profile. */
    Bot described(
            String newSlug, String newName, String newDescription, String newRegion, String newZone, Manner newManner) {
        return new Bot(
                id,
                newSlug,
                newName,
                newDescription,
                newRegion,
                newZone,
                mainFlow,
                variables,
                standing,
                newManner,
                archived);
    }

    /** The same bot, behaving differently. */
    Bot with(Manner newManner) {
        return described(slug, name, description, region, zone, newManner);
    }

    Bot with(List<Variable> newVariables, List<StandingWords> newStanding) {
        return new Bot(
                id, slug, name, description, region, zone, mainFlow, newVariables, newStanding, manner, archived);
    }
}
