package com.shuttle.leads;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.Conversation;
import com.shuttle.chat.DeedHandler;
import com.shuttle.chat.Overtaken;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.people.Identity;
import com.shuttle.core.people.People;
import com.shuttle.leads.HistoryStore.Said;
import com.shuttle.leads.LeadChanged.What;
import com.shuttle.web.Ids;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/**
 * Takes in what conversations say of people: finds whose it is or makes them, keeps what was said beside it, and makes them a
 * lead. All of it in the transaction of the turn. Thread-safe.
 */
@Service
class Intake implements DeedHandler<Deed.SaveLead> {

    private final PersonStore people;
    private final HistoryStore history;
    private final ScoreStore scores;
    private final LeadSetUp setUp;
    private final Merging merging;
    private final Owners owners;
    private final BotService bots;
    private final ApplicationEventPublisher events;

    Intake(
            PersonStore people,
            HistoryStore history,
            ScoreStore scores,
            LeadSetUp setUp,
            Merging merging,
            Owners owners,
            BotService bots,
            ApplicationEventPublisher events) {
        this.people = people;
        this.history = history;
        this.scores = scores;
        this.setUp = setUp;
        this.merging = merging;
        this.owners = owners;
        this.bots = bots;
        this.events = events;
    }

    @Override
    public Class<Deed.SaveLead> type() {
        return Deed.SaveLead.class;
    }

    /** Whoever brings a lead has the rows of its addresses first, all turns in the same order. */
    @Override
    public void prepare(List<Deed.SaveLead> deeds) {
        people.lock(deeds.stream()
                .flatMap(deed -> List.of(
                        Identity.email(deed.fields().getOrDefault("email", "")),
                        Identity.phone(deed.fields().getOrDefault("phone", ""), ""))
                        .stream())
                .toList());
    }

    @Override
    public void carryOut(Conversation conversation, Deed.SaveLead deed, Instant at) {
        String region = bots.find(conversation.bot()).map(Bot::region).orElse("");
        String email = Identity.email(deed.fields().getOrDefault("email", ""));
        String phone = Identity.phone(deed.fields().getOrDefault("phone", ""), region);
        if (email.isEmpty() && phone.isEmpty()) {
            return;
        }
        People.Claim claim = new People.Claim(deed.fields().getOrDefault("name", ""), email, phone);
        Person before = found(conversation, claim, deed.campaign(), at);
        boolean linked = people.link(conversation.id(), before.id(), conversation.bot(), at);
        PersonDraft draft = new PersonDraft(before);
        draft.name = Identity.fuller(before.name(), claim.name());
        draft.email = email.isEmpty() ? before.email() : email;
        draft.phone = phone.isEmpty() ? before.phone() : phone;
        draft.company = deed.fields().getOrDefault("company", before.company());
        draft.lastAt = at;
        draft.conversation = conversation.id();
        draft.conversations = before.conversations() + (linked ? 1 : 0);
        draft.worth = people.worth(before.id());
        Optional<ScoreStore.Given> score = scores.of(conversation.id());
        score.ifPresent(given -> {
            draft.points = given.points();
            draft.band = given.bandName();
            draft.card = given.card();
        });
        boolean makes = before.leadAt() == null;
        if (makes) {
            draft.leadAt = at;
            draft.state = setUp.first().id();
        }
        if (draft.owner.isEmpty() && !deed.team().isEmpty()) {
            draft.owner = owners.inTurn(deed.team());
        }
        agreed(draft, before, conversation, deed, at);
        boolean news = said(before.id(), conversation, deed.fields(), email, phone, at);
        if (!linked && !makes && !news && sameBut(draft, before)) {
            return;
        }
        Person after = draft.done();
        if (!people.update(after)) {
            throw new Overtaken("somebody changed the person");
        }
        tell(before, after, conversation, makes, linked, at);
    }

    /** Whether nothing but the time differs: what became known had nothing to do with the lead. */
    private boolean sameBut(PersonDraft draft, Person before) {
        Instant at = draft.lastAt;
        draft.lastAt = before.lastAt();
        boolean same = draft.done().equals(before);
        draft.lastAt = at;
        return same;
    }

