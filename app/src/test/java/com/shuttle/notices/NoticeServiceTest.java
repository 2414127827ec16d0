package com.shuttle.notices;

import static com.shuttle.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.conversation.Deed.Tell;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.reading.Value;
import com.shuttle.demo.StandIns;
import com.shuttle.standins.MailServer;
import com.shuttle.web.Outgoing;
import com.shuttle.web.Wanted;
import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What is told outside, over real SMTP and HTTP. */
@ServerTest
class NoticeServiceTest {

    private static final Flow FLOW = FlowJson.readTrusted("""
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"question","id":"q","ask":["What is **wrong**?"],"type":"text","variable":"fault"}]}]}""");

    private final TestData data;
    private final NoticeService notices;
    private final MailServer mail;
    private final Outgoing outgoing;

    NoticeServiceTest(TestData data, NoticeService notices, StandIns standIns, Outgoing outgoing) {
        this.data = data;
        this.notices = notices;
        this.mail = standIns.mail();
        this.outgoing = outgoing;
    }

    private String conversation() {
        String id = data.conversations
                .begin(data.released(FLOW).id(), "", "", "web", "")
                .orElseThrow()
                .conversation();
        data.conversations.say(id, "m1", "It <b>squeaks</b>");
        return id;
    }

    private static Tell.Mail to(String address, String subject, boolean attached) {
        return new Tell.Mail(List.of(address), "", subject, "Dear **Ada**, see [us](https://a.example).", attached);
    }

    private Notice told(String subject) {
        return notices.notices(new Wanted(subject, Map.of(), "", 1)).items().getFirst();
    }

    private List<MailServer.Mail> mails(String subject) {
        return mail.mails().stream()
                .filter(one -> one.subject().contains(subject))
                .toList();
    }

    @Test
    void aMailComesAsTextAndHtmlWithTheConversationAndNothingBesides() {
        String subject = data.name("Repair");
        Tell.Mail wanted = to("ada@mill.example", subject + "\r\nBcc: eve@evil.example", true);
        assertThat(notices.mayTell(wanted)).isEmpty();
        notices.tell(conversation(), wanted, Instant.now());
        until("the mail", () -> !mails(subject).isEmpty());
        MailServer.Mail came = mails(subject).getFirst();
        assertThat(came.to()).containsExactly("ada@mill.example");
        assertThat(came.subject()).isEqualTo(subject + " Bcc: eve@evil.example");
        assertThat(came.text())
                .contains("Dear Ada, see us (https://a.example).")
                .contains("Bot: What is wrong?")
                .contains("Visitor: It <b>squeaks</b>");
        assertThat(came.html()).contains("<strong>Ada</strong>").contains("It &lt;b&gt;squeaks&lt;/b&gt;");
    }

    @Test
    void aServerThatIsAwayDelaysAndLosesAndDoublesNothing() {
        String subject = data.name("Later");
        mail.up(false);
        try {
            notices.tell(conversation(), to("ada@mill.example", subject, false), Instant.now());
            until("a try that failed", () -> told(subject).attempts() > 0);
            assertThat(told(subject).state()).isEqualTo(Notice.State.WAITING);
            assertThat(told(subject).why()).isNotEmpty();
        } finally {
            mail.up(true);
        }
        notices.sendAgain(told(subject).id());
        until("the mail", () -> told(subject).state() == Notice.State.SENT);
        assertThat(mails(subject)).hasSize(1);
        assertThat(mails(subject).getFirst().messageId())
                .startsWith("<" + told(subject).id() + "@");
    }

    @Test
    void whatWasStoppedIsNotSentUntilSomebodySaysSo() {
        String subject = data.name("Stopped");
        mail.up(false);
        try {
            notices.tell(conversation(), to("ada@mill.example", subject, false), Instant.now());
            until("a try that failed", () -> told(subject).attempts() > 0);
            notices.stop(told(subject).id());
        } finally {
            mail.up(true);
        }
        assertThat(told(subject).state()).isEqualTo(Notice.State.STOPPED);
        notices.sendAgain(told(subject).id());
        until("the mail", () -> told(subject).state() == Notice.State.SENT);
    }

