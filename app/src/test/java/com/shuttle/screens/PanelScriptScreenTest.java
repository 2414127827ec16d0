package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.WaitUntilState;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotForm;
import com.shuttle.bots.Manner;
import com.shuttle.bots.MediaService;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.demo.StandIns;
import com.shuttle.panel.Site;
import com.shuttle.panel.Sites;
import java.io.IOException;
import java.nio.file.Files;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.core.io.ClassPathResource;

/** What a website's page and the panel tell one another, and what of the panel is in the visitor's language and size. */
@ServerTest
class PanelScriptScreenTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"message","id":"m","say":["Plan {{plan}}."],"exits":{"next":"step:q"}},
            {"kind":"question","id":"q","ask":["Your name?"],"type":"text","variable":"name","exits":{"answered":"step:g"}},
            {"kind":"milestone","id":"g","milestone":"Introduced","exits":{"next":"step:n"}},
            {"kind":"message","id":"n","say":["Thank you, plan {{plan}}."],"exits":{"next":"step:w"}},
            {"kind":"question","id":"w","ask":["Anything else?"],"type":"text","variable":"more","exits":{"answered":"step:n"}}]}]}""";

    private final int port;
    private final TestData data;
    private final StandIns standIns;
    private final Sites sites;
    private final MediaService media;
    private Site site;
    private List<String> before;

    PanelScriptScreenTest(
            @LocalServerPort int port, TestData data, StandIns standIns, Sites sites, MediaService media) {
        this.media = media;
        this.port = port;
        this.data = data;
        this.standIns = standIns;
        this.sites = sites;
    }

    /** The observatory's website with another bot in front. */
    @BeforeEach
    void inFront() {
        site = sites.sites().stream()
                .filter(one -> one.addresses().contains(standIns.site().address()))
                .findFirst()
                .orElseThrow();
        before = site.bots();
        before.forEach(bot -> sites.show(site.id(), bot, false));
    }

    @AfterEach
    void asBefore() {
        sites.site(site.id()).orElseThrow().bots().forEach(bot -> sites.show(site.id(), bot, false));
        before.forEach(bot -> sites.show(site.id(), bot, true));
    }

    private Bot shown(String language) {
        Bot bot = data.bot();
        data.bots.putFlow(bot.id(), FlowJson.readTrusted(FLOW), "", null);
        TestData.good(data.variables.declare(bot.id(), new Variable("plan", ValueType.TEXT, Variable.Origin.PAGE, "")));
        Manner old = bot.manner();
        Manner manner = new Manner("", "", old.hours(), language, 0, old.responses());
        TestData.good(
                data.bots.change(bot.id(), new BotForm(bot.name(), bot.slug(), "", "GB", "Europe/London", manner)));
        TestData.good(data.releases.release(bot.id(), "", null));
        sites.show(site.id(), bot.id(), true);
        return bot;
    }

    private Page visit(Screens screens, int width, int height) {
        Page page = screens.stranger(width, height, ColorScheme.LIGHT);
        page.navigate(standIns.site().address() + "/");
        assertThat(page.locator(".launcher")).isVisible();
        return page;
    }

    private static FrameLocator chat(Page page) {
        return page.frameLocator("iframe[title]");
    }

    private static Locator last(Page page) {
        return chat(page).locator(".bubble.bot").last();
    }

    private static void says(Page page, String words) {
        chat(page).locator("#text").fill(words);
        chat(page).locator("#text").press("Enter");
    }

    @Test
    void thePageTellsVariablesAndHearsWhatWasReached() {
        shown("en-GB");
        try (Screens screens = new Screens(port)) {
            Page page = visit(screens, 1280, 800);
            page.evaluate("""
                    () => { window.heard = []; for (const what of ['message', 'milestone', 'refused'])
                      document.addEventListener('shuttle:' + what, ({ detail }) => window.heard.push([what, detail.name ?? '']));
                      Shuttle.set({ plan: 'silver' }); Shuttle.open(); }""");
            assertThat(chat(page).locator(".bubble.bot").first()).containsText("Plan silver.");
            page.evaluate("Shuttle.set({ plan: 'gold' })");
            assertThat(last(page)).containsText("Your name?");
            says(page, "Dana");
            assertThat(last(page)).containsText("Anything else?");
            assertThat(chat(page).locator(".bubble.bot:has-text('Thank you, plan gold.')"))
                    .hasCount(1);
            page.waitForFunction(
                    "() => window.heard.some(([what, name]) => what === 'milestone' && name === 'Introduced')");
            assertThat(page.evaluate("Shuttle.visitor('not.a.token')")).isEqualTo(false);
            page.waitForFunction("() => window.heard.some(([what]) => what === 'refused')");
        }
    }

    @Test
    void whatIsTypedIsNeverLostAndACopyIsKept() throws IOException {
        Bot bot = shown("en-GB");
        try (Screens screens = new Screens(port)) {
            Page page = visit(screens, 1280, 800);
            page.locator(".launcher").click();
            assertThat(last(page)).containsText("Your name?");
            chat(page).locator("#text").pressSequentially("I am Dan");
            page.navigate(standIns.site().address() + "/visit");
            assertThat(chat(page).locator("#text")).hasValue("I am Dan");
            chat(page).locator("#text").press("Enter");
            assertThat(last(page)).containsText("Anything else?");
            page.reload();
            assertThat(last(page)).containsText("Anything else?");
            assertThat(chat(page).locator("#text")).hasValue("");
            Download copy =
                    page.waitForDownload(() -> chat(page).locator("#copy").click());
            assertThat(Files.readString(copy.path()))
                    .contains(bot.name() + ": Your name?")
                    .contains("You: I am Dan");
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"de-DE|ltr|Senden|Schließen", "ar|rtl|Send|Close"})
    void thePanelSpeaksTheBotsLanguage(String language, String direction, String send, String close) {
        shown(language);
        try (Screens screens = new Screens(port)) {
            Page page = visit(screens, 1280, 800);
            page.locator(".launcher").click();
            assertThat(last(page)).containsText("Your name?");
            assertThat(chat(page).locator("html")).hasAttribute("dir", direction);
            assertThat(chat(page).locator("#form button")).hasText(send);
            assertThat(chat(page).locator("#close")).hasText(close);
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void theLauncherBearsTheBotsPicture() throws IOException {
        Bot bot = shown("en-GB");
        byte[] bytes = new ClassPathResource("demo/media/dome.png").getContentAsByteArray();
        String picture = TestData.good(media.keep(bot.id(), "dome.png", bytes));
        Manner old = bot.manner();
        Manner pictured = new Manner(picture, "", old.hours(), "en-GB", 0, old.responses());
        TestData.good(
                data.bots.change(bot.id(), new BotForm(bot.name(), bot.slug(), "", "GB", "Europe/London", pictured)));
        try (Screens screens = new Screens(port)) {
            Page page = visit(screens, 1280, 800);
            assertThat(page.locator(".launcher .mark")).isVisible();
            page.waitForFunction(
                    "() => document.body.lastElementChild.shadowRoot.querySelector('.mark').naturalWidth > 0");
            assertThat(page.locator(".launcher")).containsText("Ask us");
        }
    }

    @Test
    void aPageThatNeverFinishesLoadingHasThePanel() {
        shown("en-GB");
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger();
            page.route("**/never.png", route -> {});
            page.addInitScript("document.addEventListener('DOMContentLoaded', () => {"
                    + " document.body.append(Object.assign(new Image(), { src: '/never.png' })); });");
            page.navigate(
                    standIns.site().address() + "/", new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
            page.locator(".launcher").click();
            assertThat(last(page)).containsText("Your name?");
            assertThat(page.evaluate("document.readyState")).isEqualTo("interactive");
        }
    }

    @Test
    void aPageHasOnePanelHoweverOftenItAsksAndAFrameWithinItNone() {
        shown("en-GB");
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger();
            page.navigate(standIns.site().address() + "/nothing-here");
            String tag = "<script src='http://localhost:%d/panel.js' data-site='%s' async></script>"
                    .formatted(port, site.id());
            page.setContent("<!doctype html><h1>Own</h1><iframe src='/' name='within'></iframe>" + tag + tag);
            assertThat(page.frameLocator("[name=within]").locator("h1")).isVisible();
            assertThat(page.locator(".launcher")).isVisible();
            page.frame("within").waitForLoadState();
            assertThat(page.frame("within").evaluate("typeof window.Shuttle")).isEqualTo("undefined");
            assertThat(page.locator(".launcher")).hasCount(1);
        }
    }

    @Test
    void whereBrowsersKeepNothingTheConversationLastsAsLongAsThePage() {
        shown("en-GB");
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger();
            page.addInitScript("Object.defineProperty(window, 'localStorage', {"
                    + " get() { throw new DOMException('refused', 'SecurityError'); } });");
            page.navigate(standIns.site().address() + "/");
            page.locator(".launcher").click();
            assertThat(last(page)).containsText("Your name?");
            says(page, "Dana");
            assertThat(last(page)).containsText("Anything else?");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aFilmOfTheBotsOwnPlaysInTheChat() throws IOException {
        Bot bot = data.bot();
        String film =
                TestData.good(media.keep(bot.id(), "dome.mp4", HexFormat.of().parseHex("00000018667479706d703432")));
        data.bots.putFlow(
                bot.id(),
                TestData.flow(
                        "main",
                        "{'kind':'message','id':'m','say':['The dome at night.'],'media':{'type':'video','address':'"
                                + film + "','alt':'The roof opens'},'exits':{'next':'end'}}"),
                "test",
                null);
        TestData.good(data.releases.release(bot.id(), "", null));
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger();
            page.navigate("/chat/" + bot.slug());
            assertThat(page.locator("video")).hasAttribute("src", film);
            assertThat(page.locator("video")).hasAttribute("controls", "");
        }
    }

    @Test
    void aPlaceInThePageIsFilledAndTheConversationGoesOnInThePanelElsewhere() {
        shown("en-GB");
        try (Screens screens = new Screens(port)) {
            Page page = screens.stranger();
            page.navigate(standIns.site().address() + "/ask");
            assertThat(last(page)).containsText("Your name?");
            assertThat(page.locator("[data-shuttle] iframe")).isVisible();
            assertThat(page.locator(".launcher")).hasCount(0);
            assertThat(chat(page).locator("#close")).isHidden();
            says(page, "Dana");
            assertThat(last(page)).containsText("Anything else?");
            page.keyboard().press("Escape");
            assertThat(chat(page).locator("#text")).isVisible();

            page.navigate(standIns.site().address() + "/visit");
            page.locator(".launcher").click();
            assertThat(last(page)).containsText("Anything else?");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    /** A window of 1280 by 1024 at 400 % is 320 by 256 wide to the page. */
    @Test
    void atFourHundredPerCentEverythingIsReached() {
        shown("en-GB");
        try (Screens screens = new Screens(port)) {
            Page page = visit(screens, 320, 256);
            page.locator(".launcher").click();
            assertThat(last(page)).containsText("Your name?");
            says(page, "Dana");
            assertThat(last(page)).containsText("Anything else?");
            assertThat(chat(page).locator("#text")).isInViewport();
            assertThat(page.frames().getLast().evaluate("document.documentElement.scrollWidth <= innerWidth"))
                    .isEqualTo(true);
            chat(page).locator("#close").click();
            assertThat(page.locator(".launcher")).isFocused();
        }
    }

    @Test
    void aDesignerSeesItOnAPageAndShowsTheDraftToSomebody() {
        Bot bot = shown("en-GB");
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            team.navigate("/bots/" + bot.id() + "/share/preview");
            assertThat(team.frameLocator(".site").locator("h1")).hasText("Tarnfell Observatory");
            team.locator(".launch").click();
            assertThat(team.frameLocator(".talks").locator(".bubble").last()).containsText("Your name?");
            team.locator("input[value=phone]").check();
            assertThat(team.locator("#stage")).hasClass("stage phone");

            team.navigate("/bots/" + bot.id() + "/releases");
            team.locator("button:has-text('Make a link')").click();
            String link = team.locator(".draft-link a").getAttribute("href");
            Page colleague = screens.stranger();
            colleague.navigate(link);
            assertThat(colleague.locator(".bubble").last()).containsText("Your name?");
            colleague.locator("#text").fill("Dana");
            colleague.locator("#text").press("Enter");
            assertThat(colleague.locator(".bubble").last()).containsText("Anything else?");
            assertThat(colleague.locator(".why")).hasCount(0);

            team.navigate("/bots?q=" + bot.name().replace(" ", "+"));
            team.locator(".on-sites button").click();
            assertThat(team.locator("tr:has-text('" + bot.name() + "') .on-sites"))
                    .containsText("off on websites");
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
