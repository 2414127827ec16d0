package com.shuttle.core.engine;

import static com.shuttle.core.flow.FlowBuilder.flow;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.conversation.Event;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Stamp;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Entry.Beside;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a bot says on occasions. The talks happen on a Tuesday, when nobody is there; Mondays are within hours. */
class ResponsesTest {

    private static final Instant MONDAY = Instant.parse("2026-03-09T10:00:00Z");

    private static final Flow FLOW = flow("main")
            .choice("menu", "What would you like?", "Nothing", "bye")
            .end("bye", "Goodbye.")
            .build();

    private static final Flow EMPTY =
            flow("main").message("hello", "Hello.", null).build();

    private static FakeWorld world() {
        return new FakeWorld().knows("parking", "Parking is free.", 0.9).knows("dogs", "On a lead.", 0.4);
    }

    private static Response on(Occasion occasion, String say) {
        return new Response(occasion, true, List.of(say), List.of(), List.of(), 5);
    }

    private static Response off(Occasion occasion) {
        return new Response(occasion, false, List.of(), List.of(), List.of(), 0);
    }

    private static Talk talk(Response... responses) {
        return Talk.saying(world(), List.of(responses), FLOW);
    }

    @Test
    void itsOwnWordsAreSaidAndSwitchedOffOnesAreNot() {
        talk(on(Occasion.FOUND, "Here:"))
                .says("is there parking?")
                .hears("Here:", "Parking is free.", "What would you like?");
        talk(on(Occasion.NOT_FOUND, "No idea."))
                .says("who painted the whale?")
                .hears("No idea.", "What would you like?");
        talk(off(Occasion.NOT_FOUND)).says("who painted the whale?").hears("What would you like?");
        talk(on(Occasion.RELATED, "One of these?")).says("about dogs?").hears("One of these?");
        Talk unsure = talk(off(Occasion.RELATED)).says("about dogs?").hearsPart("I don't know that one");
        assertThat(unsure.effects).contains(new Deed.NoteGap("about dogs?"));
    }

    @Test
    void outsideHoursOtherWordsAreSaid() {
        Response response = new Response(
                Occasion.NOT_FOUND, true, List.of("Ask the desk."), List.of("Ask the desk tomorrow."), List.of(), 0);
        Talk talk = talk(response).says("who painted the whale?");
        talk.hears("Ask the desk tomorrow.", "What would you like?");
        talk.take(new Event.Said(new Stamp(MONDAY, 1), "who carved the whale?"));
        talk.hears("Ask the desk.", "What would you like?");
    }

    @Test
    void nobodyIsThereForOneReasonOrTheOther() {
        FakeWorld alone = world();
        alone.anybody = false;
        Talk talk = Talk.saying(
                alone, List.of(on(Occasion.BUSY, "All are busy."), on(Occasion.CLOSED, "We are closed.")), FLOW);
        talk.says("a person please").hears("We are closed.", "What would you like?");
        talk.take(new Event.Said(new Stamp(MONDAY, 1), "a person please"));
        talk.hears("All are busy.", "What would you like?");
        talk(on(Occasion.HANDED_OVER, "Just a moment.")).says("a person please").hears("Just a moment.");
    }

    @Test
    void whatIsOfferedNextIsSaidByAPress() {
        Response next = new Response(
                Occasion.NEXT, true, List.of("Anything else?"), List.of(), List.of("Parking", "Opening hours"), 0);
        Talk talk = Talk.saying(world(), List.of(next), EMPTY);
        talk.says("is there parking?").hears("Parking is free.", "Anything else?");
        assertThat(talk.state.awaiting().offers())
                .extracting(Message.Offer::label)
                .containsExactly("Parking", "Opening hours");
        talk.picks("w1").hears("Parking is free.", "Anything else?");
        talk.says("parking").hears("Parking is free.", "Anything else?");
        talk.says("who painted the whale?").hearsPart("I don't know that one");
    }

    private static Response then(Occasion occasion, String flow, String... offers) {
        return new Response(occasion, true, List.of("Well."), List.of(), List.of(offers), 5, flow);
    }

    private static final Flow MESSAGE = flow("message")
            .question("m", "What shall I pass on?", ValueType.LONG_TEXT, "message", null)
            .build();

    @Test
    void whatComesOfATurnMayLeadToAFlowOrOfferThings() {
        Talk talk = Talk.saying(world(), List.of(then(Occasion.NOT_FOUND, "message")), EMPTY, MESSAGE);
        talk.says("who painted the whale?").hears("Well.", "What shall I pass on?");
        talk.says("please tell me").knows("message", "please tell me");
        Talk.saying(world(), List.of(then(Occasion.RELATED, "message")), EMPTY, MESSAGE)
                .says("about dogs?")
                .hears("Well.", "What shall I pass on?");
        Talk offered = Talk.saying(world(), List.of(then(Occasion.FOUND, "", "Parking", "Prices")), EMPTY, MESSAGE);
        offered.says("is there parking?")
                .hears("Well.", "Parking is free.", "Is there anything you would like to ask?");
        assertThat(offered.state.awaiting().offers()).hasSize(2);
    }

