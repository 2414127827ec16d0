package com.shuttle.core.cue;

import com.shuttle.core.calendar.WeekHours;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;

/**
 * When a bot speaks up, and with what.
 *
 * @param id        of the cue, not empty
 * @param name      for designers
 * @param on        whether it is heeded
 * @param what      what it waits for
 * @param amount    seconds or per cent of {@code what}; 0 where it counts nothing
 * @param words     names of forms or calls; empty for any
 * @param where     on which pages; empty for all
 * @param hours     lower-case day of the week to its hours, {@code 09:00-17:00}; empty for any time
 * @param languages of the visitor's browser, such as {@code en}; empty for any
 * @param devices   {@code phone}, {@code tablet} or {@code desktop}; empty for any
 * @param limits    how often at most
 * @param greeting  shown beside the launcher, or said first where it opens the chat
 * @param flow      id of the flow that it leads to; empty for the main one
 * @param opens     whether the chat opens by itself
 */
public record Cue(
        String id,
        String name,
        boolean on,
        Happening what,
        int amount,
        List<String> words,
        List<Where> where,
        Map<String, String> hours,
        List<String> languages,
        List<String> devices,
        Limits limits,
        String greeting,
        String flow,
        boolean opens) {

    /** @throws IllegalArgumentException if the amount is out of its bounds */
    public Cue {
        words = words == null ? List.of() : List.copyOf(words);
        where = where == null ? List.of() : List.copyOf(where);
        hours = hours == null ? Map.of() : Map.copyOf(hours);
        languages = languages == null ? List.of() : List.copyOf(languages);
        devices = devices == null ? List.of() : List.copyOf(devices);
        limits = limits == null ? Limits.USUAL : limits;
        greeting = greeting == null ? "" : greeting;
        flow = flow == null ? "" : flow;
        if (amount < 0 || amount > what.amount().most()) {
            throw new IllegalArgumentException("expected %s from 0 to %d, but got %d"
                    .formatted(what, what.amount().most(), amount));
        }
    }

    /**
     * How often a cue acts at most for one visitor; 0 for any number.
     *
     * @param pauseHours that it rests after it was dismissed
     */
    public record Limits(int visit, int day, int ever, int pauseHours) {

        /** Once a visit, and a week's rest after it was dismissed. */
        public static final Limits USUAL = new Limits(1, 0, 0, 7 * 24);
    }

    /** Whether somebody may act at this hour. */
    boolean openAt(LocalDateTime at) {
        return WeekHours.openAt(hours, at);
    }
}
