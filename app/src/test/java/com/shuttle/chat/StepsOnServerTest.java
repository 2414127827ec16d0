package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.bots.MediaService;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.core.reading.Value;
import com.shuttle.web.Checked;
import com.shuttle.web.Vault;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.json.JsonMapper;

/** What steps leave to the server: timers, signals, files, secrets, values that outlive a conversation. */
@ServerTest
class StepsOnServerTest {

    private final TestData data;
    private final ConversationService conversations;
    private final PastTurns past;
    private final UploadService uploads;
    private final MediaService media;
    private final Vault vault;
    private final LiveHub hub;
    private final DSLContext db;
    private final int port;

    StepsOnServerTest(
            TestData data,
            ConversationService conversations,
            UploadService uploads,
            MediaService media,
            Vault vault,
            LiveHub hub,
            DSLContext db,
            @LocalServerPort int port,
            PastTurns past) {
        this.past = past;
        this.data = data;
        this.conversations = conversations;
        this.uploads = uploads;
        this.media = media;
        this.vault = vault;
        this.hub = hub;
        this.db = db;
        this.port = port;
    }

    private Bot bot(String... steps) {
        List<Step> all = new ArrayList<>();
        for (String step : steps) {
            all.add(StepJson.step(JsonMapper.shared().readTree(step.replace('\'', '"'))));
        }
        return data.released(new Flow("main", "Main", List.of(), List.of(new Section("s1", "", all))));
    }

    private String begin(Bot bot) {
        return begin(bot, "");
    }

    private String begin(Bot bot, String visitor) {
        return conversations
                .begin(bot.id(), visitor, "", "web", "Europe/London")
                .orElseThrow()
                .conversation();
    }

    private List<String> said(String conversation) {
        return conversations.lines(conversation, 0).stream()
                .map(Line::message)
                .map(Message::text)
                .toList();
    }

    @Test
    void aTimerGoesOffByItself() throws InterruptedException {
        Bot bot = bot(
                "{'kind':'wait','id':'w','say':['One moment.'],'seconds':1,'exits':{'went_on':'step:m'}}",
                "{'kind':'message','id':'m','say':['There.']}");
        String id = begin(bot);
        CountDownLatch news = new CountDownLatch(1);
        LiveHub.Watch watch = hub.watch(LiveHub.conversation(id), news::countDown);
        assertThat(said(id).contains("There.") || news.await(30, TimeUnit.SECONDS))
                .isTrue();
        watch.close();
        assertThat(said(id)).containsExactly("One moment.", "There.");
        assertThat(conversations.timeCame(id, "t1-1")).isEqualTo(new Outcome.Refused(Turn.Reason.TOO_LATE));
        assertThat(past.replay(id)).contains(conversations.state(id));
    }

    @Test
    void aSignalNeedsItsSignatureAndIsTakenOnce() throws Exception {
        Bot bot = bot(
                "{'kind':'wait','id':'w','say':['Open {{signal}}'],'signal':true,'seconds':600,'variable':'word','exits':{'came':'step:m'}}",
                "{'kind':'message','id':'m','say':['Came: {{word}}']}");
        String id = begin(bot);
        String address = said(id).getFirst().substring(5);
        String path = URI.create(address).getPath();
        assertThat(address).startsWith("http://").contains("/signal/" + id + "/");
        String wrong = path.substring(0, path.length() - 3) + "abc";
        assertThat(http("GET", path, "")).isEqualTo(200);
        assertThat(said(id)).hasSize(1);
        assertThat(http("GET", wrong, "")).isEqualTo(404);
        assertThat(http("POST", wrong, "text=x")).isEqualTo(404);
        assertThat(http("POST", path, "text=paid")).isEqualTo(200);
        assertThat(said(id)).last().isEqualTo("Came: paid");
        assertThat(http("POST", path, "text=paid")).isEqualTo(409);
        assertThat(said(id)).hasSize(2);
    }

