package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static com.shuttle.screens.Screens.say;
import static com.shuttle.screens.Screens.tabBackTo;
import static com.shuttle.screens.Screens.tabTo;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.shuttle.ServerTest;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** From an empty page to a released bot, by keyboard alone; then a visitor, an agent and a gap. */
@ServerTest
class JourneyTest {

    /** A second try meets what the first one left, and uses other names. */
    private static final AtomicInteger TRY = new AtomicInteger();

    private final int port;

    JourneyTest(@LocalServerPort int port) {
        this.port = port;
    }

    @Test
    void aBotIsWrittenTaughtRehearsedReleasedAndTalkedTo() {
        TRY.incrementAndGet();
        try (Screens screens = new Screens(port)) {
            Page designer = screens.signedIn("maren.holt");
            writeFlow(designer);
            String bot = designer.url().replaceAll("/flows/.*", "");
            teach(designer);
            chooseKnowledge(designer, bot);
            rehearse(designer, bot);
            release(designer, bot);
            Page visitor = screens.stranger(390, 760, ColorScheme.LIGHT);
            visit(visitor);
            reply(screens, visitor);
            seeGap(designer, bot);
            Assertions.assertThat(screens.complaints()).isEmpty();
        }
    }

    private static String bot() {
        return "Lantern " + TRY.get();
    }

    private static String visitor() {
        return "Robin " + (TRY.get() == 1 ? "Vale" : "Marsh");
    }

    private static void writeFlow(Page page) {
        page.navigate("/bots");
        tabTo(page, "#name");
        page.keyboard().type(bot());
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).hasText(bot());

        tabTo(page, "[data-add-first]");
        page.keyboard().press("Enter");
        rows(page, 1);
        page.keyboard().type("Hello, I'm " + bot() + ".");
        page.keyboard().press("Enter");
        rows(page, 2);
        become(page, "choice", "choice");
        page.keyboard().type("What can I do for you?");
        page.keyboard().press("Enter");
        page.keyboard().type("Ask a question");
        page.keyboard().press("Enter");
        page.keyboard().type("Leave my details");
        page.keyboard().press("Enter");
        assertThat(page.locator(".label-of")).hasCount(3);
        assertThat(page.locator(".label-of").nth(2)).isFocused();
        page.keyboard().type("Talk to somebody");

        // A branch below the last option, then those of the others from within the choice.
        page.keyboard().press("Control+Enter");
        rows(page, 3);
        become(page, "hand", "hand_off");
        page.keyboard().type("I'll fetch somebody.");
        backToOption(page, 2);
        page.keyboard().press("Control+Enter");
        rows(page, 4);
        become(page, "question", "question");
        page.keyboard().type("What is your name?");
        setQuestion(page, "person", "name");
        backToText(page);
        page.keyboard().press("Enter");
        rows(page, 5);
        become(page, "question", "question");
        page.keyboard().type("And your email, {{name.first}}?");
        setQuestion(page, "email", "email");
        leadTo(page, "answered", "What can I do");
        backToOption(page, 1);
        page.keyboard().press("Control+Enter");
        rows(page, 6);
        become(page, "answer", "answer");
        page.keyboard().type("What would you like to know?");
        leadTo(page, "answered", "What can I do");
        leadTo(page, "not_found", "What can I do");
        assertThat(page.locator("#saved")).hasText("All changes saved");

