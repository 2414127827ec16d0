package com.shuttle.core.engine;

import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import java.util.List;
import java.util.Optional;

/**
 * All that a turn may look at outside the conversation. Calls must not change anything. To keep replay exact, the shell
 * stores every reply with the event ({@link Reads}).
 */
public interface Ports {

    /**
     * Asks the bot's knowledge.
     *
     * @param turns       the visitor's latest questions, oldest first, at least one
     * @param collections ids; empty for all of the bot's
     */
    Finding ask(List<String> turns, List<String> collections);

    /** The entry or article with this ref, as a match of confidence 1; empty if it is gone. */
    Optional<Match> entry(String ref);

    /** Cosine similarity in meaning of {@code text} to each of {@code others}, in their order. */
    List<Double> closeness(String text, List<String> others);

    /** Whether anybody could take a conversation for this team now; empty for any team. */
    boolean staffed(String team);

    /** Of these names of teams, in any case, those that are open now, in lower case. */
    List<String> open(List<String> teamNames);

    /** The signed address that brings a signal with this key to the conversation. */
    String signalAddress(String key);
}