    @Test
    void aProgramBringsValuesToTheAddress() throws Exception {
        Bot bot = bot(
                "{'kind':'wait','id':'w','say':['Open {{signal}}'],'signal':true,'seconds':600,"
                        + "'takes':[{'id':'t1','field':'score','variable':'score','type':'number'}],"
                        + "'results':[{'id':'r1','field':'verified','value':'false','name':'no'}],"
                        + "'exits':{'came':'step:m','result:r1':'step:n'}}",
                "{'kind':'message','id':'m','say':['Came: {{score}}']}",
                "{'kind':'message','id':'n','say':['Not you.']}");
        for (boolean verified : new boolean[] {true, false}) {
            String id = begin(bot);
            String path = URI.create(said(id).getFirst().substring(5)).getPath();
            String json = "application/json";
            assertThat(http("POST", path, "[1]", json)).isEqualTo(400);
            assertThat(http("POST", path, "{\"a\":\"" + "x".repeat(20_000) + "\"}", json))
                    .isEqualTo(400);
            assertThat(http("POST", path + "x", "{}", json)).isEqualTo(404);
            assertThat(http("POST", path, "{\"verified\":" + verified + ",\"score\":4}", json))
                    .isEqualTo(200);
            assertThat(said(id)).last().isEqualTo(verified ? "Came: 4" : "Not you.");
            assertThat(http("POST", path, "{}", json)).isEqualTo(409);
        }
    }

    private int http(String method, String path, String form) throws IOException, InterruptedException {
        return http(method, path, form, "application/x-www-form-urlencoded");
    }

