package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.FilePayload;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.knowledge.KnowledgeService;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Knowledge is brought in, mended, asked, found wanting, and completed, as a designer and a visitor would go. */
@ServerTest
class KnowledgeScreenTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[{"id":"s1","title":"","steps":[
              {"kind":"choice","id":"n1","ask":["What would you like to know?"],"options":[{"id":"o1","label":"Nothing"}],
               "exits":{"option:o1":"step:n2"}},
              {"kind":"end","id":"n2","say":["Until then!"]}]}]}""";

    private static final String CSV = """
            Question;Answer;Topic
            Can I bring my dog?;On a lead, yes.;Pets
            Is there a cash machine?;;Money
            Can I bring my dog?;No.;Pets
            """;

    private static final String PAGE = """
            <h1>Help</h1><h2>Can I charge my electric car?</h2><p>Yes, at <b>two</b> posts.</p>
            <dl><dt>Is there baby changing?</dt><dd>On both floors.</dd></dl>""";

    private final int port;
    private final TestData data;

    KnowledgeScreenTest(@LocalServerPort int port, TestData data) {
        this.port = port;
        this.data = data;
    }

    private static FilePayload file(String name, String type, String content) {
        return new FilePayload(name, type, content.getBytes(StandardCharsets.UTF_8));
    }

    private static void ask(Page visitor, String question) {
        visitor.locator("#text").fill(question);
        visitor.keyboard().press("Enter");
    }

    @Test
    void muchThatIsNewIsReadWhileOneLooksOn() {
        String sheet = IntStream.range(0, KnowledgeService.MUCH)
                .mapToObj(i -> "Where is stand " + i + "?;On the left of path " + i + ".\n")
                .collect(Collectors.joining("", "Question;Answer\n", ""));
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/knowledge/" + data.collection("Is there parking?", "Free.") + "/import");
            page.locator("#file").setInputFiles(file("stands.csv", "text/csv", sheet));
            page.locator("form[action$='/file'] button").click();
            page.locator("button:has-text('Bring in all')").click();
            assertThat(page.locator("main")).containsText("100 were brought in.");
            assertThat(page.locator("[data-told]")).containsText("of 101");
            assertThat(page.locator("a:has-text('Entries 101')"))
                    .hasAttribute(
                            "aria-current", "page", new LocatorAssertions.HasAttributeOptions().setTimeout(90_000));
            page.locator("#try-question").fill("where is stand 42");
            page.locator(".try-line button").click();
            assertThat(page.locator(".try-result .bubble")).hasText("On the left of path 42.");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aFileIsMendedAPageBroughtInAndAGapClosed() {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        String name = data.name("Help");
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/knowledge");
            page.locator("input[name=name]").fill(name);
            page.keyboard().press("Enter");
            page.locator("a:has-text('In and out')").click();
            page.locator("#file").setInputFiles(file("help.csv", "text/csv", CSV));
            page.locator("form[action$='/file'] button").click();
            assertThat(page.locator("tr.faulty")).hasCount(2);
            page.locator("#line-3 [name=answer]").fill("In the hall.");
            page.locator("#line-3 button").click();
            assertThat(page.locator("tr.faulty")).hasCount(1);
            assertThat(page.locator("#line-4 .field-error")).containsText("further up already");
            page.locator("button:has-text('Bring in the 2 good ones')").click();
            assertThat(page.locator(".notice")).hasText("2 were brought in.");

            page.locator("a:has-text('In and out')").click();
            page.locator("#file").setInputFiles(file("help.html", "text/html", PAGE));
            page.locator("form[action$='/file'] button").click();
            assertThat(page.locator("tr.new")).hasCount(2);
            page.locator("button:has-text('Bring in all')").click();
            assertThat(page.locator(".grid-list tbody tr")).hasCount(4);

            page.navigate("/bots/" + bot.id() + "/knowledge");
            page.locator("label:has-text('" + name + "') input").check();
            page.locator("button:has-text('Save the choice')").click();

            Page visitor = screens.stranger();
            visitor.navigate("/chat/" + bot.slug());
            ask(visitor, "where can I charge an electric car?");
            assertThat(visitor.locator("#log")).containsText("at two posts");
            ask(visitor, "who wrote the music for the penguin opera?");
            assertThat(visitor.locator("#log")).containsText("I don't know that one");

            page.reload();
            assertThat(page.locator(".gaps > li")).hasCount(1);
            assertThat(page.locator(".gaps > li strong")).hasText("who wrote the music for the penguin opera?");
            page.locator(".gaps a:has-text('New entry')").click();
            assertThat(page.locator("#phrasings")).hasValue("who wrote the music for the penguin opera?");
            page.locator("#answers").fill("Our own director did.");
            page.locator("button:text-is('Save')").click();
            assertThat(page.locator("#gaps .notice")).hasText("1 wording is answered now.");
            assertThat(page.locator(".gaps > li")).hasCount(0);

            ask(visitor, "Who composed the penguin opera?");
            assertThat(visitor.locator("#log")).containsText("Our own director did.");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void anArticleIsWrittenWithItsPreviewAndReadWhole() {
        Bot bot = data.released(FlowJson.readTrusted(FLOW));
        String collection = data.collection("Is there parking?", "Free, below the hill.");
        data.knowledge.setCollections(bot.id(), List.of(collection));
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/knowledge/" + collection + "/articles");
            page.locator("a:has-text('Write the first article')").click();
            page.locator("#title").fill("Lending telescopes");
            page.locator("#markdown").fill("## Who may borrow\nMembers may borrow a telescope for a week.");
            page.locator("#markdown").press("Control+a");
            page.locator("#markdown").press("End");
            page.locator("button:has-text('Table')").click();
            assertThat(page.locator(".article-preview table")).isVisible();
            assertThat(page.locator(".article-preview h3")).hasText("Who may borrow");
            page.locator("button:text-is('Save')").click();
            assertThat(page.locator(".grid-list tbody tr")).hasCount(1);

            Page visitor = screens.stranger();
            visitor.navigate("/chat/" + bot.slug());
            ask(visitor, "for how long may members borrow a telescope?");
            assertThat(visitor.locator("#log")).containsText("for a week");
            visitor.locator("#log .bubble a").last().click();
            assertThat(visitor.locator("#article-panel h2")).hasText("Lending telescopes");
            assertThat(visitor.locator("#article-panel #part-who-may-borrow")).isVisible();
            visitor.keyboard().press("Escape");
            assertThat(visitor.locator("#article-panel")).isHidden();
            String link = visitor.locator("#log .bubble a").last().getAttribute("href");
            visitor.navigate(link);
            assertThat(visitor.locator("h1")).hasText("Lending telescopes");
            assertThat(visitor.locator("#part-who-may-borrow")).isVisible();

            page.locator(".grid-list a.row-link").first().click();
            page.locator("input[value=draft]").check();
            page.locator("button:text-is('Save')").click();
            assertThat(page.locator(".mark-state")).hasText("draft");
            assertThat(visitor.navigate(link.replaceAll("#.*", "")).status()).isEqualTo(404);
        }
    }

    @Test
    void severalEntriesAreChangedAtOnceAndATriedQuestionIsLearnt() {
        String collection = data.collection("Is there parking?", "Free, below the hill.");
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/knowledge/" + collection);
            page.locator("#try-question").fill("somewhere for the wagon");
            page.locator(".try-line button").click();
            page.locator("button:has-text('Add the question here')").click();
            assertThat(page.locator(".notice")).containsText("“somewhere for the wagon” is a phrasing now.");
            assertThat(page.locator(".grid-list tbody .number")).hasText("2");
            page.locator("[name=chosen]").check();
            page.locator("button:has-text('Make drafts')").click();
            assertThat(page.locator(".notice")).hasText("1 changed.");
            assertThat(page.locator(".mark-state")).hasText("draft");
            page.locator("#to").fill("Arriving");
            page.locator("[name=chosen]").check();
            page.locator("button:has-text('Move there')").click();
            assertThat(page.locator(".grid-list tbody")).containsText("Arriving");
            page.locator("a:has-text('Health')").click();
            assertThat(page.locator(".health-score")).containsText("of 100");
            page.locator("a:has-text('Synonyms')").click();
            page.locator("#synonyms").fill("alone");
            page.locator("button:text-is('Save')").click();
            assertThat(page.locator(".field-error")).containsText("stands alone");
            assertThat(page.locator("#synonyms")).hasValue("alone");
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
