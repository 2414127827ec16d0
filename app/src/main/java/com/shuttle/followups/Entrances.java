package com.shuttle.followups;

import static java.util.Objects.requireNonNull;

import com.shuttle.chat.ConversationService;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.State;
import com.shuttle.followups.FollowUpStore.Run;
import com.shuttle.followups.StandingStore.Entering;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.Person;
import com.shuttle.leads.Segments;
import com.shuttle.web.Missing;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who begins to be followed up: each person once for each follow-up. Thread-safe. */
@Service
class Entrances {

    /** Silent for so long, a form counts as left. */
    private static final Duration LEFT_AFTER = Duration.ofMinutes(20);

    private static final int MOST = 2000;

    private final FollowUpStore store;
    private final StandingStore standings;
    private final Segments segments;
    private final LeadService leads;
    private final ConversationService conversations;

    Entrances(
            FollowUpStore store,
            StandingStore standings,
            Segments segments,
            LeadService leads,
            ConversationService conversations) {
        this.store = store;
        this.standings = standings;
        this.segments = segments;
        this.leads = leads;
        this.conversations = conversations;
    }

    /** Notes who is in the segment before a follow-up is switched on: they do not come into it. */
    void thereBefore(FollowUp one) {
        Instant now = requireNonNull(one.activeSince());
        segments.find(one.of())
                .ifPresent(segment -> segments.people(segment)
                        .forEach(person -> store.enter(new Run(one.id(), person, "", 0, now, now), "before")));
    }

    /** Lets those who have begun since the last time be followed up. @return how many */
    @Transactional
    public int take(FollowUp one, Instant now) {
        int many = 0;
        for (Entering who : entering(one, requireNonNull(one.activeSince()), now)) {
            if (!store.entered(one.id(), who.person()) && !one.stages().isEmpty()) {
                Instant due = who.at().plusSeconds(one.stages().getFirst().after());
                store.enter(new Run(one.id(), who.person(), who.conversation(), 0, due, who.at()), "waiting");
                many++;
            }
        }
        return many;
    }

    /** Who begins in a span of time; of a segment, those who are in it now. */
    List<Entering> entering(FollowUp one, Instant from, Instant now) {
        return switch (one.begins()) {
            case SEGMENT ->
                segments.find(one.of())
                        .map(segment -> segments.people(segment).stream()
                                .filter(person -> !store.entered(one.id(), person))
                                .limit(MOST)
                                .map(person -> new Entering(person, "", now))
                                .toList())
                        .orElse(List.of());
            case MILESTONE -> standings.reached(one.of(), from, now);
            case UNFINISHED -> unfinished(one.of(), from, now.minus(LEFT_AFTER));
        };
    }

    /** Who left a form of a bot's unfinished, and is known by an email with consent. */
    List<Entering> unfinished(String bot, Instant from, Instant until) {
        List<Entering> left = new ArrayList<>();
        for (String id : standings.silentSince(bot, from, until, MOST)) {
            try {
                State state = conversations.state(id);
                Person person = leads.ofConversation(id).orElse(null);
                if (asks(state) && person != null) {
                    left.add(new Entering(
                            person.id(), id, conversations.conversation(id).lastAt()));
                }
            } catch (Missing erased) {
                continue;
            }
        }
        return left;
    }

    private static boolean asks(State state) {
        return switch (state.awaiting()) {
            case Awaiting.Reply reply -> true;
            case Awaiting.Facts facts -> true;
            case Awaiting.Slot slot -> true;
            case Awaiting.Confirm confirm -> true;
            case null, default -> false;
        };
    }
}
