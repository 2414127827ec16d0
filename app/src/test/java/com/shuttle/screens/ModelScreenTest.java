package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.model.ModelService;
import com.shuttle.standins.ModelServer;
import com.shuttle.web.Outgoing;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** An administrator connects a language model; a designer sees in the rehearsal what it did. */
@ServerTest
class ModelScreenTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s1","title":"","steps":[
              {"kind":"message","id":"n1","say":["Hello."],"exits":{}}]}]}""";

    private final int port;
    private final TestData data;
    private final Outgoing outgoing;
    private final ModelService models;

    ModelScreenTest(@LocalServerPort int port, TestData data, Outgoing outgoing, ModelService models) {
        this.port = port;
        this.data = data;
        this.outgoing = outgoing;
        this.models = models;
    }

    @Test
    void aModelIsConnectedAndWhatItDidIsShown() throws IOException {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        data.collectionOf(bot, "Is there parking?", "Parking is free, behind the dome.");
        outgoing.lead("model.test");
        try (ModelServer server = ModelServer.start(0);
                Screens screens = new Screens(port)) {
            Page page = screens.signedIn("tobin.ashgrove");
            page.navigate("/settings");
            page.locator("a:has-text('Connect a language model')").click();
            page.locator("[name=enabled]").check();
            page.locator("form .main").click();
            assertThat(page.locator("#error-address")).containsText("web address");
            page.locator("#address").fill("http://model.test:" + server.port() + "/v1/chat/completions");
            page.locator("#model").fill("mumbler");
            page.locator("form .main").click();
            assertThat(page.locator(".notice.bad")).containsText("does not reply");
            page.locator("#model").fill("plain");
            page.locator("form .main").click();
            assertThat(page.locator(".notice")).hasText("Saved. The model replies.");

            Page designer = screens.signedIn("maren.holt");
            designer.navigate("/bots/" + bot.id());
            designer.locator("[data-begin]").click();
            assertThat(designer.locator("#rehearse .talk")).containsText("Hello.");
            designer.locator("#rehearse-text").fill("is there parking?");
            designer.keyboard().press("Enter");
            assertThat(designer.locator("#rehearse .talk")).containsText("Here you are: Parking is free");
            assertThat(designer.locator("#rehearse .talk")).containsText("reworded the answer");
            assertThat(screens.complaints()).isEmpty();
        } finally {
            models.set(false, "", "", "", 3000);
        }
    }
}
