package com.shuttle.core.conversation;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.reading.Value;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Where a conversation stands. Immutable; stored as JSON after every turn. Parts that an older version did not write are
 * taken as empty.
 *
 * @param seq       of the last message; 0 before the first
 * @param at        the step the conversation stands at; null before it starts and where it rests, open to any question
 * @param returns   where flows that were gone to come back to, innermost last
 * @param variables what is known, in the order it was learnt
 * @param awaiting  null where nothing particular is
 * @param asked     the visitor's latest questions, oldest first, at most {@link #TAIL}
 * @param answered  questions already answered, oldest first, at most {@link #TRAIL}, to go back to
 * @param left      variables that the visitor chose to leave out
 * @param arms      arm by experiment
 * @param team      the team asked for while queued or with a person; empty for any
 * @param visitor   names the visitor across conversations; may be empty
 * @param zone      the visitor's time zone; empty for the bot's
 * @param returning whether anything was known of the visitor at the start
 * @param silent    whether the text box is closed
 * @param quiet     key of the timer that the visitor's next word stops; empty for none
 * @param nudged    whether the visitor was asked whether they are still there
 * @param agent     account of the person who has the conversation; empty for none
 * @param timers    how many timers, signals and errands there were, for their keys
 * @param told      variables of choices that were told before they were asked for
 * @param signals   whose addresses were given out ahead
 * @param arrival   what the channel knew of the visitor at the start
 * @param leadAt    the step that made the visitor a lead last; null for none
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record State(
        long seq,
        Speaker speaker,
        @Nullable Place at,
        List<Place> returns,
        Map<String, Value> variables,
        @Nullable Awaiting awaiting,
        List<String> asked,
        List<Place> answered,
        List<String> left,
        Map<String, String> arms,
        String team,
        String channel,
        String page,
        String visitor,
        String zone,
        boolean returning,
        boolean silent,
        String quiet,
        boolean nudged,
        String agent,
        int timers,
        List<String> told,
        Arrival arrival,
        Signals signals,
        @Nullable Place leadAt) {

    /** How many questions are kept for follow-ups. */
    public static final int TAIL = 3;

    /** How many answered questions can be gone back to. */
    public static final int TRAIL = 20;

    /** Before anything happened. */
    public static final State NEW = new State(
            0,
            Speaker.BOT,
            null,
            List.of(),
            Map.of(),
            null,
            List.of(),
            List.of(),
            List.of(),
            Map.of(),
            "",
            "",
            "",
            "",
            "",
            false,
            false,
            "",
            false,
            "",
            0,
            List.of(),
            Arrival.NONE,
            Signals.NONE,
            null);

    public State {
        arrival = Arrival.orNone(arrival);
        signals = Signals.orNone(signals);
        speaker = speaker == null ? Speaker.BOT : speaker;
        returns = returns == null ? List.of() : List.copyOf(returns);
        variables = variables == null ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(variables));
        asked = asked == null ? List.of() : List.copyOf(asked);
        answered = answered == null ? List.of() : List.copyOf(answered);
        team = team == null ? "" : team;
        channel = channel == null ? "" : channel;
        page = page == null ? "" : page;
        left = left == null ? List.of() : List.copyOf(left);
        arms = arms == null ? Map.of() : Map.copyOf(arms);
        visitor = visitor == null ? "" : visitor;
        zone = zone == null ? "" : zone;
        quiet = quiet == null ? "" : quiet;
        agent = agent == null ? "" : agent;
        told = told == null ? List.of() : List.copyOf(told);
    }

    /** The same where a person has it, as states of old do not say. */
    public State heldBy(String account) {
        return new State(
                seq, speaker, at, returns, variables, awaiting, asked, answered, left, arms, team, channel, page,
                visitor, zone, returning, silent, quiet, nudged, account, timers, told, arrival, signals, leadAt);
    }
}