    private int http(String method, String path, String form, String type) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                .header("Content-Type", type)
                .method(method, form.isEmpty() ? BodyPublishers.noBody() : BodyPublishers.ofString(form))
                .build();
        try (HttpClient http = HttpClient.newHttpClient()) {
            return http.send(request, BodyHandlers.discarding()).statusCode();
        }
    }

    @Test
    void aSecretIsNowhereInTheClear() {
        Bot bot = bot(
                "{'kind':'question','id':'q','ask':['Code?'],'type':'secret','variable':'code','exits':{'answered':'step:m'}}",
                "{'kind':'message','id':'m','say':['Thanks, {{code}}.']}");
        String id = begin(bot);
        conversations.say(id, "m1", "open-sesame-77");
        assertThat(said(id)).containsExactly("Code?", "•••••", "Thanks, •••••.");
        String stored = db.fetch("select state from conversation where id = '" + id + "'")
                + db.fetch(
                                "select event, reads, working, way, awaiting from conversation_event where conversation_id = '"
                                        + id + "'")
                        .toString()
                + db.fetch("select text from message where conversation_id = '" + id + "'");
        assertThat(stored).doesNotContain("open-sesame");
        Value secret = conversations.state(id).variables().get("code");
        assertThat(secret)
                .isInstanceOfSatisfying(
                        Value.Secret.class,
                        kept -> assertThat(vault.open(kept.sealed())).isEqualTo("open-sesame-77"));
        assertThat(conversations.known(id)).containsEntry("code", "•••••");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "mirror.gif|GIF89a and so on|",
                "../../etc/passwd.gif|GIF89a and so on|",
                "mirror.gif|words|not what its name says",
                "page.html|<p>hi</p>|This kind of file is not taken",
                "page.png|<html><script>alert(1)</script>|not what its name says",
                "run.png|#!/bin/sh|not what its name says",
                "picture.svg|<svg/>|This kind of file is not taken",
                "noending|x|This kind of file is not taken",
                "empty.png|''|The file is empty",
            })
    void filesAreCheckedBeforeTheyAreKept(String name, String content, String problem) throws IOException {
        Bot bot = bot(
                "{'kind':'question','id':'q','ask':['Picture?'],'type':'file','variable':'photo','limits':{'fileTypes':['gif','png']},'exits':{'answered':'step:m'}}",
                "{'kind':'message','id':'m','say':['Got {{photo}}.']}");
        String id = begin(bot);
        Checked<Outcome> taken =
                uploads.take(id, "f1", UploadService.Coming.of(name, content.getBytes(StandardCharsets.UTF_8)));
        if (problem == null) {
            assertThat(taken).isInstanceOf(Checked.Good.class);
            assertThat(said(id)).last().asString().startsWith("Got ").doesNotContain("/", "..");
            String file =
                    conversations.aftermath(id).files().keySet().iterator().next();
            assertThat(uploads.download(file)).isPresent();
        } else {
            assertThat(taken)
                    .isInstanceOfSatisfying(
                            Checked.Bad.class,
                            bad -> assertThat(bad.errors().toString()).contains(problem));
            assertThat(said(id)).hasSize(1);
        }
        assertThat(uploads.download("../key")).isEmpty();
    }

    @Test
    void theSameUploadSentAgainGetsTheFirstReplyAndIsKeptOnce() throws IOException {
        String id = begin(bot(
                "{'kind':'question','id':'q','ask':['Picture?'],'type':'file','variable':'photo','limits':{'fileTypes':['png']},'exits':{'answered':'step:m'}}",
                "{'kind':'message','id':'m','say':['Got it.']}"));
        var file = UploadService.Coming.of("a.png", new byte[] {1});
        Outcome first = TestData.good(uploads.take(id, "f1", file));
        Outcome again = TestData.good(uploads.take(id, "f1", file));
        assertThat(((Outcome.Taken) again).reply().messages())
                .isEqualTo(((Outcome.Taken) first).reply().messages());
        assertThat(conversations.aftermath(id).files()).hasSize(1);
    }

    @Test
    void anUploadNobodyAskedForOrTooLargeIsRefused() throws Exception {
        Bot silent = bot("{'kind':'message','id':'m','say':['Hello.']}");
        var file = UploadService.Coming.of("a.png", new byte[] {1});
        assertThat(uploads.take(begin(silent), "f", file)).isInstanceOf(Checked.Bad.class);
        HttpRequest huge = HttpRequest.newBuilder(
                        URI.create("http://localhost:" + port + "/api/v1/chat/conversations/x/files"))
                .POST(BodyPublishers.ofByteArray(new byte[22_000_000]))
                .build();
        try (HttpClient http = HttpClient.newHttpClient()) {
            assertThat(http.send(huge, BodyHandlers.discarding()).statusCode()).isEqualTo(413);
        }
    }

    @Test
    void onlyPicturesAndPagesThatCannotRunAreKeptAsMedia() throws IOException {
        Bot bot = data.bot();
        byte[] png = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n', 0};
        String address = TestData.good(media.keep(bot.id(), "a.png", png));
        assertThat(media.find(address.substring("/media/".length())))
                .get()
                .extracting(MediaService.Stored::type)
                .isEqualTo("image/png");
        assertThat(media.keep(bot.id(), "a.png", "<svg onload='x'>".getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(Checked.Bad.class);
        assertThat(media.find("../key")).isEmpty();
    }

    @Test
    void whatOutlivesAConversationGreetsTheVisitorInTheNext() {
        Bot bot = bot(
                "{'kind':'message','id':'h','say':['Hello {{name.first|stranger}}.'],'exits':{'next':'step:q'}}",
                "{'kind':'question','id':'q','ask':['Name?'],'type':'person_name','variable':'name','exits':{'answered':'step:k'}}",
                "{'kind':'milestone','id':'k','milestone':'Named','value':'2.5','exits':{'next':'step:e'}}",
                "{'kind':'end','id':'e','say':['Bye.'],'rating':true}");
        TestData.good(data.variables.declare(
                bot.id(), new Variable("name", ValueType.PERSON_NAME, Variable.Origin.VISITOR, "")));
        TestData.good(data.releases.release(bot.id(), "", null));
        String first = begin(bot, "v-77");
        assertThat(said(first)).first().isEqualTo("Hello stranger.");
        conversations.say(first, "m1", "Dana Whitlow");
        conversations.say(first, "m2", "4, friendly");
        Aftermath left = conversations.aftermath(first);
        assertThat(left.milestones()).containsExactly("Named");
        assertThat(left.rating()).isEqualTo(new Aftermath.Rating(4, "friendly"));
        assertThat(said(begin(bot, "v-77"))).first().isEqualTo("Hello Dana.");
        assertThat(said(begin(bot, "v-78"))).first().isEqualTo("Hello stranger.");
        assertThat(said(begin(bot))).first().isEqualTo("Hello stranger.");
    }

    @Test
    void aVariableIsRenamedEverywhereAtOnce() {
        Bot bot = bot(
                "{'kind':'question','id':'q','ask':['How many?'],'type':'number','variable':'guests','exits':{'answered':'step:b'}}",
                "{'kind':'branch','id':'b','rules':[{'id':'r1','when':'guests > 3 && known(guests)'}],'exits':{'rule:r1':'step:m'}}",
                "{'kind':'message','id':'m','say':['{{guests}} guests{{#guests}}!{{/guests}}']}");
        TestData.good(data.variables.rename(bot.id(), "guests", "Head_count", null));
        assertThat(data.bots.draft(bot.id(), "main").flow().toString())
                .contains("head_count > 3 && known(head_count)", "{{head_count}} guests{{#head_count}}!{{/head_count}}")
                .doesNotContain("{{guests}}");
        assertThat(data.variables.rename(bot.id(), "head_count", "page", null)).isInstanceOf(Checked.Bad.class);
        assertThat(data.variables.rename(bot.id(), "head_count", "9 lives", null))
                .isInstanceOf(Checked.Bad.class);
    }
}
