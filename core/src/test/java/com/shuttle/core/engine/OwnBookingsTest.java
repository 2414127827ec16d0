package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.SentenceModel;
import com.shuttle.core.knowledge.ShippedModel;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is booked can be moved, cancelled and recalled at any moment, in any flow. */
class OwnBookingsTest {

    private static final SentenceModel MODEL = ShippedModel.miniLm();
    private static final Map<String, float[]> READ = new ConcurrentHashMap<>();
    private static final BookingFound VISIT = new BookingFound(
            "b1", "visit", "Site visit", "Europe/London", Instant.parse("2026-03-12T14:00:00Z"), 2, "KT4-WXHE");
    private static final BookingFound TALK = new BookingFound(
            "b2", "talk", "Evening talk", "Europe/London", Instant.parse("2026-03-17T19:00:00Z"), 1, "ACD-EFGH");

    private final FakeWorld world = new FakeWorld();

    private static double[] nearness(String text, List<String> others) {
        float[] one = vector(text);
        return others.stream().mapToDouble(other -> cosine(one, vector(other))).toArray();
    }

    private static float[] vector(String text) {
        return READ.computeIfAbsent(text, words -> MODEL.ofText(words).whole());
    }

    private static double cosine(float[] one, float[] other) {
        double dot = 0;
        double a = 0;
        double b = 0;
        for (int i = 0; i < one.length; i++) {
            dot += one[i] * other[i];
            a += one[i] * one[i];
            b += other[i] * other[i];
        }
        return dot / Math.sqrt(a * b);
    }

    private static Flow flow() {
        return FlowBuilder.flow("main")
                .question("t", "What is it about?", ValueType.TEXT, "topic", "n")
                .question("n", "How many are you?", ValueType.NUMBER, "guests", "a")
                .json("{'kind':'appointment','id':'a','of':'visit','ask':['When?'],'exits':{'booked':'step:b'}}")
                .message("b", "See you.", null)
                .build();
    }

    private Talk talk(BookingFound... own) {
        world.closeness = OwnBookingsTest::nearness;
        world.own.clear();
        world.own.addAll(List.of(own));
        List<Instant> free = IntStream.range(0, 40)
                .mapToObj(i -> Instant.parse("2026-03-%02dT%02d:00:00Z"
                        .formatted(11 + i / 4, List.of(9, 11, 15, 17).get(i % 4))))
                .toList();
        world.times = query -> new FreeTimes("Site visit", "Europe/London", new ArrayList<>(free), List.of());
        return Talk.with(world, flow());
    }