    /** Whose it is; somebody new where nobody is known. */
    private Person found(Conversation conversation, People.Claim claim, String campaign, Instant at) {
        List<Person> known = people.at(claim.email(), claim.phone());
        People.Match match = People.match(
                claim,
                known.stream()
                        .map(one -> new People.Known(one.id(), one.name(), one.email(), one.phone()))
                        .toList());
        Person linked = people.ofConversation(conversation.id()).orElse(null);
        Person is = known.stream()
                .filter(one -> one.id().equals(match.is()))
                .findFirst()
                .orElse(null);
        if (is == null) {
            is = linked != null && corrects(linked, conversation, claim) ? linked : made(conversation, campaign, at);
        }
        for (Person one : known) {
            if (match.joins().contains(one.id())) {
                is = merging.merge(is, one, setUp.own(), "", at);
            }
        }
        if (linked == null || linked.id().equals(is.id()) || match.joins().contains(linked.id())) {
            return is;
        }
        return linked.conversations() <= 1 ? merging.merge(is, linked, setUp.own(), "", at) : is;
    }

    /** Whether somebody who was found in this conversation has another address now: it was this conversation that said the old one. */
    private boolean corrects(Person linked, Conversation conversation, People.Claim claim) {
        return linked.email().isEmpty()
                || claim.email().isEmpty()
                || history.saidIn(conversation.id(), "email")
                        .filter(linked.email()::equals)
                        .isPresent();
    }

    private Person made(Conversation conversation, String campaign, Instant at) {
        Person person = PersonDraft.nobody(
                Ids.next(), at, conversation.bot(), conversation.channel(), conversation.page(), campaign);
        people.insert(person);
        return person;
    }

    private void agreed(PersonDraft draft, Person before, Conversation conversation, Deed.SaveLead deed, Instant at) {
        Deed.SaveLead.@Nullable Consent consent = deed.consent();
        if (consent == null) {
            return;
        }
        boolean same = history.consentIn(conversation.id())
                .filter(last ->
                        last.given() == consent.given() && last.wording().equals(consent.wording()))
                .isPresent();
        if (!same) {
            draft.agreedAt = consent.given() ? at : null;
            if (consent.given()) {
                // Who agrees anew may be written to again.
                draft.stoppedAt = null;
                draft.stoppedWhy = "";
            }
            history.consent(
                    before.id(),
                    conversation.id(),
                    new HistoryStore.Consent(
                            consent.wording(),
                            consent.given(),
                            conversation.channel(),
                            conversation.page(),
                            deed.campaign(),
                            at));
        }
    }

    /** Keeps what was said. @return whether any of it is new */
    private boolean said(
            String person,
            Conversation conversation,
            Map<String, String> fields,
            String email,
            String phone,
            Instant at) {
        boolean any = false;
        for (Map.Entry<String, String> one : fields.entrySet()) {
            String field = one.getKey();
            String content = switch (field) {
                case "email" -> email;
                case "phone" -> phone;
                default -> one.getValue();
            };
            boolean news = !content.isEmpty()
                    && history.saidIn(conversation.id(), field)
                            .filter(content::equals)
                            .isEmpty();
            any |= news;
            if (news) {
                history.said(person, new Said(field, content, conversation.id(), "", at));
            }
            setUp.own().stream()
                    .filter(own -> own.id().equals(field))
                    .findFirst()
                    .ifPresent(own -> history.field(person, field, content, own.figure(content)));
        }
        return any;
    }

    private void tell(
            Person before, Person after, Conversation conversation, boolean makes, boolean linked, Instant at) {
        if (makes) {
            happened(after, PersonEvent.Kind.MADE, "became a lead", conversation.id(), at);
            events.publishEvent(new LeadChanged(What.MADE, after, ""));
        } else if (linked) {
            happened(after, PersonEvent.Kind.TALKED, "came back and talked", conversation.id(), at);
        }
        if (linked && !after.band().isEmpty() && !after.band().equals(before.band())) {
            happened(after, PersonEvent.Kind.SCORED, Scoring.words(after), conversation.id(), at);
            events.publishEvent(new LeadChanged(What.BAND, after, before.band()));
        }
        if (!after.owner().equals(before.owner())) {
            events.publishEvent(new LeadChanged(What.OWNER, after, before.owner()));
        }
    }

    private void happened(Person person, PersonEvent.Kind kind, String words, String conversation, Instant at) {
        history.happened(new PersonEvent(Ids.next(), person.id(), kind, words, "", conversation, null, at));
    }
}