        page.reload();
        assertThat(page.locator(".row")).hasCount(6);
        assertThat(page.locator(".row .say").first()).hasValue("Hello, I'm " + bot() + ".");
        assertThat(page.locator("svg.threads path").first()).isAttached();
    }

    private static void rows(Page page, int count) {
        assertThat(page.locator(".row")).hasCount(count);
        assertThat(page.locator(".row.open .say").first()).isFocused();
        assertThat(page.locator(".row.open .say").first()).hasValue("");
    }

    private static void become(Page page, String typed, String kind) {
        page.keyboard().press("/");
        assertThat(page.locator(".picker input")).isFocused();
        page.keyboard().type(typed);
        page.keyboard().press("Enter");
        assertThat(page.locator(".row.open[data-kind=" + kind + "] .say")).isFocused();
    }

    private static void backToOption(Page page, int number) {
        tabBackTo(page, ".row[data-kind=choice] .say");
        tabTo(page, "[data-field='options.o" + number + ".label']");
    }

    private static void backToText(Page page) {
        tabBackTo(page, ".row.open .say");
    }

    private static void setQuestion(Page page, String type, String variable) {
        String label = page.locator(".row.open").getAttribute("data-step");
        tabTo(page, "[data-field=type]");
        page.keyboard().type(type);
        assertThat(page.locator(".row[data-step=" + label + "] .side b, .row[data-step=" + label
                                + "] [data-field=type]")
                        .first())
                .hasValue(Pattern.compile("^" + type));
        assertThat(page.locator("#saved")).hasText("All changes saved");
        tabTo(page, "[data-field=variable]");
        page.keyboard().type(variable);
    }

    private static void leadTo(Page page, String exit, String step) {
        tabTo(page, ".row.open [data-exit=" + exit + "]");
        page.keyboard().press("Enter");
        assertThat(page.locator(".picker input")).isFocused();
        page.keyboard().type(step);
        page.keyboard().press("Enter");
        assertThat(page.locator(".row.open [data-exit=" + exit + "]")).containsText(step);
        assertThat(page.locator(".row.open .say")).isFocused();
    }

    private static void teach(Page page) {
        tabBackTo(page, ".bar nav a[href='/knowledge']");
        page.keyboard().press("Enter");
        page.waitForURL("**/knowledge");
        tabTo(page, "#name");
        page.keyboard().type(bot() + " knows");
        page.keyboard().press("Enter");
        assertThat(page.locator("h1")).hasText(bot() + " knows");
        tabTo(page, ".page a[href$='/entries/new']");
        page.keyboard().press("Enter");
        page.waitForURL("**/entries/new");
        entry(page, "Where do you post parcels to?", "Everywhere in Europe.", true);
        entry(page, "How long does repairing a lamp take?", "About a week.", true);
        entry(page, "Do you sell candles?", "", false);
        assertThat(page.locator("#error-answers")).containsText("Write the answer");
        assertThat(page.locator("#phrasings")).hasValue("Do you sell candles?");
        tabTo(page, "#answers");
        page.keyboard().type("Yes, of beeswax.");
        tabTo(page, "button.main");
        page.keyboard().press("Enter");
        assertThat(page.locator(".grid-list tbody tr")).hasCount(3);
        tabTo(page, "#try-question");
        page.keyboard().type("have you got candles");
        page.keyboard().press("Enter");
        assertThat(page.locator(".try-result .matches li").first()).containsText("Do you sell candles?");
        assertThat(page.locator(".try-result")).containsText("nearest wording");
    }

    private static void entry(Page page, String question, String answer, boolean another) {
        assertThat(page.locator("#phrasings")).isFocused();
        page.keyboard().type(question);
        tabTo(page, "#answers");
        page.keyboard().type(answer);
        tabTo(page, another ? "button[name=then]" : "button.main");
        page.keyboard().press("Enter");
        if (another) {
            assertThat(page.locator("#phrasings")).hasValue("");
        }
    }

    private static void chooseKnowledge(Page page, String bot) {
        page.navigate(bot + "/knowledge");
        Locator box = page.locator("label:has-text('" + bot() + " knows') input");
        box.focus();
        page.keyboard().press("Space");
        tabTo(page, "label.pick-line ~ button");
        page.waitForResponse(
                response -> response.request().method().equals("GET")
                        && response.url().endsWith("/knowledge"),
                () -> page.keyboard().press("Enter"));
        assertThat(box).isChecked();
    }

    private static void rehearse(Page page, String bot) {
        page.navigate(bot);
        tabTo(page, "[data-begin]");
        page.keyboard().press("Enter");
        assertThat(page.locator("#rehearse-text")).isFocused();
        page.keyboard().type("do you sell candles");
        page.keyboard().press("Enter");
        assertThat(page.locator(".talk")).containsText("Yes, of beeswax.");
        assertThat(page.locator(".talk .why").last()).containsText("answered from knowledge");
        page.keyboard().type("leave my details");
        page.keyboard().press("Enter");
        assertThat(page.locator(".talk .why").last()).containsText("answer to the choice");
        page.keyboard().type("Dana Whitlow, dana@example.org");
        page.keyboard().press("Enter");
        assertThat(page.locator("[data-facts]")).containsText("dana@example.org");
        assertThat(page.locator(".row.speaking")).hasCount(1);
    }

    private static void release(Page page, String bot) {
        page.navigate(bot + "/releases");
        tabTo(page, "#note");
        page.keyboard().type("The first one");
        tabTo(page, "button.main");
        page.keyboard().press("Enter");
        assertThat(page.locator("[role=status]")).containsText("Release 1 is live");
    }

    private static void visit(Page page) {
        page.navigate("/chat/lantern-" + TRY.get());
        assertThat(page.locator("#transcript")).containsText("What can I do for you?");
        say(page, "where do you send parcels?");
        assertThat(page.locator("#transcript")).containsText("Everywhere in Europe.");
        say(page, "can I bring a giraffe on the train?");
        assertThat(page.locator("#transcript")).containsText("I don't know that one");
        page.locator(".offers button", new Page.LocatorOptions().setHasText("Leave my details"))
                .press("Enter");
        assertThat(page.locator("#transcript")).containsText("What is your name?");
        say(page, visitor());
        say(page, "robin." + TRY.get() + "@example.org");
        page.reload();
        assertThat(page.locator("#transcript")).containsText("robin." + TRY.get() + "@example.org");
        say(page, "I'd like to talk to a person");
        assertThat(page.locator("#transcript")).containsText("I'll fetch somebody.");
    }

    private static void reply(Screens screens, Page visitor) {
        Page agent = screens.signedIn("idris.vane");
        agent.navigate("/inbox");
        Locator waiting = agent.locator(".inbox-list a", new Page.LocatorOptions().setHasText(visitor()));
        waiting.press("Enter");
        assertThat(agent.locator(".inbox-facts")).containsText("robin." + TRY.get() + "@example.org");
        tabTo(agent, "form[action$='/take'] button");
        agent.keyboard().press("Enter");
        assertThat(agent.locator(".inbox-head .pill")).hasText("with you");
        tabTo(agent, "#reply-text");
        agent.keyboard().type("Good evening Robin, how can I help?");
        agent.keyboard().press("Enter");
        assertThat(visitor.locator(".bubble.agent")).containsText("Good evening Robin");
        visitor.locator("#text").focus();
        visitor.keyboard().type("My lamp flickers");
        visitor.keyboard().press("Enter");
        assertThat(agent.locator(".inbox-log")).containsText("My lamp flickers");
        tabBackTo(agent, "form[action$='/close'] button");
        agent.keyboard().press("Enter");
        assertThat(visitor.locator(".ended")).isVisible();
        assertThat(agent.locator(".inbox-head .pill")).hasText("ended");
    }

    private static void seeGap(Page page, String bot) {
        page.navigate(bot + "/knowledge");
        assertThat(page.locator("#gaps")).containsText("can I bring a giraffe on the train?");
    }
}
