package com.shuttle.core.cue;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Decides which of several cues acts. Pure functions. */
public final class Cues {

    private static final Duration DAY = Duration.ofDays(1);

    private Cues() {}

    /** The first cue that acts at a moment; null for none. */
    public static @Nullable Cue decide(List<Cue> cues, Moment moment) {
        for (Cue cue : cues) {
            if (whyNot(cue, moment) == null) {
                return cue;
            }
        }
        return null;
    }

    /** Why a cue does not act at a moment, in a sentence for designers; null where it does. */
    public static @Nullable String whyNot(Cue cue, Moment moment) {
        if (!cue.on()) {
            return "It is switched off.";
        }
        String happened = notHappened(cue, moment);
        if (happened != null) {
            return happened;
        }
        String elsewhere = elsewhere(cue.where(), moment);
        if (elsewhere != null) {
            return elsewhere;
        }
        if (!cue.openAt(moment.now())) {
            return "It acts at other hours.";
        }
        if (!cue.languages().isEmpty() && !speaks(moment.language(), cue.languages())) {
            return "It is for visitors of another language.";
        }
        if (!cue.devices().isEmpty() && !cue.devices().contains(moment.device())) {
            return "It is for another device.";
        }
        return tooOften(cue.limits(), moment.past().getOrDefault(cue.id(), Moment.Past.NONE), moment.at());
    }

    /** Of each kind that is asked for one must be, and none that is left out; what is not asked for may be anything. */
    private static @Nullable String elsewhere(List<Where> places, Moment moment) {
        // A bit for each kind: whether it is asked for, and whether one of those is so.
        int asked = 0;
        int so = 0;
        for (Where where : places) {
            int kind = 1 << where.of().ordinal();
            boolean holds = where.holds(moment);
            if (where.not() && !holds) {
                return begin(where.of().label()) + " " + where.how().label() + " “" + where.value()
                        + "”, which is left out.";
            }
            asked |= where.not() ? 0 : kind;
            so |= holds && !where.not() ? kind : 0;
        }
        if ((asked & ~so) != 0) {
            Where.Of of = Where.Of.values()[Integer.numberOfTrailingZeros(asked & ~so)];
            return of == Where.Of.PAGE ? "It acts on other pages." : begin(of.label()) + " is something else.";
        }
        return null;
    }

    private static String begin(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static boolean speaks(String language, List<String> wanted) {
        for (String one : wanted) {
            if (language.equals(one) || language.startsWith(one + "-")) {
                return true;
            }
        }
        return false;
    }

    private static @Nullable String notHappened(Cue cue, Moment moment) {
        Happening wanted = cue.what();
        boolean happened = switch (wanted) {
            // Whoever is here for the first time, or again, is so from the first second on the page.
            case FIRST_VISIT -> moment.what() == Happening.STAYED && moment.visits() <= 1;
            case RETURNING -> moment.what() == Happening.STAYED && moment.visits() > 1;
            default -> moment.what() == wanted;
        };
        if (!happened) {
            return "It waits for something else: " + wanted.label() + ".";
        }
        if (wanted.amount() != Happening.Amount.NONE && moment.amount() < cue.amount()) {
            return wanted.amount() == Happening.Amount.SECONDS
                    ? "It waits for " + cue.amount() + " seconds."
                    : "It waits for " + cue.amount() + " per cent.";
        }
        boolean any = !wanted.named() || cue.words().isEmpty() && wanted != Happening.KEYWORD;
        return any || cue.words().stream().anyMatch(moment.said()::equalsIgnoreCase)
                ? null
                : "It waits for another name.";
    }

    private static @Nullable String tooOften(Cue.Limits limits, Moment.Past past, Instant now) {
        if (limits.visit() > 0 && past.visit() >= limits.visit()) {
            return "It has acted often enough in this visit.";
        }
        if (limits.ever() > 0 && past.times().size() >= limits.ever()) {
            return "It has acted often enough.";
        }
        Instant dayAgo = now.minus(DAY);
        if (limits.day() > 0 && past.times().stream().filter(dayAgo::isBefore).count() >= limits.day()) {
            return "It has acted often enough today.";
        }
        boolean rests = limits.pauseHours() > 0
                && !past.dismissed().equals(Instant.MIN)
                && past.dismissed().plus(Duration.ofHours(limits.pauseHours())).isAfter(now);
        return rests ? "It was dismissed, and rests." : null;
    }
}
