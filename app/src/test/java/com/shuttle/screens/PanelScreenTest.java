package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.demo.StandIns;
import com.shuttle.panel.Sites;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.boot.test.web.server.LocalServerPort;

/** On the observatory's website somebody leaves a form, is spoken to, answers, goes on, and comes back the next day. */
@ServerTest
class PanelScreenTest {

    private final int port;
    private final TestData data;
    private final StandIns standIns;
    private final Sites sites;

    PanelScreenTest(@LocalServerPort int port, TestData data, StandIns standIns, Sites sites) {
        this.port = port;
        this.data = data;
        this.standIns = standIns;
        this.sites = sites;
    }

    private String site(String path) {
        return standIns.site().address() + path;
    }

    private static FrameLocator chat(Page page) {
        return page.frameLocator("iframe[title]");
    }

    private static void says(Page page, String words) {
        chat(page).locator("#text").fill(words);
        chat(page).locator("#text").press("Enter");
    }

    /** The visit that is kept becomes one of yesterday. */
    private static void nextDay(Page page) {
        page.evaluate("""
                () => Object.keys(localStorage).filter((key) => key.startsWith('shuttle-')).forEach((key) => {
                  const known = JSON.parse(localStorage.getItem(key));
                  localStorage.setItem(key, JSON.stringify({ ...known, lastAt: known.lastAt - 86400000 }));
                })""");
    }

