package com.shuttle.followups;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.shuttle.core.calendar.WeekHours;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.followup.Times;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What goes out, one stage after the other, to whoever comes into a segment, reaches a milestone or leaves a form unfinished.
 *
 * @param of          id of the segment, name of the milestone, or id of the bot whose forms they are
 * @param mostADay    mails and tasks in a day; nought for as many as there are
 * @param hours       lower-case day of the week to its hours; empty for any time
 * @param zone        IANA time zone of the hours
 * @param replyTo     where answers go; empty for the sender
 * @param activeSince null while it is off: whoever begins after that is followed up
 */
public record FollowUp(
        String id,
        String name,
        Begins begins,
        String of,
        List<Stage> stages,
        int mostADay,
        Map<String, String> hours,
        String zone,
        String replyTo,
        @Nullable Instant activeSince) {

    /** What somebody does to be followed up. */
    public enum Begins {
        SEGMENT("comes into the segment"),
        MILESTONE("reaches the milestone"),
        UNFINISHED("leaves a form unfinished with");

        private final String label;

        Begins(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Begins of(String key) {
            for (Begins begins : values()) {
                if (begins.key().equals(key)) {
                    return begins;
                }
            }
            return SEGMENT;
        }
    }

    /** What a stage does. */
    public enum Does {
        MAIL("a mail to them"),
        TASK("a task for their owner"),
        CALLBACK("a web callback");

        private final String label;

        Does(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Does of(String key) {
            for (Does does : values()) {
                if (does.key().equals(key)) {
                    return does;
                }
            }
            return MAIL;
        }
    }

    /**
     * One thing that goes out.
     *
     * @param after   seconds since the stage before, or since the beginning
     * @param only    id of a segment that they have to be in then; empty for everybody
     * @param subject of a mail, with placeholders
     * @param text    of a mail in small Markdown, of a task a line; with placeholders. Of a callback its address
     * @param file    id of a file that goes with a mail; empty for none
     * @param team    id of the team that has a task where the lead is nobody's
     */
    public record Stage(long after, Does does, String only, String subject, String text, String file, String team) {
        @JsonIgnore
        public boolean mail() {
            return does == Does.MAIL;
        }
    }

    public FollowUp {
        stages = List.copyOf(stages);
        hours = Map.copyOf(hours);
    }

    public boolean on() {
        return activeSince != null;
    }

    /** When it may go out. */
    Times times() {
        return new Times(WeekHours.of(hours), Zones.firstKnown(zone));
    }
}