    private static <D extends Effect> D deed(Talk talk, Class<D> type) {
        return talk.effects.stream()
                .filter(type::isInstance)
                .map(type::cast)
                .findFirst()
                .orElse(null);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "can I move that to Friday",
                "could you push my visit back to Friday?",
                "swap my booking for friday please",
                "I'd like to change my appointment, Friday would be better",
                "something's come up, I need a different day. friday?"
            })
    void itIsMovedToWhatIsWished(String words) {
        Talk talk = talk(VISIT).says(words);
        assertThat(talk.state.awaiting().offers().getFirst().label()).startsWith("Fri 13 March");
        talk.says("the first one").hears("It is now: **Fri 13 March, 09:00**.", "What is it about?");
        assertThat(deed(talk, Deed.Rebook.class))
                .isEqualTo(new Deed.Rebook("b1", Instant.parse("2026-03-13T09:00:00Z")));
        talk.says("the rings of saturn").hears("How many are you?").knows("topic", "the rings of saturn");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "actually could we make it a bit later that day",
                "reschedule please",
                "I need to move my appointment",
                "can we do it at 5pm instead"
            })
    void withoutADayItIsTheSameDayOrAnyOther(String words) {
        Talk talk = talk(VISIT).says(words);
        assertThat(talk.state.awaiting().offers()).isNotEmpty();
        assertThat(talk.state.awaiting().times()).isNotNull();
        talk.says("oh, never mind").hears("All right, it stays as it is.", "What is it about?");
        assertThat(deed(talk, Deed.Rebook.class)).isNull();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "cancel it",
                "please cancel my appointment",
                "I won't be able to come after all",
                "scrap that booking",
                "call the whole visit off"
            })
    void itIsCancelledAfterAYes(String words) {
        Talk talk = talk(VISIT).says(words).hears("Shall I cancel Site visit, **Thu 12 March, 14:00**?");
        assertThat(deed(talk, Deed.CallOff.class)).isNull();
        talk.says("yes please").hears("It is cancelled.", "What is it about?");
        assertThat(deed(talk, Deed.CallOff.class)).isEqualTo(new Deed.CallOff("b1"));
        assertThat(deed(talk(VISIT).says(words).says("no, keep it"), Deed.CallOff.class))
                .isNull();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "when was it again?",
                "what time did I book",
                "what did I book?",
                "remind me of my appointment",
                "am I booked in?",
                "where do I find my booking number"
            })
    void itIsRecalled(String words) {
        talk(VISIT)
                .says(words)
                .hears("Site visit: **Thu 12 March, 14:00**. The reference is **KT4-WXHE**.", "What is it about?");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "can I move the telescope?",
                "how do I cancel my membership?",
                "when do you open again?",
                "what time do you close on Thursday?",
                "can I bring a friend to the visit",
                "when was it built?",
                "do I have to book for the café",
                "thanks, see you thursday",
                "what happens if it rains on the day of my visit",
                "can you call me back",
                "is the planetarium open then",
                "tell me about the rings of saturn"
            })
    void whatIsAboutSomethingElseIsLeftAlone(String words) {
        assertThat(talk(VISIT).says(words).trace).noneMatch(line -> line.rule().equals("about a booking"));
    }

    @Test
    void ofSeveralTheOneThatIsNamedOrAskedFor() {
        talk(VISIT, TALK)
                .says("please cancel my booking")
                .hears("Which of these is it about?")
                .says("the talk")
                .hears("Shall I cancel Evening talk, **Tue 17 March, 19:00**?");
        Talk named = talk(VISIT, TALK).says("I want to cancel the evening talk I booked");
        named.hears("Shall I cancel Evening talk, **Tue 17 March, 19:00**?")
                .picks("none")
                .hears("All right, it stays as it is.", "What is it about?");
    }

    @Test
    void oneThatNobodyKnowsOfIsFoundByReferenceAndAddress() {
        world.booked =
                query -> query.reference().equals("KT4-WXHE") && query.email().equals("dana@mill.example")
                        ? VISIT
                        : BookingFound.NONE;
        Talk talk = talk().says("I need to cancel my booking").hearsPart("Which booking is it?");
        talk.says("it's kt4 wxhe").hears("And which email address was it made with?");
        talk.says("someone@else.example").hearsPart("I find no booking");
        talk.says("KT4-WXHE, dana@mill.example").hears("Shall I cancel Site visit, **Thu 12 March, 14:00**?");
        assertThat(deed(talk.says("yes"), Deed.CallOff.class)).isEqualTo(new Deed.CallOff("b1"));
    }

    @Test
    void aQuestionBesideItIsAnswered() {
        world.knows("parking", "There is a car park.", 0.9);
        talk(VISIT)
                .says("Can I move it to friday? And is there any parking?")
                .hearsPart("There is a car park.")
                .hearsPart("These are free:");
    }

    @Test
    void aBotThatBooksNothingDoesNotListenForIt() {
        world.own.add(VISIT);
        world.closeness = OwnBookingsTest::nearness;
        Flow flow = FlowBuilder.flow("main")
                .question("t", "What is it about?", ValueType.TEXT, "topic", "m")
                .message("m", "Noted.", null)
                .build();
        assertThat(Talk.with(world, flow).says("please cancel my booking").trace)
                .noneMatch(line -> line.rule().equals("about a booking"));
    }
}
