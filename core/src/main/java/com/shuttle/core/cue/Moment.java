package com.shuttle.core.cue;

import java.net.URI;
import java.net.URISyntaxException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A visit to a website at the moment when something has happened.
 *
 * @param what     what has happened
 * @param amount   seconds on the page, or per cent scrolled
 * @param said     the word, form or call; empty for none
 * @param address  of the page, without scheme and fragment: {@code tarnfell.example/schools?year=4}
 * @param path     of the page, {@code /} at least
 * @param referrer address they came from; empty for none
 * @param campaign the campaign's words from the address they landed on; empty for none
 * @param visits   how many visits there were with this one; from 1 on
 * @param language of the browser, such as {@code en-GB}
 * @param device   {@code phone}, {@code tablet} or {@code desktop}
 * @param now      on the bot's clock
 * @param at       the same as an instant
 * @param facts    what the website tells of the visitor, each as {@code plan: gold}
 * @param known    what the bot remembers of the visitor from one conversation to the next, in the same form
 * @param past     what each cue did before, by its id
 */
public record Moment(
        Happening what,
        int amount,
        String said,
        String address,
        String path,
        String referrer,
        String campaign,
        int visits,
        String language,
        String device,
        LocalDateTime now,
        Instant at,
        List<String> facts,
        List<String> known,
        Map<String, Past> past) {

    public Moment {
        said = said.toLowerCase(Locale.ROOT).strip();
        address = address.toLowerCase(Locale.ROOT);
        path = path.toLowerCase(Locale.ROOT);
        referrer = referrer.toLowerCase(Locale.ROOT);
        campaign = campaign.toLowerCase(Locale.ROOT);
        language = language.toLowerCase(Locale.ROOT);
        facts = lower(facts);
        known = lower(known);
        past = Map.copyOf(past);
    }

    private static List<String> lower(List<String> facts) {
        return facts.stream().map(fact -> fact.toLowerCase(Locale.ROOT)).toList();
    }

    /**
     * What a cue did for this visitor.
     *
     * @param visit     how often it acted in this visit
     * @param times     when it acted, at most the last hundred
     * @param dismissed when it was dismissed last; {@link Instant#MIN} for never
     */
    public record Past(int visit, List<Instant> times, Instant dismissed) {
        public static final Past NONE = new Past(0, List.of(), Instant.MIN);

        public Past {
            times = List.copyOf(times);
        }
    }

    /** A page's address without scheme and fragment. */
    public static String address(String page) {
        int scheme = page.indexOf("://");
        String bare = scheme < 0 ? page : page.substring(scheme + 3);
        int fragment = bare.indexOf('#');
        return fragment < 0 ? bare : bare.substring(0, fragment);
    }

    /** A page's path, {@code /} where it has none or is no address. */
    public static String path(String page) {
        try {
            String path = new URI(page).getPath();
            return path == null || path.isEmpty() ? "/" : path;
        } catch (URISyntaxException e) {
            return "/";
        }
    }
}