    @Test
    void anEntryBringsItsPictureItsLeadOnAndWhatToPickNext() {
        FakeWorld world = world().beside(
                        "parking", new Beside("/media/abc", false, "The yard", "Coming by bus?", List.of("Buses")));
        Talk talk = Talk.saying(world, List.of(then(Occasion.FOUND, "", "Prices")), EMPTY);
        talk.says("is there parking?")
                .hears("Well.", "Parking is free.", "Coming by bus?", "Is there anything you would like to ask?");
        assertThat(talk.state.awaiting().offers())
                .extracting(Message.Offer::label)
                .containsExactly("Buses");
        assertThat(talk.effects)
                .anyMatch(effect -> effect instanceof Effect.Say say
                        && say.message().look() != null
                        && say.message().look().media() != null
                        && say.message().look().media().address().equals("/media/abc"));
        Talk.saying(world, List.of(), FLOW)
                .says("is there parking?")
                .hears("Parking is free.", "Coming by bus?", "What would you like?");
    }

    @Test
    void whatIsBeingAskedIsNotLeftForIt() {
        Talk asked = Talk.saying(world(), List.of(then(Occasion.NOT_FOUND, "message")), FLOW, MESSAGE);
        asked.says("who painted the whale?").hears("Well.", "What would you like?");
    }

    @Test
    void nobodyThereAndSilenceLeadToAFlowAndBack() {
        FakeWorld alone = world();
        alone.anybody = false;
        Talk talk = Talk.saying(alone, List.of(then(Occasion.CLOSED, "message")), FLOW, MESSAGE);
        talk.says("a person please").hears("Well.", "What shall I pass on?");
        talk.says("ring me tomorrow").hears("What would you like?");
        Talk quiet = Talk.saying(world(), List.of(then(Occasion.SILENCE, "message")), FLOW, MESSAGE);
        quiet.says("is there parking?");
        quiet.take(new Event.TimeCame(quiet.stamp(), timer(quiet))).hears("Well.", "What shall I pass on?");
    }

    private static String timer(Talk talk) {
        return talk.effects.stream()
                .filter(Deed.SetTimer.class::isInstance)
                .map(effect -> ((Deed.SetTimer) effect).key())
                .reduce("", (first, last) -> last);
    }

    @Test
    void silenceIsBrokenOnceAndThenTheConversationIsClosed() {
        Talk talk = talk(on(Occasion.SILENCE, "Still there?"), on(Occasion.CLOSING, "Closing now."));
        assertThat(timer(talk)).as("before the visitor's first word").isEmpty();
        talk.says("is there parking?");
        assertThat(talk.effects).contains(new Deed.SetTimer(timer(talk), 300));
        String first = timer(talk);
        talk.says("parking");
        assertThat(talk.tell(new Event.TimeCame(talk.stamp(), first)))
                .isEqualTo(new Turn.Refused(Turn.Reason.TOO_LATE));
        talk.take(new Event.TimeCame(talk.stamp(), timer(talk))).hears("Still there?");
        talk.take(new Event.TimeCame(talk.stamp(), timer(talk))).hears("Closing now.");
        assertThat(talk.state.speaker()).isEqualTo(Speaker.ENDED);
    }

    @Test
    void aWordBreaksTheSilenceAndAPersonMayBeWaitedForLong() {
        Talk talk = talk(on(Occasion.SILENCE, "Still there?"), on(Occasion.CLOSING, "Closing now."))
                .says("parking");
        talk.take(new Event.TimeCame(talk.stamp(), timer(talk))).hears("Still there?");
        talk.says("parking");
        talk.take(new Event.TimeCame(talk.stamp(), timer(talk))).hears("Still there?");
        talk.says("a person please");
        assertThat(talk.state.quiet()).isEmpty();

        Talk closing = talk(on(Occasion.CLOSING, "Closing now.")).says("parking");
        closing.take(new Event.TimeCame(closing.stamp(), timer(closing))).hears("Closing now.");
    }

    @Test
    void anEntryLeadsToAFlowAndTheConversationComesBack() {
        Flow tour = flow("tour")
                .message("t1", "First the dome, then the terrace.", null)
                .build();
        Flow main = flow("main")
                .choice("menu", "What would you like?", "Nothing", "bye")
                .end("bye", "Goodbye.")
                .build();
        FakeWorld ports = new FakeWorld()
                .knowsAndLeads("tour", "Tours are free.", tour.name().toUpperCase());
        Talk talk = Talk.with(ports, main, tour).says("is there a tour?");
        talk.hears("Tours are free.", "First the dome, then the terrace.", "What would you like?");
        assertThat(talk.effects).contains(new Deed.Answered("e-tour", "is there a tour?"));
        Talk.with(new FakeWorld().knowsAndLeads("tour", "Tours are free.", "nowhere"), main, tour)
                .says("is there a tour?")
                .hears("Tours are free.", "What would you like?");
    }
}
