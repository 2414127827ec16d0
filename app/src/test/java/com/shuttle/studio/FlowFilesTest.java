package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.bots.MediaService;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.Fault;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.web.Checked;
import com.shuttle.web.Outgoing;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Flows from files stand beside those there are, and pictures from elsewhere become the bot's own. */
@ServerTest
class FlowFilesTest {

    private static final byte[] DOT = Arrays.copyOf(HexFormat.of().parseHex("89504e470d0a1a0a"), 64);

    private final TestData data;
    private final BotService bots;
    private final FlowFiles files;
    private final OwnMedia own;
    private final MediaService media;
    private final Outgoing outgoing;
    private HttpServer elsewhere;
    private String outside;

    FlowFilesTest(
            TestData data, BotService bots, FlowFiles files, OwnMedia own, MediaService media, Outgoing outgoing) {
        this.data = data;
        this.bots = bots;
        this.files = files;
        this.own = own;
        this.media = media;
        this.outgoing = outgoing;
    }

    @BeforeEach
    void begin() throws IOException {
        elsewhere = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        elsewhere.createContext("/dot.png", exchange -> {
            exchange.sendResponseHeaders(200, DOT.length);
            exchange.getResponseBody().write(DOT);
            exchange.close();
        });
        elsewhere.start();
        int port = elsewhere.getAddress().getPort();
        outside = "pictures-" + port + ".example";
        outgoing.lead(outside, port);
    }

    @AfterEach
    void end() {
        elsewhere.stop(0);
    }

    private Bot bot() {
        return data.released(saying("Mine."));
    }

    private static Flow saying(String words) {
        return TestData.flow("main", "{'kind':'message','id':'a','say':['" + words + "']}");
    }

    private static String said(Flow flow) {
        return flow.allSteps().getFirst().wordings().getFirst();
    }

    @Test
    void aFlowOfTheSameIdStandsBesideTheOneThereIs() {
        Bot bot = bot();
        String file = FlowJson.write(saying("Another."));
        FlowFiles.Loaded loaded = files.load(bot.id(), "main", file, false, null);
        assertThat(loaded.flow()).isNotEqualTo("main");
        assertThat(said(bots.draft(bot.id(), "main").flow())).isEqualTo("Mine.");
        assertThat(said(bots.draft(bot.id(), loaded.flow()).flow())).isEqualTo("Another.");
        files.load(bot.id(), "main", file, true, null);
        assertThat(said(bots.draft(bot.id(), "main").flow())).isEqualTo("Another.");
        assertThat(said(bots.step(bot.id(), "main", true).flow()))
                .as("taken back")
                .isEqualTo("Mine.");
    }

    @Test
    void namesOfThingsBecomeTheirIdsOrFaults() {
        Bot bot = bot();
        String file = FlowJson.write(
                TestData.flow("names", "{'kind':'hand_off','id':'h','say':['x'],'team':'@team/visits'}"));
        FlowFiles.Loaded loaded = files.load(bot.id(), "main", file, false, null);
        assertThat(FlowJson.write(bots.draft(bot.id(), loaded.flow()).flow())).doesNotContain("@team");
        assertThat(files.load(bot.id(), "main", file.replace("visits", "nobody"), false, null)
                        .faults())
                .containsExactly(new Fault("/sections/0/steps/0/team", "there is no team called “nobody”"));
    }

    private static String showing(String address) {
        return FlowJson.write(TestData.flow(
                "shown",
                "{'kind':'message','id':'m','say':['x'],'media':{'type':'picture','address':'" + address
                        + "','alt':'A dot'}}"));
    }

    @Test
    void picturesFromElsewhereAreKept() {
        Bot bot = bot();
        FlowFiles.Loaded loaded = files.load(bot.id(), "main", showing("http://" + outside + "/dot.png"), false, null);
        assertThat(FlowJson.write(bots.draft(bot.id(), loaded.flow()).flow())).contains("\"/media/");
        assertThat(files.load(bot.id(), "main", showing("http://" + outside + "/gone.png"), false, null)
                        .words())
                .contains("could not be fetched", "gone.png");
    }

    @Test
    void aPictureThatIsTypedInIsFetchedOrRefusedWithItsReason() {
        Bot bot = bot();
        Flow flow = bots.draft(
                        bot.id(),
                        files.load(bot.id(), "main", showing("/media/none"), false, null)
                                .flow())
                .flow();
        Edit there = new Edit.Set("m", "media.address", "http://" + outside + "/dot.png");
        assertThat(TestData.good(own.kept(bot.id(), flow, there)))
                .isInstanceOfSatisfying(
                        Edit.Set.class,
                        set -> assertThat(media.find(set.value().substring("/media/".length())))
                                .isPresent());
        assertThat(own.kept(bot.id(), flow, new Edit.Set("m", "media.address", "http://" + outside + "/gone.png")))
                .isInstanceOfSatisfying(
                        Checked.Bad.class,
                        bad -> assertThat(bad.errors().toString()).contains("error 404"));
        Edit link = new Edit.Set("m", "note", "http://" + outside + "/dot.png");
        assertThat(TestData.good(own.kept(bot.id(), flow, link))).isEqualTo(link);
    }

    @Test
    void everyFileThatShipsIsReadStrictly() throws IOException {
        for (String folder : List.of("bot-templates", "demo")) {
            for (var resource : new org.springframework.core.io.support.PathMatchingResourcePatternResolver()
                    .getResources("classpath:" + folder + "/*.json")) {
                String json = resource.getContentAsString(java.nio.charset.StandardCharsets.UTF_8)
                        .replace("@media/", "/media/");
                if (json.contains("shuttle-flow/1")) {
                    assertThat(new FlowJson().read(json))
                            .as(String.valueOf(resource.getFilename()))
                            .isInstanceOf(FlowJson.Result.Good.class);
                }
            }
        }
    }
}
