package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.ValueType;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Appointment: offers three times, understands wishes, books what is picked and still free. */
class AppointmentTest {

    private final FakeWorld world = new FakeWorld();
    private List<Instant> free = new ArrayList<>();

    private static Flow flow() {
        return FlowBuilder.flow("main")
                .question("q", "Your name?", ValueType.TEXT, "who", "a")
                .json(
                        "{'kind':'appointment','id':'a','of':'visit','ask':['When?'],'who':'{{who}}','email':'x@y.example',"
                                + "'reference':'ref','time':'at',"
                                + "'exits':{'booked':'step:b','nothing_free':'step:n','declined':'step:d'}}")
                .message("b", "See you at {{at}}, {{ref}}.", null)
                .message("n", "Nothing free.", null)
                .message("d", "Another time, then.", null)
                .build();
    }

    /** Days of March from the 11th on, at 9:00, 11:00, 14:00 and 17:00. */
    private Talk talk() {
        free = IntStream.range(0, 40)
                .mapToObj(i -> Instant.parse("2026-03-%02dT%02d:00:00Z"
                        .formatted(11 + i / 4, List.of(9, 11, 14, 17).get(i % 4))))
                .collect(java.util.stream.Collectors.toCollection(ArrayList::new));
        world.times = query -> new FreeTimes("Visit", "Europe/London", free, List.of());
        return Talk.with(world, flow()).says("Dana");
    }

    private static Talk offers(Talk talk, String... labels) {
        assertThat(talk.state.awaiting().offers()).extracting(Offer::label).containsExactly(labels);
        return talk;
    }

    private static Instant booked(Talk talk) {
        return talk.effects.stream()
                .filter(Deed.Book.class::isInstance)
                .map(effect -> ((Deed.Book) effect).start())
                .findFirst()
                .orElse(null);
    }

    @Test
    void aTimeIsPickedAndBooked() {
        Talk talk = offers(
                talk(),
                "Wed 11 March, 09:00",
                "Thu 12 March, 09:00",
                "Fri 13 March, 09:00",
                "Other times",
                "None suits me");
        talk.picks("t" + Instant.parse("2026-03-12T09:00:00Z").getEpochSecond() / 60);
        assertThat(talk.effects)
                .anyMatch(one -> one instanceof Deed.Book book && book.name().equals("Dana"));
        assertThat(booked(talk)).isEqualTo("2026-03-12T09:00:00Z");
        talk.knows("at", "Thu 12 March, 09:00");
    }

    /** Where a designer has written no words, the times have some all the same. */
    @Test
    void withoutWordsTimesAreOfferedAsFree() {
        talk();
        Talk.with(
                        world,
                        FlowBuilder.flow("main")
                                .json("{'kind':'appointment','id':'a','of':'visit','ask':['']}")
                                .build())
                .hears("These are free:");
    }

    @Test
    void wishesAreUnderstoodAndOneTimeIsBookedWithAYes() {
        Talk talk = talk().says("friday in the afternoon please").hears("These are free:");
        talk.says("thursday at two").hears("This one is free. Shall I book it?");
        assertThat(booked(talk)).isNull();
        talk.says("yes please");
        assertThat(booked(talk)).isEqualTo("2026-03-12T14:00:00Z");
    }

    @Test
    void aWishChangesNoDayThatIsKnown() {
        talk();
        Talk talk = Talk.with(
                world,
                FlowBuilder.flow("main")
                        .question("q", "When is your party?", ValueType.DATE, "event_date", "w")
                        .question("w", "Where may we write?", ValueType.EMAIL, "email", "a")
                        .json(
                                "{'kind':'appointment','id':'a','of':'visit','ask':['When?'],'exits':{'booked':'step:b'}}")
                        .message("b", "See you.", null)
                        .build());
        talk.says("12 june 2026").says("dana@mill.example");
        talk.says("friday in the afternoon").hears("These are free:").knows("event_date", "Friday 12 June 2026");
        talk.says("sorry, the event is on 19 june 2026").knows("event_date", "Friday 19 June 2026");
        talk.says("and my email is dana@other.example").knows("email", "dana@other.example");
        talk.says("the 13th at nine").says("yes");
        assertThat(booked(talk)).isEqualTo("2026-03-13T09:00:00Z");
    }

