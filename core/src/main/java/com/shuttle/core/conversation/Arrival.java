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
 * @param cue      name of the cue that began the conversation
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record Arrival(String sender, String name, String referrer, String campaign, String cue) {

    /** Nothing is known. */
    public static final Arrival NONE = new Arrival("", "", "", "", "");

    /** Without a cue. */
    public Arrival(String sender, String name, String referrer, String campaign) {
        this(sender, name, referrer, campaign, "");
    }

    public Arrival {
        sender = orEmpty(sender);
        name = orEmpty(name);
        referrer = orEmpty(referrer);
        campaign = orEmpty(campaign);
        cue = orEmpty(cue);
    }

    private static String orEmpty(@Nullable String text) {
        return text == null ? "" : text;
    }

    static Arrival orNone(@Nullable Arrival arrival) {
        return arrival == null ? NONE : arrival;
    }
}
