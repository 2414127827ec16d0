package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What a bot says and hears of its own accord is written, and met in the rehearsal. */
@ServerTest
class MannersScreenTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s1","title":"","steps":[
              {"kind":"message","id":"n1","say":["Hello."],"exits":{}}]}]}""";

    private final int port;
    private final TestData data;

    MannersScreenTest(@LocalServerPort int port, TestData data) {
        this.port = port;
        this.data = data;
    }

    @Test
    void whatIsWrittenIsHeard() {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + bot.id() + "/manners");
            page.locator("#not_found-say").fill("Please ask at the desk.");
            page.locator("[name=next]").check();
            page.locator("#next-offers").fill("Who painted the whale?");
            page.locator("#start_again-phrases").fill("once more from the top");
            page.locator("#letters").fill("fast");
            page.locator("[name=silence]").check();
            page.locator("[name=silence-minutes]").fill("soon");
            page.locator(".manners > .button").click();
            assertThat(page.locator("#error-silence-minutes")).containsText("minutes from 1");
            assertThat(page.locator("#error-letters")).containsText("from 0 to 1,000");
            assertThat(page.locator("#not_found-say")).hasValue("Please ask at the desk.");
            page.locator("#letters").fill("0");
            page.locator("[name=silence-minutes]").fill("15");
            page.locator(".manners > .button").click();
            assertThat(page.locator(".notice")).containsText("Saved");
            assertThat(page.locator("[name=silence-minutes]")).hasValue("15");

            page.locator("a:has-text('Flows')").click();
            page.locator("[data-begin]").click();
            assertThat(page.locator("#rehearse .talk")).containsText("Hello.");
            page.locator("#rehearse-text").fill("is there a whale?");
            page.keyboard().press("Enter");
            assertThat(page.locator("#rehearse .talk")).containsText("Please ask at the desk.");
            page.locator("#rehearse-text").fill("once more from the top");
            page.keyboard().press("Enter");
            assertThat(page.locator("#rehearse .talk .visitor").last()).containsText("from the top");
            assertThat(page.locator("#rehearse .talk")).containsText("start again");
            page.locator("#rehearse button:has-text('Who painted the whale?')")
                    .last()
                    .click();
            assertThat(page.locator("#rehearse .talk .visitor").last()).containsText("Who painted the whale?");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void whoWantsAPersonIsAskedFirstWhatTheFlowAsks() {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        data.bots.addFlow(
                bot.id(),
                TestData.flow(
                        "desk",
                        "{'kind':'question','id':'q','ask':['Whom shall we call back?'],'type':'person_name',"
                                + "'variable':'name','exits':{'answered':'step:h'}},"
                                + "{'kind':'hand_off','id':'h','say':['The desk is told.'],'exits':{}}"),
                "test",
                null);
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + bot.id() + "/manners");
            assertThat(page.locator("#stop-flow")).hasCount(0);
            page.locator("#person-flow").selectOption("desk");
            page.locator(".manners > .button").click();
            assertThat(page.locator(".notice")).containsText("Saved");
            assertThat(page.locator("#person-flow")).hasValue("desk");

            page.locator("a:has-text('Flows')").click();
            page.locator("[data-begin]").click();
            assertThat(page.locator("#rehearse .talk")).containsText("Hello.");
            page.locator("#rehearse-text").fill("can I talk to somebody");
            page.keyboard().press("Enter");
            assertThat(page.locator("#rehearse .talk")).containsText("Whom shall we call back?");
            page.locator("#rehearse-text").fill("Dana Whitlow");
            page.keyboard().press("Enter");
            assertThat(page.locator("#rehearse .talk")).containsText("The desk is told.");
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