    @ParameterizedTest
    @CsvSource({"1280,800", "390,760"})
    void whoLeavesAFormIsSpokenToAndComesBack(int width, int height) {
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger(width, height, ColorScheme.LIGHT);
            page.navigate(site("/hire"));
            assertThat(page.locator(".launcher")).isVisible();
            page.locator("#name").fill("Dana");
            page.locator("#email").fill("dana@");
            page.locator("nav a").first().focus();
            assertThat(page.locator(".greeting .says")).containsText("Shall we talk it through");
            page.locator(".greeting .says").click();
            assertThat(chat(page).locator(".bubble.bot").last()).containsText("What is the occasion?");
            assertThat(chat(page).locator("#text")).isFocused();
            says(page, "a wedding");
            assertThat(chat(page).locator(".bubble.bot").last()).containsText("How many");

            page.navigate(site("/visit"));
            boolean phone = width < 480;
            if (phone) {
                page.locator(".launcher").click();
            }
            assertThat(chat(page).locator(".bubble.visitor").last()).containsText("a wedding");
            chat(page).locator("#close").click();
            assertThat(page.locator(".box")).isHidden();
            assertThat(page.locator(".launcher")).isFocused();

            nextDay(page);
            page.navigate(site("/hire"));
            assertThat(page.locator(".launcher")).isVisible();
            page.keyboard().press("Tab");
            page.locator(".launcher").focus();
            page.keyboard().press("Enter");
            assertThat(chat(page).locator(".bubble.visitor").last()).containsText("a wedding");
            assertThat(chat(page).locator("#text")).isFocused();
            page.keyboard().type("60");
            page.keyboard().press("Enter");
            assertThat(chat(page).locator(".bubble.bot").last()).containsText("Which evening");
            page.keyboard().press("Escape");
            assertThat(page.locator(".box")).isHidden();
            assertThat(page.locator(".launcher")).isFocused();
            assertThat(screens.complaints()).isEmpty();
        }
    }

    /** Presses Tab until something of the panel's has the focus. */
    private static void tabTo(Page page, String selector) {
        String focused =
                "(selector) => document.body.lastElementChild.shadowRoot?.activeElement?.matches(selector) ?? false";
        for (int i = 0; i < 30 && !(Boolean) page.evaluate(focused, selector); i++) {
            page.keyboard().press("Tab");
        }
        assertThat(page.locator(selector)).isFocused();
    }

    @Test
    void everythingIsReachedByKeysAlone() {
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger();
            page.navigate(site("/hire"));
            assertThat(page.locator(".launcher")).isVisible();
            page.locator("#name").focus();
            page.keyboard().type("Dana");
            // On to the next fields and out of the form, as somebody does who has second thoughts.
            tabTo(page, ".launcher");
            assertThat(page.locator(".greeting .says")).isVisible();
            page.keyboard().press("Shift+Tab");
            assertThat(page.locator(".greeting .away")).isFocused();
            page.keyboard().press("Shift+Tab");
            page.keyboard().press("Enter");
            assertThat(chat(page).locator(".bubble.bot").last()).containsText("What is the occasion?");
            assertThat(chat(page).locator("#text")).isFocused();
            page.keyboard().type("a wedding");
            page.keyboard().press("Enter");
            assertThat(chat(page).locator(".bubble.bot").last()).containsText("How many");
            for (String next : List.of("#log", "#close", "#copy", "#again")) {
                page.keyboard().press("Shift+Tab");
                assertThat(chat(page).locator(next)).isFocused();
            }
            page.keyboard().press("Escape");
            assertThat(page.locator(".box")).isHidden();
            assertThat(page.locator(".launcher")).isFocused();
            page.keyboard().press("Space");
            assertThat(chat(page).locator("#text")).isFocused();
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @ParameterizedTest
    @EnumSource(names = {"LIGHT", "DARK"})
    void thePanelIsAccessible(ColorScheme scheme) {
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger(1280, 800, scheme);
            page.navigate(site("/hire"));
            assertThat(page.locator(".launcher")).isVisible();
            page.locator("#name").fill("Dana");
            page.locator("nav a").first().focus();
            assertThat(page.locator(".greeting .says")).isVisible();
            accessible(page);
            page.locator(".greeting .says").click();
            assertThat(chat(page).locator(".bubble.bot").last()).containsText("What is the occasion?");
            accessible(page);
        }
    }

    private static void accessible(Page page) {
        boolean dark = (Boolean) page.evaluate("matchMedia('(prefers-color-scheme: dark)').matches");
        AxeBuilder axe = new AxeBuilder(page);
        List<Rule> violations = (dark
                        ? axe.withRules(List.of("color-contrast"))
                        : axe.withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa")))
                .analyze()
                .getViolations();
        assertThat(violations)
                .extracting(
                        rule -> rule.getId() + " " + rule.getNodes().getFirst().getHtml())
                .isEmpty();
    }

    @Test
    void aDismissedGreetingStaysAwayAndThePageMayCall() {
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger();
            page.navigate(site("/hire"));
            assertThat(page.locator(".launcher")).isVisible();
            page.locator("#name").fill("Dana");
            page.locator("nav a").first().focus();
            page.locator(".greeting .away").click();
            assertThat(page.locator(".greeting")).hasCount(0);
            nextDay(page);
            page.navigate(site("/hire"));
            assertThat(page.locator(".launcher")).isVisible();
            assertThat(page.evaluate("Object.keys(window).filter((name) => name === 'Shuttle').length"))
                    .isEqualTo(1);
            page.evaluate("""
                    () => { window.heard = []; for (const what of ['opened', 'closed'])
                      document.addEventListener('shuttle:' + what, () => window.heard.push(what)); Shuttle.open(); }""");
            assertThat(chat(page).locator(".bubble.bot").last()).isVisible();
            page.evaluate("Shuttle.close()");
            assertThat(page.locator(".box")).isHidden();
            assertThat(page.evaluate("window.heard.join()")).isEqualTo("opened,closed");
            // A second tag on the page does nothing.
            page.evaluate("""
                    () => new Promise((done) => { const tag = document.createElement('script');
                      tag.src = document.querySelector('script[data-site]').src; tag.onload = done; document.body.append(tag); })""");
            assertThat(page.locator(".launcher")).hasCount(1);
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aDesignerPutsABotOnAWebsiteAndWritesACue() {
        try (Screens screens = new Screens(port)) {
            Bot bot = data.released(FlowJson.readTrusted("""
                    {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
                    {"kind":"message","id":"n1","say":["Good day to you."]}]}]}"""));
            Page team = screens.signedIn("maren.holt");
            team.navigate("/bots/" + bot.id() + "/share");
            team.locator("summary:has-text('Another website')").click();
            String name = data.name("Mill");
            team.locator("#name").fill(name);
            team.locator("#addresses").fill("not an address");
            team.locator("button:has-text('Add it')").click();
            assertThat(team.locator(".field-error")).containsText("is no address like");
            assertThat(team.locator("#name")).hasValue(name);
            team.locator("#addresses").fill("https://mill.example/");
            team.locator("button:has-text('Add it')").click();
            assertThat(team.locator(".site:has-text('" + name + "') .code-line code")
                            .first())
                    .containsText("/panel.js");
            assertThat(team.locator("img.qr")).isVisible();
            Locator kept = team.locator(".site:has-text('" + name + "')");
            kept.locator("summary:has-text('Change')").click();
            kept.locator("textarea").fill("also no address");
            kept.locator("button:text-is('Keep')").click();
            assertThat(team.locator(".field-error")).hasCount(1);
            assertThat(kept.locator(".field-error")).containsText("“also no address” is no address");
            assertThat(kept.locator("textarea")).hasValue("also no address");
            assertThat(team.locator("#addresses")).hasValue("");

            team.navigate("/bots/" + bot.id() + "/cues");
            team.locator("a:has-text('Write the first cue')").click();
            team.locator("#name").fill("Long here");
            team.locator("#amount").fill("20");
            team.locator("button:has-text('Keep the cue')").click();
            assertThat(team.locator(".field-error")).containsText("Please say what it says");
            assertThat(team.locator("#name")).hasValue("Long here");
            team.locator("#greeting").fill("May I help?");
            team.locator("[name=value]").first().fill("/schools");
            team.locator("button:has-text('Keep the cue')").click();
            assertThat(team.locator(".cue")).containsText("where the page is /schools");
            assertThat(team.locator(".tries #amount")).hasValue("20");
            team.locator("select[name=site]").selectOption(name);
            team.locator("#page").fill("https://mill.example/schools");
            team.locator("button:has-text('See which acts')").click();
            assertThat(team.locator(".tried .acts")).containsText("Long here");
            team.locator("#page").fill("https://mill.example/other");
            team.locator("button:has-text('See which acts')").click();
            assertThat(team.locator(".tried")).containsText("It acts on other pages.");
            assertThat(sites.presence(bot.id()).cues()).hasSize(1);

            team.navigate("/bots/" + bot.id() + "/share");
            team.locator("button:has-text('Switch it off')").click();
            assertThat(team.locator("[role=status]")).containsText("It shows on no website now.");
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
