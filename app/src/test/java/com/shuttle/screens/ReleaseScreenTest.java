package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static com.shuttle.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.releases.ReleaseService;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** A release is looked at beside the live one, set live for later, goes live and is rolled back; who talks stays on theirs. */
@ServerTest
class ReleaseScreenTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"message","id":"n1","say":["First words."],"exits":{"next":"step:n2"}},
            {"kind":"question","id":"n2","ask":["Your name?"],"type":"text","variable":"name","exits":{"answered":"step:n3"}},
            {"kind":"message","id":"n3","say":["First farewell."]}]}]}""";

    private final int port;
    private final TestData data;
    private final BotService bots;
    private final ReleaseService releases;
    private final JdbcTemplate database;

    ReleaseScreenTest(
            @LocalServerPort int port, TestData data, BotService bots, ReleaseService releases, JdbcTemplate database) {
        this.port = port;
        this.data = data;
        this.bots = bots;
        this.releases = releases;
        this.database = database;
    }

    private static void beginsWith(Page page, Bot bot, String words) {
        page.navigate("/chat/" + bot.slug());
        assertThat(page.locator(".bubble.bot").first()).containsText(words);
    }

    @Test
    void comparedPlannedLiveAndRolledBack() {
        try (Screens screens = new Screens(port)) {
            Bot bot = data.released(FlowJson.readTrusted(FLOW));
            Page talking = screens.stranger();
            beginsWith(talking, bot, "First words.");

            bots.edit(bot.id(), "main", new Edit.Set("n1", "text.0", "Second words."), null);
            bots.edit(bot.id(), "main", new Edit.Set("n3", "text.0", "Second farewell."), null);
            Page team = screens.signedIn("maren.holt");
            team.navigate("/bots/" + bot.id() + "/releases");
            // Making one comes first on the page; programs that release a bot as people do take its first form.
            assertThat(team.locator("form[action*='/releases']").first())
                    .hasAttribute("action", "/bots/" + bot.id() + "/releases");
            team.locator("a:has-text('2 changes in Talk')").click();
            assertThat(team.locator(".change")).hasCount(2);
            assertThat(team.locator(".change del").first()).containsText("First words.");
            assertThat(team.locator(".change ins").first()).containsText("Second words.");
            team.locator(".crumb a").click();

            team.locator("#note").fill("Kinder words");
            team.locator("input[value=later]").check();
            team.locator("button:has-text('Make release 2')").click();
            assertThat(team.locator("[role=alert]")).containsText("Please give a day and a time that are ahead.");
            assertThat(team.locator("#note")).hasValue("Kinder words");
            team.locator("input[value=later]").check();
            String soon = DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm")
                    .format(LocalDateTime.now(ZoneId.of("Europe/London")).plusDays(1));
            team.locator("[name=at]").fill(soon);
            team.locator("button:has-text('Make release 2')").click();
            assertThat(team.locator(".planned")).containsText("Release 2 goes live on");
            assertThat(team.locator(".releases li").first()).containsText("planned");
            Page meanwhile = screens.stranger();
            beginsWith(meanwhile, bot, "First words.");

            // The day comes.
            database.update("update release_plan set due_at = dateadd('day', -2, due_at) where bot_id = ?", bot.id());
            until("release 2 is live", () -> releases.liveNumber(bot.id()) == 2);
            beginsWith(screens.stranger(), bot, "Second words.");
            Screens.say(talking, "Dana");
            assertThat(talking.locator(".bubble.bot").last()).containsText("First farewell.");

            team.navigate("/bots/" + bot.id() + "/releases");
            team.locator("a:has-text('Release 1')").first().click();
            assertThat(team.locator(".change")).hasCount(2);
            team.locator("button:has-text('Make release 1 live')").click();
            assertThat(team.locator("[role=status]")).containsText("Release 1 is live");
            beginsWith(screens.stranger(), bot, "First words.");
            team.locator("summary:has-text('What was live')").click();
            assertThat(team.locator(".spells li")).hasCount(3);
            assertThat(team.locator(".spells li").nth(1)).containsText("as planned");
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
