package com.shuttle.core.engine;

import com.shuttle.core.acts.Kind;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.listening.BookingRequest;
import com.shuttle.core.listening.Repair;
import com.shuttle.core.reading.BareValue;
import com.shuttle.core.reading.Reading;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a message makes a conversation do, whatever step it stands at. What is pending is awaited again afterwards. */
sealed interface TalkMove extends Move.OfTalk {

    /** Performed by {@link Requests}. */
    sealed interface OfRequest extends TalkMove {}

    record Grant(Standing request) implements OfRequest {}

    /** What is noted so far is said. */
    record TellNoted() implements OfRequest {}

    /** A booking is moved, called off or told. @param said in which words */
    record SeeToBooking(BookingRequest wants, String said) implements OfRequest {}

    /** To where a phrase or an entry leads. */
    record Visit(Place flow) implements OfRequest {}

    /** Performed by {@link Asides}. */
    sealed interface OfVisitor extends TalkMove {}

    /** The ways out are told. */
    record TellWaysOut(@Nullable Awaiting pending) implements OfVisitor {}

    /** What is pending is asked in other words. */
    record Explain(Awaiting pending, String said) implements OfVisitor {}

    /** Who does not know what is pending leaves it out, or is helped. */
    record Help(Awaiting pending, String said) implements OfVisitor {}

    /** Who does not mind is told that any will do. */
    record TakeAny(Awaiting pending, String said) implements OfVisitor {}

    /** It is asked what is to be changed of what is noted. */
    record AskWhatToMend() implements OfRequest {}

    /** Something else than what is pending stays open. */
    record LeaveOpen(Wanted other, Awaiting pending) implements OfVisitor {}

    /** @param before whether it was told before that the bot speaks one language only */
    record TellTongue(String said, boolean before) implements OfVisitor {}

    /** A value that nobody asked for. */
    record PutStray(String said, BareValue kind, @Nullable Awaiting pending) implements OfVisitor {}

    record Soothe() implements OfVisitor {}

    /** A few words for who is only social. */
    record Reply(Kind kind) implements OfVisitor {}

    /** What nobody asked for is passed on to the team. */
    record PassOn(String said) implements OfVisitor {}

    /** Performed by {@link Questions}. */
    sealed interface OfKnowledge extends TalkMove {}

    record Answer(
            String question, Finding finding, @Nullable Awaiting pending) implements OfKnowledge {}

    record AnswerAll(
            String question,
            List<Finding> findings,
            @Nullable Awaiting pending) implements OfKnowledge {
        public AnswerAll {
            findings = List.copyOf(findings);
        }
    }

    record Suggest(
            String question, Finding finding, @Nullable Awaiting pending) implements OfKnowledge {}

    record NotKnown(
            String question, Finding finding, @Nullable Awaiting pending) implements OfKnowledge {}

    /** The same beside something else that a message says, which goes on by itself. */
    record AnswerBeside(String question, Finding finding) implements OfKnowledge {}

    record NotKnownBeside(String question, Finding finding) implements OfKnowledge {}

    /** Performed by {@link Repairs}. */
    record Mend(List<Repair> repairs) implements TalkMove {
        public Mend {
            repairs = List.copyOf(repairs);
        }
    }

    /** Performed by {@link Redoing}. */
    sealed interface OfPast extends TalkMove {}

    /** Something that was answered is asked once more. */
    record AskAnew(String variable, Place place) implements OfPast {}

    /** Another option of what was chosen before. */
    record ChooseInstead(Place place, Option option) implements OfPast {}

    /** Performed by {@link Picks}. */
    sealed interface OfOffer extends TalkMove {}

    record Pick(List<String> ids) implements OfOffer {
        public Pick {
            ids = List.copyOf(ids);
        }
    }

    record PickSuggestion(Awaiting.Suggestion offered, String id) implements OfOffer {}

    record RefuseSuggestions(Awaiting.Suggestion offered) implements OfOffer {}

    record AskWhichSuggestion(Awaiting.Suggestion offered) implements OfOffer {}

    /** A value that was told besides is kept, together with all others of its message. */
    record Keep(String variable, Reading.Given given) implements TalkMove {}
}
