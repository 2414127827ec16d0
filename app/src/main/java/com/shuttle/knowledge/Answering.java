package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Finding.Source;
import java.util.EnumSet;
import java.util.Set;

/**
 * From what a bot answers within its collections.
 *
 * @param pleasantries whether it meets greetings, thanks and the like, with the words that ship
 * @param sources      the kinds of source it answers from
 */
public record Answering(boolean pleasantries, Set<Source> sources) {

    /** As it is where nothing was set. */
    public static final Answering USUAL = new Answering(true, EnumSet.allOf(Source.class));

    public Answering {
        sources = Set.copyOf(sources);
    }

    public boolean from(String source) {
        return sources.stream().anyMatch(one -> one.plural().equals(source));
    }
}