    @Test
    void whoCannotBeToldIsSaidBeforehand() {
        assertThat(notices.mayTell(to("ada@mill.example\r\nBcc: eve@evil.example", "x", false)))
                .contains("addresses is none");
        assertThat(notices.mayTell(new Tell.Mail(List.of(), "nobody", "x", "x", false)))
                .contains("nobody");
        assertThat(notices.mayTell(new Tell.Callback("", "x", Map.of()))).contains("no address");
        assertThat(notices.mayTell(new Tell.Callback("https://a.example", " ", Map.of())))
                .contains("not said");
    }

    private record Came(Map<String, List<String>> headers, String body) {
        String header(String name) {
            return headers.getOrDefault(name, List.of("")).getFirst();
        }
    }

    @Test
    void aCallbackIsACloudEventSignedAndRepeatedUnderTheSameId() throws Exception {
        List<Came> came = new CopyOnWriteArrayList<>();
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            String body = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
            came.add(new Came(Map.copyOf(exchange.getRequestHeaders()), body));
            exchange.sendResponseHeaders(came.size() == 1 ? 503 : 204, -1);
            exchange.close();
        });
        server.start();
        try {
            outgoing.lead("program.notices-test");
            String address =
                    "http://program.notices-test:" + server.getAddress().getPort() + "/hook";
            String event = data.name("repair").replace(' ', '.');
            String conversation = conversation();
            notices.tell(
                    conversation,
                    new Tell.Callback(address, event, Map.of("places", Value.Numeric.of(3))),
                    Instant.now());
            until("the first try", () -> told(event).attempts() > 0);
            assertThat(told(event).why()).contains("503");
            notices.sendAgain(told(event).id());
            until("the callback", () -> told(event).state() == Notice.State.SENT);
            JsonNode told = JsonMapper.shared().readTree(came.getLast().body());
            assertThat(told.path("specversion").asString()).isEqualTo("1.0");
            assertThat(told.path("type").asString()).isEqualTo(event);
            assertThat(told.path("source").asString()).isEqualTo("/conversations/" + conversation);
            assertThat(told.at("/data/places").asInt()).isEqualTo(3);
            assertThat(came)
                    .extracting(one ->
                            JsonMapper.shared().readTree(one.body()).path("id").asString())
                    .containsExactly(told(event).id(), told(event).id());
            assertThat(came.getLast().header("Content-type")).startsWith("application/cloudevents+json");
            assertSigned(came.getLast(), address);
            assertThat(notices.keys()).containsValue(notices.key(address).orElseThrow());
            assertThat(notices.key(address.replace("http:", "https:")))
                    .as("another receiver cannot sign for this one")
                    .isNotEqualTo(notices.key(address));
        } finally {
            server.stop(0);
        }
    }

    /** As a program checks it: RFC 9421, section 2.5. */
    private void assertSigned(Came came, String address) throws Exception {
        String digest = "sha-256=:"
                + Base64.getEncoder()
                        .encodeToString(MessageDigest.getInstance("SHA-256")
                                .digest(came.body().getBytes(StandardCharsets.UTF_8)))
                + ":";
        assertThat(came.header("Content-digest")).isEqualTo(digest);
        String parameters = came.header("Signature-input").replaceFirst("^shuttle=", "");
        Mac mac = Mac.getInstance("HmacSHA256");
        mac.init(new SecretKeySpec(
                notices.key(address).orElseThrow().getBytes(StandardCharsets.US_ASCII), "HmacSHA256"));
        String base = "\"@method\": POST\n\"@target-uri\": " + address + "\n\"content-digest\": " + digest
                + "\n\"@signature-params\": " + parameters;
        assertThat(came.header("Signature"))
                .isEqualTo("shuttle=:"
                        + Base64.getEncoder().encodeToString(mac.doFinal(base.getBytes(StandardCharsets.UTF_8)))
                        + ":");
    }
}