    /** Whoever answers an offer with another time gets that time or is told; never the offer. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "5pm instead",
                "oh no can we do 5pm instead",
                "yes but at 5 in the afternoon",
                "ok, 17:00 though",
                "could it be five pm?",
                "sure, only it would have to be 5pm"
            })
    void anotherTimeThanOfferedIsNotTheOffer(String other) {
        Talk talk = talk().says("thursday at two").hears("This one is free. Shall I book it?");
        assertThat(booked(talk.says(other))).as(other).isNull();
        assertThat(talk.state.awaiting().offers().getFirst().label()).isEqualTo("Thu 12 March, 17:00");
        assertThat(booked(talk.says("yes please"))).isEqualTo("2026-03-12T17:00:00Z");
    }

    @Test
    void anHourThatTheDayHasNotIsSaid() {
        Talk talk = talk().says("thursday at two");
        free.remove(Instant.parse("2026-03-12T17:00:00Z"));
        talk.says("rather 5pm").hears("Not on that day, I'm afraid. At that time these are free:");
        assertThat(booked(talk)).isNull();
    }

    @Test
    void othersLaterEarlierAndNothingThen() {
        Talk talk = offers(
                talk().says("something later?"),
                "Fri 13 March, 11:00",
                "Sat 14 March, 09:00",
                "Sun 15 March, 09:00",
                "Other times",
                "None suits me");
        talk.says("the week after").hears("These are free:");
        talk.says("in july").hears("Nothing is free then, I'm afraid. These come nearest:");
        talk.says("never mind").hears("Another time, then.");
        assertThat(booked(talk)).isNull();
    }

    @Test
    void aWishWithoutADayNarrowsTheOneBefore() {
        Talk talk = talk().says("not this week").hears("These are free:");
        talk.says("as early as possible").hears("This one is free. Shall I book it?");
        assertThat(talk.state.awaiting().offers().getFirst().label()).isEqualTo("Mon 16 March, 09:00");
        talk.says("in the afternoon").hears("These are free:");
        talk.says("I'll take the first one");
        assertThat(booked(talk)).isEqualTo("2026-03-16T14:00:00Z");
    }

    @Test
    void whatIsSaidOfThoseThatAreOfferedMeansThem() {
        assertThat(booked(talk().says("the last one please"))).isEqualTo("2026-03-13T09:00:00Z");
        for (String second : List.of("ok the second", "yes, let's go with the second one please", "second")) {
            assertThat(booked(talk().says(second))).as(second).isEqualTo("2026-03-12T09:00:00Z");
        }
        assertThat(booked(talk().says("any day is fine")
                        .hears("This one is free. Shall I book it?")
                        .says("yes")))
                .isEqualTo("2026-03-11T09:00:00Z");
        assertThat(booked(
                        talk().says("yes").hears("Which of these do you mean?").says("none of these")))
                .isNull();
    }

    @Test
    void whatSomebodyElseTookMeanwhileIsSaid() {
        Talk talk = talk();
        Instant first = free.removeFirst();
        talk.picks("t" + first.getEpochSecond() / 60)
                .hears("Somebody has just taken that time, I'm sorry. These come next:");
        assertThat(booked(talk)).isNull();
        free.clear();
        talk.says("tomorrow").hears("Nothing free.");
    }

    @Test
    void whoWishesWaitsForATimeToFallFree() {
        world.times = query -> new FreeTimes("Visit", "Europe/London", List.of(), List.of());
        Flow waits = FlowBuilder.flow("main")
                .question("q", "Your name?", ValueType.TEXT, "who", "a")
                .json(
                        "{'kind':'appointment','id':'a','of':'visit','ask':['When?'],'who':'{{who}}','email':'x@y.example',"
                                + "'waits':true,'exits':{'booked':'step:n','nothing_free':'step:n','declined':'step:n'}}")
                .message("n", "Bye.", null)
                .build();
        Talk yes = Talk.with(world, waits).says("Dana").says("yes please");
        assertThat(yes.effects).contains(new Deed.WaitFor("visit", 1, "Dana", "x@y.example", ""));
        Talk no = Talk.with(world, waits).says("Dana").says("no thanks").hears("Bye.");
        assertThat(no.effects).noneMatch(Deed.WaitFor.class::isInstance);
    }

    @Test
    void withoutAnyTimeItTakesItsExit() {
        Talk.with(world, flow()).says("Dana").hears("Nothing free.").tookBy("nothing free");
    }

    /** A flow that knows neither name nor address when it offers times. */
    private Talk strange(String more) {
        talk();
        return Talk.with(
                world,
                FlowBuilder.flow("main")
                        .json("{'kind':'appointment','id':'a','of':'visit','ask':['When?'],'who':'{{name}}',"
                                + "'email':'{{email}}'," + more
                                + "'exits':{'booked':'step:b','nothing_free':'step:n','declined':'step:d'}}")
                        .message("b", "See you, {{name}}.", null)
                        .message("n", "Nothing free.", null)
                        .message("d", "Another time, then.", null)
                        .build());
    }

