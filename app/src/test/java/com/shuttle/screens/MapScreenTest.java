package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Target;
import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The map of a flow in the browser, by mouse and by keys; and the bots page around it. */
@ServerTest
class MapScreenTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[
              {"id":"s1","title":"Hello","steps":[
                {"kind":"choice","id":"n1","ask":["A show or a night?"],"options":[{"id":"o1","label":"A show"},{"id":"o2","label":"A night"}],
                 "exits":{"option:o1":"step:n2"}},
                {"kind":"message","id":"n2","say":["Shows run by day."],"exits":{"next":"step:n3"}}]},
              {"id":"s2","title":"Going on","steps":[
                {"kind":"end","id":"n3","say":["Until then!"]}]}]}""";

    private final int port;
    private final TestData data;

    MapScreenTest(@LocalServerPort int port, TestData data) {
        this.port = port;
        this.data = data;
    }

    private Bot bot() {
        Bot bot = data.bot();
        data.bots.putFlow(bot.id(), FlowJson.readTrusted(FLOW), "test", null);
        return bot;
    }

    private Flow flow(Bot bot) {
        return data.bots.draft(bot.id(), "main").flow();
    }

    private static Locator node(Page page, String step) {
        return page.locator(".map .node[data-step=" + step + "]");
    }

    private static void drag(Page page, Locator from, Locator to) {
        from.hover(new Locator.HoverOptions().setForce(true));
        page.mouse().down();
        BoundingBox box = to.boundingBox();
        page.mouse().move(box.x + 20, box.y + 12, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
    }

    @Test
    void stepsAreLinkedAddedMovedAndDeletedOnTheMap() throws IOException {
        Bot bot = bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + bot.id() + "/flows/main/map");
            assertThat(page.locator(".map .node")).hasCount(3);
            assertThat(page.locator(".map g.region")).hasCount(2);
            assertThat(page.locator(".map .link")).hasCount(2);

            // From an exit to a step: asks which of several ways out.
            drag(page, node(page, "n1").locator(".handle"), node(page, "n3"));
            page.locator(".picker li", new Page.LocatorOptions().setHasText("A night"))
                    .click();
            assertThat(page.locator(".map .link")).hasCount(3);
            assertThat(flow(bot).findStep("n1").orElseThrow().exit("option:o2")).isEqualTo(Target.step("n3"));

            // A step on a line.
            Hand.over(page, page.locator(".link[data-from=n2] .reach"), page.locator(".link-plus"));
            page.locator(".link-plus").click();
            page.locator(".picker li").first().click();
            assertThat(page.locator(".map .node")).hasCount(4);
            assertThat(flow(bot).findStep("n2").orElseThrow().exit("next")).isEqualTo(Target.step("n4"));

            // Moved by hand it stays there, and undoing lets it go.
            drag(page, node(page, "n4").locator(".kind"), page.locator(".map-tools"));
            assertThat(node(page, "n4")).hasClass(Pattern.compile(".*pinned.*"));
            assertThat(page.locator("#unpin")).isVisible();
            page.locator("#undo").click();
            assertThat(page.locator(".map .node.pinned")).hasCount(0);

            node(page, "n4").locator(".kind").click();
            assertThat(page.locator(".map-card h2")).hasText("Message");
            page.locator(".map-card .danger").click();
            assertThat(page.locator(".map .node")).hasCount(3);
            assertThat(page.locator("#saved"))
                    .containsText("Deleted “Message”; what led there now leads to “Until then!”");

            Download svg = page.waitForDownload(() -> page.locator("#save-svg").click());
            String text = Files.readString(svg.path());
            assertThat(text).startsWith("<svg").contains("Until then!").doesNotContain("reach");
            Download png = page.waitForDownload(() -> page.locator("#save-png").click());
            assertThat(Files.readAllBytes(png.path())).startsWith(0x89, 'P', 'N', 'G');
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void keysGoFromStepToStepZoomAndOpenTheRowAndBack() {
        Bot bot = bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + bot.id() + "/flows/main/map");
            assertThat(page.locator(".map .node")).hasCount(3);
            Screens.tabTo(page, ".map");
            page.keyboard().press("ArrowDown");
            assertThat(node(page, "n1")).isFocused();
            page.keyboard().press("ArrowDown");
            assertThat(node(page, "n2")).isFocused();
            String before = page.locator(".map").getAttribute("viewBox");
            page.keyboard().press("+");
            assertThat(page.locator(".map")).not().hasAttribute("viewBox", before);
            page.keyboard().press("Enter");
            assertThat(page.locator(".row[data-step=n2] .say")).isFocused();
            page.goBack();
            assertThat(page.locator(".map .node.found")).hasAttribute("data-step", "n2");

            page.keyboard().press("Control+k");
            page.keyboard().type("until");
            page.keyboard().press("Enter");
            assertThat(node(page, "n3")).isFocused();
            page.keyboard().press("Delete");
            assertThat(page.locator(".map .node")).hasCount(2);
            page.keyboard().press("Control+z");
            assertThat(page.locator(".map .node")).hasCount(3);
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aBotBeginsWithATemplateAndIsDeletedAndBroughtBack() {
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            String name = data.name("Waypoint");
            page.navigate("/bots");
            page.locator("#name").fill(name);
            page.getByText("Qualifying a lead").click();
            page.locator(".new-bot button").click();
            assertThat(page.locator(".row")).hasCount(13);
            assertThat(page.locator(".blanks summary")).containsText("blanks want filling in");
            page.locator(".blanks summary").click();
            page.locator(".blanks a").first().click();
            assertThat(page.locator(".row.open .say")).hasValue(Pattern.compile(".*‹what you offer›.*"));

            String profile = page.url().replaceAll("/flows.*", "/profile");
            page.navigate(profile);
            page.locator("#language").fill("en-GB");
            page.locator("[name=hours-monday]").fill("17:00-09:00");
            page.locator(".profile button.main").click();
            assertThat(page.locator("#error-hours")).containsText("the end after the beginning");
            assertThat(page.locator("#language")).hasValue("en-GB");
            page.locator("[name=hours-monday]").fill("09:00-17:00");
            page.locator(".profile button.main").click();
            assertThat(page.locator(".notice")).containsText("Saved");

            Download file =
                    page.waitForDownload(() -> page.getByText("Save as a file").click());
            page.locator(".whole .danger").click();
            assertThat(page.locator(".notice")).containsText(name + " was deleted.");
            page.locator("#bot-file").setInputFiles(file.path());
            page.locator(".load-bot button").click();
            assertThat(page.locator("h1")).hasText(name);
            assertThat(page.locator("[name=hours-monday]")).hasValue("09:00-17:00");

            page.navigate("/bots");
            page.locator(".put-away summary").last().click();
            page.getByLabel("Bring " + name + " back").click();
            page.navigate("/bots?q=" + name.replace(' ', '+'));
            assertThat(page.locator(".row-link", new Page.LocatorOptions().setHasText(name)))
                    .hasCount(2);
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
