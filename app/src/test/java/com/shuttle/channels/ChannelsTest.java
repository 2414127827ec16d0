package com.shuttle.channels;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.Waiting;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotForm;
import com.shuttle.bots.Manner;
import com.shuttle.chat.ErasureService;
import com.shuttle.core.channel.PhoneKind;
import com.shuttle.core.channel.Piece;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.demo.StandIns;
import com.shuttle.panel.Presence;
import com.shuttle.panel.Sites;
import com.shuttle.standins.Mood;
import com.shuttle.standins.Phone;
import com.shuttle.web.Checked;
import com.shuttle.web.Wanted;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.transaction.support.TransactionTemplate;

/** Conversations by phone, through a gateway that signs: taken once, stopped, withheld, delivered in their order. */
@ServerTest
class ChannelsTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"choice","id":"c","ask":["Tea or cake?"],"options":[{"id":"tea","label":"Tea","also":[]},
            {"id":"cake","label":"Cake","also":[]}],"exits":{"option:tea":"step:q","option:cake":"step:p"}},
            {"kind":"question","id":"q","ask":["Your name?"],"type":"person_name","variable":"name","exits":{"answered":"step:m"}},
            {"kind":"message","id":"m","say":["Thank you."],"exits":{"next":"step:e"}},
            {"kind":"question","id":"p","ask":["A picture of it?"],"type":"file","variable":"photo",
            "limits":{"fileTypes":["png"]},"exits":{"answered":"step:m"}},{"kind":"end","id":"e"}]}]}""";
    private static final String TEMPLATE = "There is news for you, {{name.first|friend}}.";
    private static final String FILLED = "There is news for you, Dana.";

    private final Channels channels;
    private final ChannelStore store;
    private final Dispatcher dispatcher;
    private final Hearing hearing;
    private final Sites sites;
    private final ErasureService erasure;
    private final StandIns standIns;
    private final TestData data;
    private final TransactionTemplate transaction;
    private final int port;
    private Bot bot;
    private Channel channel;
    private String person;
    private int messages;

    ChannelsTest(
            Channels channels,
            ChannelStore store,
            Dispatcher dispatcher,
            Hearing hearing,
            Sites sites,
            ErasureService erasure,
            StandIns standIns,
            TestData data,
            TransactionTemplate transaction,
            @LocalServerPort int port) {
        this.channels = channels;
        this.store = store;
        this.dispatcher = dispatcher;
        this.hearing = hearing;
        this.sites = sites;
        this.erasure = erasure;
        this.standIns = standIns;
        this.data = data;
        this.transaction = transaction;
        this.port = port;
    }

    @BeforeEach
    void aNumber() {
        bot = data.released(FlowJson.readTrusted(FLOW));
        String own = "+4416329" + data.name("6").replaceAll("\\D", "");
        Channels.Form form = new Channels.Form(
                data.name("Kitchen"), PhoneKind.MESSENGER, own, "http://phone.stand-in/messages", TEMPLATE);
        channel = TestData.good(channels.keep("", form, List.of(bot.id())));
        person = "+4477009" + data.name("0").replaceAll("\\D", "");
        String base = "http://localhost:" + port + "/api/v1/channels/" + channel.id();
        standIns.phone()
                .connect(new Phone.Line(
                        channel.id(), "", own, base + "/messages", base + "/states", channels.key(channel)));
    }

    @AfterEach
    void noNumber() {
        standIns.phone().mood(Mood.WELL);
        channels.delete(channel.id());
    }

    private Hearing.Taken writes(String text) {
        return hears(text, "", null);
    }

    private Hearing.Taken presses(String option) {
        return hears("", option, null);
    }

    private Hearing.Taken hears(String text, String option, Hearing.@Nullable Picture picture) {
        return hearing.take(channel, new Hearing.Incoming("m" + messages++, person, text, option, picture, null, ""));
    }

    /** What went to the phone, oldest first. */
    private List<Dispatch> sent() {
        return dispatcher.dispatches(channel.id(), Wanted.ALL).items().reversed();
    }

    private List<String> said() {
        return sent().stream().map(one -> one.piece().text()).toList();
    }

    private void arrived(int many) {
        Waiting.until(
                many + " delivered",
                () -> sent().stream()
                                .filter(one -> one.state() == Dispatch.State.DELIVERED)
                                .count()
                        == many);
    }

    @Test
    void whoWritesIsAnsweredInOrderAndTheGatewayTellsWhatArrived() {
        assertThat(writes("Hello")).isEqualTo(Hearing.Taken.HEARD);
        assertThat(presses("tea")).isEqualTo(Hearing.Taken.HEARD);
        writes("Dana Whitlow");
        assertThat(said()).containsExactly("Tea or cake?", "Your name?", "Thank you.");
        assertThat(sent().getFirst().piece())
                .isEqualTo(new Piece.Buttons(
                        "Tea or cake?", List.of(new Piece.Button("tea", "Tea"), new Piece.Button("cake", "Cake"))));
        arrived(3);
        writes("Hello again");
        assertThat(said()).hasSize(4).endsWith("Tea or cake?");
    }

    @Test
    void firstWordsAreTakenUnlessTheyOnlyGreet() {
        writes("tea please");
        assertThat(said()).containsExactly("Tea or cake?", "Your name?");
    }

    @Test
    void whoeverTheChannelNamesIsNotAskedForAName() {
        String knowing = FLOW.replace("\"variable\":\"name\"", "\"variable\":\"name\",\"skipWhenKnown\":true");
        data.bots.putFlow(bot.id(), FlowJson.readTrusted(knowing), "test", null);
        TestData.good(data.releases.release(bot.id(), "", null));
        hearing.take(
                channel, new Hearing.Incoming("named" + person, person, "tea please", "", null, null, "Dana Whitlow"));
        assertThat(said()).containsExactly("Tea or cake?", "Thank you.");
    }

    @Test
    void theSameMessageTwiceIsTakenOnce() {
        Hearing.Incoming message = new Hearing.Incoming("same", person, "2", "", null, null, "");
        writes("Hi");
        assertThat(hearing.take(channel, message)).isEqualTo(Hearing.Taken.HEARD);
        assertThat(hearing.take(channel, message)).isEqualTo(Hearing.Taken.BEFORE);
        assertThat(said()).containsExactly("Tea or cake?", "A picture of it?");
    }

    @Test
    void aButtonOfBeforeIsRefusedInWords() {
        writes("Hi");
        presses("cake");
        presses("tea");
        assertThat(said()).last().asString().contains("not on offer");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "note.txt|hello|This kind of file is not taken.",
                "a.png|MZ|This file is not what its name says.",
                "a.png|iVBORw0KGgo=|Thank you."
            })
    void picturesOfAWrongKindAreRefused(String name, String content, String reply) {
        writes("Hi");
        writes("2");
        byte[] bytes =
                content.endsWith("=") ? Base64.getDecoder().decode(content) : content.getBytes(StandardCharsets.UTF_8);
        hears("", "", new Hearing.Picture(name, bytes));
        assertThat(said()).last().asString().startsWith(reply);
    }

    @Test
    void stopIsObeyedConfirmedAndTakenBack() {
        writes("Hi");
        arrived(1);
        writes("STOP");
        assertThat(writes("1")).isEqualTo(Hearing.Taken.STOPPED);
        arrived(2);
        String conversation = sent().getFirst().conversation();
        send(conversation, "Are you there?");
        Waiting.until("withheld", () -> sent().getLast().state() == Dispatch.State.STOPPED);
        assertThat(said())
                .satisfiesExactly(
                        one -> assertThat(one).isEqualTo("Tea or cake?"),
                        one -> assertThat(one).startsWith("You get no more messages from"),
                        one -> assertThat(one).isEqualTo("Are you there?"));
        writes("start");
        writes("1");
        arrived(4);
        assertThat(said()).last().isEqualTo("Your name?");
    }

    private void send(String conversation, String text) {
        transaction.executeWithoutResult(
                status -> dispatcher.send(channel, person, conversation, List.of(new Piece.Text(text)), Instant.now()));
    }

    @Test
    void afterADayOfSilenceOnlyTheTemplateGoesOut() {
        writes("Hi");
        writes("1");
        writes("Dana Whitlow");
        arrived(3);
        Contact contact = store.contact(channel.id(), person).orElseThrow();
        Instant before = Instant.now().minus(Duration.ofHours(25));
        store.keep(new Contact(channel.id(), person, contact.conversation(), 0, before, null));
        send(contact.conversation(), "The table is free.");
        send(contact.conversation(), "Until six.");
        arrived(4);
        assertThat(sent())
                .filteredOn(one -> one.state() == Dispatch.State.WITHHELD)
                .hasSize(2);
        assertThat(sent()).extracting(Dispatch::piece).contains(new Piece.Template(FILLED));
        Dispatcher.Reach reach = dispatcher
                .reach(data.conversations.conversation(String.valueOf(contact.conversation())))
                .orElseThrow();
        assertThat(reach.number()).isEqualTo(person);
        assertThat(reach.stuck()).hasSize(2);
        assertThat(reach.trouble()).isEqualTo("waits until they write");
        writes("Hello again");
        arrived(7);
        // The template may have gone out before the second was made.
        assertThat(dispatcher
                        .reach(data.conversations.conversation(String.valueOf(contact.conversation())))
                        .orElseThrow()
                        .trouble())
                .isEmpty();
        assertThat(said())
                .containsOnlyOnce(FILLED)
                .containsSubsequence("The table is free.", "Until six.", "Tea or cake?");
    }

    private Hearing.Taken wrote(String text, int secondsAgo) {
        return hearing.take(
                channel,
                new Hearing.Incoming(
                        "m" + messages++, person, text, "", null, Instant.now().minusSeconds(secondsAgo), ""));
    }

    @Test
    void whatWasOvertakenOnItsWayPicksNothingByNumberAndStartsNothing() {
        wrote("Hi", 60);
        wrote("what was it again", 20);
        wrote("1", 40);
        assertThat(said()).contains("“1” came after what you wrote later. Please choose again.");
        assertThat(sent().getLast().piece()).isInstanceOf(Piece.Buttons.class);
        wrote("1", 10);
        assertThat(said()).last().isEqualTo("Your name?");
        wrote("Dana Whitlow", 30);
        assertThat(said()).last().isEqualTo("Thank you.");
        assertThat(wrote("stop", 5)).isEqualTo(Hearing.Taken.HEARD);
        assertThat(wrote("start", 10)).isEqualTo(Hearing.Taken.STOPPED);
        assertThat(wrote("start", -60)).isEqualTo(Hearing.Taken.HEARD);
        assertThat(store.contact(channel.id(), person).orElseThrow())
                .returns(false, Contact::stopped)
                .satisfies(contact -> assertThat(contact.heardAt()).isBeforeOrEqualTo(Instant.now()));
    }

    @Test
    void theChannelSpeaksTheBotsLanguage() {
        Manner old = bot.manner();
        Manner german = new Manner(old.picture(), "", old.hours(), "de-DE", 0, old.responses());
        TestData.good(
                data.bots.change(bot.id(), new BotForm(bot.name(), bot.slug(), "", "GB", "Europe/London", german)));
        writes("Guten Tag");
        writes("Abmelden");
        assertThat(said())
                .satisfiesExactly(
                        one -> assertThat(one).isEqualTo("Tea or cake?"),
                        one -> assertThat(one).startsWith("Sie bekommen keine Nachrichten mehr"));
        writes("START");
        assertThat(said()).last().asString().startsWith("Sie bekommen wieder Nachrichten");
    }

    @Test
    void whatCannotBeDeliveredIsTriedAgainAndWaitsForItsTurn() {
        standIns.phone().mood(Mood.FAILING);
        writes("Hi");
        Waiting.until("tried", () -> sent().getFirst().attempts() > 0);
        writes("1");
        assertThat(sent()).extracting(Dispatch::state).containsOnly(Dispatch.State.WAITING);
        assertThat(sent().getFirst().why()).contains("500");
        standIns.phone().mood(Mood.WELL);
        arrived(2);
    }

    @Test
    void aKeywordBeginsWithItsBotAndAnOfferedWordIsAnAnswer() {
        Bot other = data.released(FlowJson.readTrusted(FLOW.replace("Tea or cake?", "Soup or bread?")));
        channels.answer(channel.id(), other.id(), true);
        channel = channels.channel(channel.id()).orElseThrow();
        sites.keep(other.id(), Presence.USUAL.with(List.of(Keywords.cue("soup", "tea"))));
        writes("Hi");
        writes("SOUP");
        assertThat(said()).containsExactly("Tea or cake?", "Welcome to soup.", "Soup or bread?");
        writes("tea");
        assertThat(said()).last().isEqualTo("Your name?");
    }

    @Test
    void aConversationThatWasLeftIsHeardFromNoMore() {
        writes("Hi");
        String before = sent().getFirst().conversation();
        Bot other = data.released(FlowJson.readTrusted(FLOW.replace("Tea or cake?", "Soup or bread?")));
        channels.answer(channel.id(), other.id(), true);
        channel = channels.channel(channel.id()).orElseThrow();
        sites.keep(other.id(), Presence.USUAL.with(List.of(Keywords.cue("soup"))));
        writes("soup");
        data.conversations.pick(before, "late", List.of("tea"));
        assertThat(said()).containsExactly("Tea or cake?", "Welcome to soup.", "Soup or bread?");
    }

    @Test
    void statesThatComeLateChangeNothing() {
        writes("Hi");
        arrived(1);
        String id = sent().getFirst().id();
        assertThat(dispatcher.told(channel, id, Dispatch.State.READ, "")).isTrue();
        assertThat(dispatcher.told(channel, id, Dispatch.State.DELIVERED, "")).isTrue();
        assertThat(dispatcher.told(channel, id, Dispatch.State.FAILED, "late")).isTrue();
        assertThat(sent().getFirst().state()).isEqualTo(Dispatch.State.READ);
        assertThat(dispatcher.told(channel, "another", Dispatch.State.READ, "")).isFalse();
    }

    @Test
    void nobodyAnswersWhereNoBotDoes() {
        channels.answer(channel.id(), bot.id(), false);
        channel = channels.channel(channel.id()).orElseThrow();
        assertThat(writes("Hi")).isEqualTo(Hearing.Taken.NOBODY);
    }

    @Test
    void anErasedConversationLeavesNoNumberBehind() {
        writes("Hi");
        arrived(1);
        String conversation = sent().getFirst().conversation();
        erasure.erase(conversation, "");
        assertThat(sent()).isEmpty();
        assertThat(store.contact(channel.id(), person)).isEmpty();
    }

    @Test
    void aChannelNeedsANumberAndAnAddress() {
        Checked<Channel> checked =
                channels.keep("", new Channels.Form(" ", PhoneKind.TEXT, "call us", "ftp://gateway", ""), List.of());
        assertThat(checked instanceof Checked.Bad<Channel> bad ? bad.errors().keySet() : Set.of())
                .isEqualTo(Set.of("name", "number", "address"));
        Channels.Form spaced = new Channels.Form(
                channel.name(), PhoneKind.TEXT, "0044 (1632) 960-199", channel.address(), channel.template());
        assertThat(TestData.good(channels.keep(channel.id(), spaced, List.of())))
                .returns("+441632960199", Channel::number)
                .returns(PhoneKind.MESSENGER, Channel::kind)
                .returns(List.of(bot.id()), Channel::bots);
    }
}