    private static <D extends Deed> D deed(Talk talk, Class<D> type) {
        return talk.effects.stream()
                .filter(type::isInstance)
                .map(type::cast)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aTimeIsHeldWhileNameAndAddressAreTyped() {
        Talk talk = strange("").says("thursday at two").says("yes");
        Deed.Hold hold = deed(talk, Deed.Hold.class);
        assertThat(hold.start()).isEqualTo("2026-03-12T14:00:00Z");
        assertThat(talk.heard.getFirst()).startsWith("I am holding **Thu 12 March, 14:00** for you until ");
        talk.says("Dana Reed").hears("Which email address does the confirmation go to?");
        talk.says("dana at mill dot").hears("That doesn't look like an email address.");
        assertThat(booked(talk)).isNull();
        talk.says("dana@mill.example").hearsPart("See you, Dana Reed.");
        Deed.Book book = deed(talk, Deed.Book.class);
        assertThat(book.reference()).isEqualTo(hold.reference());
        assertThat(book.email()).isEqualTo("dana@mill.example");
    }

    @Test
    void nameAndAddressMayComeAtOnce() {
        Talk talk = strange("").says("the first one").says("I'm Dana Reed, dana@mill.example");
        assertThat(deed(talk, Deed.Book.class).name()).isEqualTo("Dana Reed");
    }

    @Test
    void aHoldThatRanOutIsBookedWhereItIsFreeStillAndToldWhereNot() {
        world.holding = false;
        Talk still = strange("").says("the first one").says("Dana Reed, dana@mill.example");
        assertThat(booked(still)).isEqualTo("2026-03-11T09:00:00Z");
        Talk talk = strange("").says("the first one");
        free.removeFirst();
        talk.says("Dana Reed, dana@mill.example");
        assertThat(talk.heard.getFirst()).startsWith("I could not hold **Wed 11 March, 09:00** any longer");
        assertThat(booked(talk)).isNull();
        assertThat(booked(talk.says("the first one"))).isEqualTo("2026-03-11T11:00:00Z");
    }

    @Test
    void whatIsHeldIsLetGo() {
        Talk other = strange("").says("the first one").picks("another");
        assertThat(deed(other, Deed.LetGo.class).reference()).isNotEmpty();
        Talk never = strange("").says("the first one").says("never mind").hears("Another time, then.");
        assertThat(never.effects).anyMatch(Deed.LetGo.class::isInstance);
    }

    @Test
    void visitorsChooseWhomTheyWantItWith() {
        Function<Query.Times, FreeTimes> all = query -> new FreeTimes(
                "Visit",
                "Europe/London",
                query.with().startsWith("Oona")
                        ? free.subList(4, 40)
                        : query.with().isEmpty() ? free : List.of(),
                List.of("Idris Vane", "Oona Fairley"));
        talk();
        world.times = all;
        Talk talk = strangeWith(all);
        offers(talk, "Idris Vane", "Oona Fairley", "Whoever is free first");
        talk.says("with oona please").hears("With Oona Fairley these are free:");
        assertThat(talk.state.awaiting().offers().getFirst().label()).isEqualTo("Thu 12 March, 09:00");
        talk.says("or idris?")
                .hears("With Idris Vane nothing is free just now, I'm afraid. These are free with others:");
        talk = strangeWith(all).picks("p1").says("the first one").says("Dana Reed, dana@mill.example");
        assertThat(deed(talk, Deed.Book.class).with()).isEqualTo("Oona Fairley");
    }

    private Talk strangeWith(Function<Query.Times, FreeTimes> times) {
        strange("'choose':true,");
        world.times = times;
        return Talk.with(
                world,
                FlowBuilder.flow("main")
                        .json("{'kind':'appointment','id':'a','of':'visit','ask':['When?'],'who':'{{name}}',"
                                + "'email':'{{email}}','choose':true,'exits':{'booked':'step:b'}}")
                        .message("b", "See you.", null)
                        .build());
    }

    @Test
    void branchesAskWhatIsFree() {
        talk();
        Flow flow = FlowBuilder.flow("main")
                .question("q", "Your name?", ValueType.TEXT, "who", "a")
                .json("{'kind':'branch','id':'a','rules':[{'id':'w','name':'soon',"
                        + "'when':'free(\\\"Visit\\\") && first_free(\\\"Visit\\\") < now + duration(\\\"240h\\\")'}],"
                        + "'exits':{'rule:w':'step:y','otherwise':'step:n'}}")
                .message("y", "There is something.", null)
                .message("n", "Nothing soon.", null)
                .build();
        Talk.with(world, flow).says("Dana").hears("There is something.");
        free.clear();
        Talk.with(world, flow).says("Dana").hears("Nothing soon.");
    }

    private Talk changing() {
        talk();
        world.booked = query -> query.reference().equals("ABC-DEFG")
                        && query.email().equals("x@y.example")
                ? new BookingFound(
                        "b1", "visit", "Visit", "Europe/London", Instant.parse("2026-03-11T12:00:00Z"), 1, "KT4-WXHE")
                : BookingFound.NONE;
        return Talk.with(
                world,
                FlowBuilder.flow("main")
                        .question("q", "Your reference?", ValueType.TEXT, "which", "a")
                        .json(
                                "{'kind':'appointment','id':'a','does':'change','named':'{{which}}','email':'x@y.example',"
                                        + "'ask':['When instead?'],'exits':{'changed':'step:c','cancelled':'step:o',"
                                        + "'not_found':'step:n','declined':'step:d'}}")
                        .message("c", "Changed.", null)
                        .message("o", "Off.", null)
                        .message("n", "Not found.", null)
                        .message("d", "As it was.", null)
                        .build());
    }

    @Test
    void whatIsBookedIsMoved() {
        Talk talk = changing().says("ABC-DEFG").hears("Visit, **Wed 11 March, 12:00**. What shall I do?");
        talk.picks("move").hears("When instead?");
        talk.says("friday at two").hears("This one is free. Shall I book it?").says("yes");
        assertThat(talk.effects).contains(new Deed.Rebook("b1", Instant.parse("2026-03-13T14:00:00Z")));
    }

    @Test
    void whatIsBookedIsCalledOffOrLeft() {
        Talk talk = changing().says("ABC-DEFG").says("please cancel it").hears("It is cancelled.", "Off.");
        assertThat(talk.effects).contains(new Deed.CallOff("b1"));
        changing().says("ABC-DEFG").picks("none").hears("As it was.");
        changing().says("XYZ-DEFG").hears("Not found.");
    }
}
