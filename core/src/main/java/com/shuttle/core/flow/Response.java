package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;

/**
 * What a bot says on an occasion.
 *
 * @param on      whether it says anything
 * @param say     wordings to choose from; empty for the usual one
 * @param outside wordings outside hours; empty for the same
 * @param offers  what may be picked beside it, for those that {@link Occasion#offers()}
 * @param minutes how long it waits, for occasions that come after a time
 * @param flow    id of the flow that follows, for those that {@link Occasion#leads()}; empty for none
 */
public record Response(
        Occasion occasion,
        boolean on,
        List<String> say,
        List<String> outside,
        List<String> offers,
        int minutes,
        @JsonInclude(JsonInclude.Include.NON_EMPTY) String flow) {

    /** How long it waits where nothing was set. */
    public static final int USUAL_MINUTES = 10;

    public static final int MOST_MINUTES = 7 * 24 * 60;

    public Response {
        say = say == null ? List.of() : List.copyOf(say);
        outside = outside == null ? List.of() : List.copyOf(outside);
        offers = offers == null ? List.of() : List.copyOf(offers);
        minutes = minutes < 1 || minutes > MOST_MINUTES ? USUAL_MINUTES : minutes;
        flow = flow == null ? "" : flow;
    }

    /** One that no flow follows. */
    public Response(
            Occasion occasion, boolean on, List<String> say, List<String> outside, List<String> offers, int minutes) {
        this(occasion, on, say, outside, offers, minutes, "");
    }

    /** As it is where nothing was set. */
    public static Response usual(Occasion occasion) {
        return new Response(occasion, occasion.usuallyOn(), List.of(), List.of(), List.of(), USUAL_MINUTES);
    }

    /** The wordings to choose from; empty where it says nothing. */
    public List<String> wordings(boolean inHours) {
        if (!on) {
            return List.of();
        }
        List<String> own = inHours || outside.isEmpty() ? say : outside;
        return own.isEmpty() ? occasion.usual() : own;
    }
}
