package com.shuttle.chat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.reading.Value;
import com.shuttle.knowledge.GapService;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What a conversation leaves behind: notes, values of the visitor, milestones, the rating, what was answered and what not. */
@Configuration
class OutcomeDeeds {

    /** Up to so many stars of five are a bad rating. */
    private static final int BAD = 2;

    @Bean
    DeedHandler<Deed.Note> notes(OutcomeStore store) {
        return DeedHandler.of(
                Deed.Note.class, (conversation, note, at) -> store.note(conversation.id(), note.text(), at));
    }

    @Bean
    DeedHandler<Deed.Remember> remembering(OutcomeStore store) {
        return DeedHandler.of(Deed.Remember.class, (conversation, remember, at) -> {
            if (!conversation.visitor().isEmpty() && !(remember.value() instanceof Value.Secret)) {
                store.remember(conversation.bot(), conversation.visitor(), remember.variable(), remember.value(), at);
            }
        });
    }

    @Bean
    DeedHandler<Deed.Reach> milestones(OutcomeStore store, ApplicationEventPublisher events) {
        return DeedHandler.of(Deed.Reach.class, (conversation, reach, at) -> {
            store.reach(conversation, reach.milestone(), reach.value(), at);
            events.publishEvent(new MilestoneReached(conversation.id(), conversation.bot(), reach.milestone(), at));
        });
    }

    @Bean
    DeedHandler<Deed.Rate> ratings(OutcomeStore store, GapService gaps) {
        return DeedHandler.of(Deed.Rate.class, (conversation, rate, at) -> {
            store.rate(conversation.id(), rate.stars(), rate.comment(), at);
            if (rate.stars() <= BAD) {
                gaps.ratedBadly(conversation.bot(), conversation.id(), at);
            }
        });
    }

    @Bean
    DeedHandler<Deed.NoteGap> unanswered(GapService gaps) {
        return DeedHandler.of(
                Deed.NoteGap.class,
                (conversation, gap, at) -> gaps.note(conversation.bot(), conversation.id(), gap.question(), at));
    }

    @Bean
    DeedHandler<Deed.Answered> answered(GapService gaps) {
        return DeedHandler.of(
                Deed.Answered.class,
                (conversation, answered, at) ->
                        gaps.answered(conversation.bot(), conversation.id(), answered.ref(), answered.question(), at));
    }
}
