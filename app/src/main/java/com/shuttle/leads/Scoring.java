package com.shuttle.leads;

import com.shuttle.chat.Conversation;
import com.shuttle.chat.DeedHandler;
import com.shuttle.chat.MilestoneReached;
import com.shuttle.core.conversation.Deed;
import com.shuttle.leads.LeadChanged.What;
import com.shuttle.web.Ids;
import java.time.Instant;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** Keeps what visitors are scored and what their milestones are worth, and tells it of the lead that they are. Thread-safe. */
@Service
class Scoring implements DeedHandler<Deed.KeepScore> {

    private final ScoreStore scores;
    private final PersonStore people;
    private final HistoryStore history;
    private final ApplicationEventPublisher events;

    Scoring(ScoreStore scores, PersonStore people, HistoryStore history, ApplicationEventPublisher events) {
        this.scores = scores;
        this.people = people;
        this.history = history;
        this.events = events;
    }

    @Override
    public Class<Deed.KeepScore> type() {
        return Deed.KeepScore.class;
    }

    @Override
    public void carryOut(Conversation conversation, Deed.KeepScore score, Instant at) {
        scores.keep(conversation.id(), score, at);
        people.ofConversation(conversation.id()).ifPresent(before -> {
            PersonDraft draft = new PersonDraft(before);
            draft.points = score.points();
            draft.band = score.bandName();
            draft.card = score.card();
            Person after = draft.done();
            people.update(after);
            history.happened(new PersonEvent(
                    Ids.next(), after.id(), PersonEvent.Kind.SCORED, words(after), "", conversation.id(), null, at));
            if (!after.band().equals(before.band())) {
                events.publishEvent(new LeadChanged(What.BAND, after, before.band()));
            }
        });
    }

    static String words(Person person) {
        return "scored " + person.points() + ", " + person.band();
    }

    @EventListener
    void worth(MilestoneReached reached) {
        people.ofConversation(reached.conversation()).ifPresent(before -> {
            PersonDraft draft = new PersonDraft(before);
            draft.worth = people.worth(before.id());
            people.update(draft.done());
        });
    }
}
