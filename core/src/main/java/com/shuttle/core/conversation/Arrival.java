package com.shuttle.core.conversation;

import com.fasterxml.jackson.annotation.JsonInclude;
import org.jspecify.annotations.Nullable;

/**
 * What the channel knows of a visitor from the start, without their having said it. Parts that are not known are empty.
 *
 * @param sender   the number they write from, in E.164 form
 * @param name     what they call themselves on the channel, as it stands there
 * @param referrer address of the page that led them to the website
 * @param campaign words of the campaign that did
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record Arrival(String sender, String name, String referrer, String campaign) {

    /** Nothing is known. */
    public static final Arrival NONE = new Arrival("", "", "", "");

    public Arrival {
        sender = orEmpty(sender);
        name = orEmpty(name);
        referrer = orEmpty(referrer);
        campaign = orEmpty(campaign);
    }

    private static String orEmpty(@Nullable String text) {
        return text == null ? "" : text;
    }

    static Arrival orNone(@Nullable Arrival arrival) {
        return arrival == null ? NONE : arrival;
    }
}
