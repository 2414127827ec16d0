package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static com.shuttle.screens.Screens.say;
import static java.nio.charset.StandardCharsets.UTF_8;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.ReducedMotion;
import com.shuttle.ServerTest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The screens one by one, as people and their odd habits meet them. */
@ServerTest
class ScreensTest {

    private final int port;
    private Screens screens;

    ScreensTest(@LocalServerPort int port) {
        this.port = port;
    }

    @BeforeEach
    void open() {
        screens = new Screens(port);
    }

    @AfterEach
    void close() {
        screens.close();
    }

    @Test
    void everyMainViewIsAccessible() {
        Page page = screens.signedIn("tobin.ashgrove");
        for (String path : List.of(
                "/bots",
                "/knowledge",
                "/leads",
                "/inbox",
                "/appointments",
                "/appointments?view=day",
                "/appointments/new",
                "/settings",
                "/api/docs",
                "/chat/vesper",
                "/chat/dome-hire",
                "/chat/step-gallery")) {
            page.navigate(path);
            check(page, path);
        }
        page.navigate("/bots?q=vesper");
        page.locator("a.row-link", new Page.LocatorOptions().setHasText("Vesper"))
                .click();
        page.locator(".row .say").nth(1).click();
        check(page, "script");
        page.locator("#tab-history").click();
        assertThat(page.locator(".history")).isVisible();
        check(page, "history");
        page.locator("#keys-button").click();
        check(page, "keys");
        page.keyboard().press("Escape");
        page.locator("#find-button").click();
        page.keyboard().type("dome");
        assertThat(page.locator("#find li").first()).isVisible();
        check(page, "find");
        String flow = page.url();
        page.navigate(flow + "/map");
        assertThat(page.locator(".map .node").first()).isVisible();
        check(page, "map");
        page.navigate(flow + "/reading");
        check(page, "reading");
        String bot = page.url().replaceAll("/flows/.*", "");
        for (String tab : List.of(
                "/profile",
                "/variables",
                "/manners",
                "/knowledge",
                "/cues",
                "/cues/new",
                "/share",
                "/releases",
                "/releases/0")) {
            page.navigate(bot + tab);
            check(page, tab);
        }
        page.navigate("/knowledge");
        page.locator("a.row-link", new Page.LocatorOptions().setHasText("The observatory"))
                .first()
                .click();
        check(page, "entries");
        String collection = page.url();
        for (String tab : List.of("/articles", "/articles/new", "/tables", "/synonyms", "/health", "/import")) {
            page.navigate(collection + tab);
            check(page, tab);
        }
        page.navigate("/knowledge/try?in=" + collection.replaceAll(".*/", "") + "&question=parking");
        assertThat(page.locator(".try-result .matches")).containsText("Is there parking?");
        check(page, "tried without a script");
        page.navigate(collection + "/import");
        page.locator("#file")
                .setInputFiles(new FilePayload(
                        "x.csv", "text/csv", "question,answer\nIs it so?,Yes\nNo answer?,\n".getBytes(UTF_8)));
        page.locator("form[action$='/file'] button").click();
        check(page, "what was found");
        page.navigate(collection);
        page.locator("a.row-link").first().click();
        check(page, "entry");
        page.navigate("/leads");
        page.locator("a.row-link").first().click();
        check(page, "lead");
        page.navigate("/inbox");
        page.locator(".inbox-list a").first().click();
        check(page, "conversation");
        Page stranger = screens.stranger(390, 760, ColorScheme.LIGHT);
        stranger.navigate("/sign-in");
        check(stranger, "sign-in");
    }

    /** By all rules in the light scheme, and by its colours in the dark one: schemes differ in nothing else. */
    private static void check(Page page, String what) {
        assertThat(page.locator("main")).isVisible();
        check(new AxeBuilder(page).withTags(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa")), what);
        scheme(page, ColorScheme.DARK);
        check(new AxeBuilder(page).withRules(List.of("color-contrast")), what + " in the dark");
        scheme(page, ColorScheme.LIGHT);
    }

    /** Without motion, so that no colour is looked at on its way to another. */
    private static void scheme(Page page, ColorScheme scheme) {
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme).setReducedMotion(ReducedMotion.REDUCE));
    }

    private static void check(AxeBuilder axe, String what) {
        List<Rule> violations = axe.setLegacyMode(true).analyze().getViolations();
        Assertions.assertThat(violations)
                .as(what)
                .extracting(rule -> rule.getId() + " "
                        + rule.getNodes().stream()
                                .limit(3)
                                .map(node -> node.getHtml())
                                .toList())
                .isEmpty();
    }

    @Test
    void nothingRunsOverTheEdgeOfANarrowScreen() {
        Page page = screens.signedIn("maren.holt");
        page.setViewportSize(390, 760);
        for (String path : List.of(
                "/bots",
                "/leads",
                "/inbox",
                "/appointments",
                "/appointments?view=day",
                "/appointments/new",
                "/settings",
                "/knowledge",
                "/api/docs",
                "/chat/vesper",
                "/chat/dome-hire",
                "/chat/step-gallery")) {
            page.navigate(path);
            assertThat(page.locator("main")).isVisible();
            Object over = page.evaluate("document.querySelector('main').getBoundingClientRect().right - innerWidth");
            Assertions.assertThat(((Number) over).doubleValue()).as(path).isLessThanOrEqualTo(1);
        }
        Assertions.assertThat(screens.complaints()).isEmpty();
    }

    @Test
    void twoTabsOfOneVisitorShareTheConversation() {
        Page one = screens.stranger();
        one.navigate("/chat/vesper");
        assertThat(one.locator(".offers button").first()).isVisible();
        Page two = one.context().newPage();
        two.navigate("/chat/vesper");
        assertThat(two.locator(".offers button").first()).isVisible();
        say(one, "is there parking?");
        assertThat(two.locator("#transcript")).containsText("parking is free");
        say(two, "plan a visit");
        assertThat(one.locator("#transcript")).containsText("What would you like to see?");
        Assertions.assertThat(one.locator(".bubble").count())
                .isEqualTo(two.locator(".bubble").count());
    }

    @Test
    void hostileWordsAreShownAsWordsToVisitorAndAgent() {
        String hostile = "<img src=x onerror=\"document.title='owned'\"> [x](javascript:alert(1))";
        Page visitor = screens.stranger();
        visitor.navigate("/chat/vesper");
        assertThat(visitor.locator(".offers button").first()).isVisible();
        say(visitor, hostile);
        assertThat(visitor.locator(".bubble.visitor")).containsText("<img src=x onerror=");
        say(visitor, "a person please");
        Page agent = screens.signedIn("idris.vane");
        agent.navigate("/inbox");
        agent.locator(".inbox-list a[href*='/inbox/']:has(.waits)").last().click();
        assertThat(agent.locator(".inbox-log")).containsText("<img src=x onerror=");
        assertThat(agent.locator(".inbox-log img")).hasCount(0);
        Assertions.assertThat(agent.title()).doesNotContain("owned");
        Assertions.assertThat(visitor.title()).isEqualTo("Vesper");
        Assertions.assertThat(screens.complaints()).isEmpty();
    }

    @Test
    void whatCannotBeSentIsKeptInTheBox() {
        Page visitor = screens.stranger();
        visitor.navigate("/chat/vesper");
        assertThat(visitor.locator(".offers button").first()).isVisible();
        visitor.locator("#text").fill("y".repeat(5000));
        visitor.keyboard().press("Enter");
        assertThat(visitor.locator("#problem")).containsText("4000 characters");
        assertThat(visitor.locator("#text")).hasValue("y".repeat(5000));
        visitor.context().setOffline(true);
        visitor.locator("#text").fill("hello from the tunnel");
        visitor.keyboard().press("Enter");
        assertThat(visitor.locator("#problem")).containsText("no connection");
        assertThat(visitor.locator("#text")).hasValue("hello from the tunnel");
        visitor.context().setOffline(false);
        visitor.keyboard().press("Enter");
        assertThat(visitor.locator(".bubble.visitor")).containsText("hello from the tunnel");
    }

    private Page blankBot(String name) {
        Page page = screens.signedIn("maren.holt");
        page.navigate("/bots");
        page.locator("#name").fill(name);
        page.keyboard().press("Enter");
        page.locator("[data-add-first]").click();
        assertThat(page.locator(".row .say")).isFocused();
        return page;
    }

    @Test
    void editsByMouseAreUndoneAndRedoneAcrossReloads() {
        Page page = blankBot("Undo");
        page.keyboard().type("First");
        page.locator("[data-add]").click();
        assertThat(page.locator(".row")).hasCount(2);
        page.keyboard().type("Second");
        page.locator(".row.open [data-move='-1']").click();
        assertThat(page.locator(".row .say").first()).hasValue("Second");
        page.reload();
        page.locator("#undo").click();
        assertThat(page.locator(".row .say").first()).hasValue("First");
        page.locator("#redo").click();
        assertThat(page.locator(".row .say").first()).hasValue("Second");
        page.locator(".row .say").first().click();
        page.locator(".row.open [data-delete]").click();
        assertThat(page.locator(".row")).hasCount(1);
        page.keyboard().press("Control+z");
        assertThat(page.locator(".row")).hasCount(2);
    }

    @Test
    void sectionsWordingsAndTitlesAreEditedInPlace() {
        Page page = blankBot("Sections");
        page.keyboard().type("Hello");
        page.locator("[data-add-wording]").click();
        assertThat(page.locator(".say").nth(1)).isFocused();
        page.keyboard().type("Hi there");
        page.locator(".row.open .more-settings summary").click();
        page.locator(".row.open [data-field=title]").fill("Greeting");
        page.locator(".part-title").fill("Welcome");
        assertThat(page.locator("#saved")).hasText("All changes saved");
        page.reload();
        assertThat(page.locator(".say").nth(1)).hasValue("Hi there");
        assertThat(page.locator(".part-title")).hasValue("Welcome");
        assertThat(page.locator(".titled")).hasText("Greeting");
        page.locator(".say").first().click();
        page.locator("[data-delete-wording='0']").click();
        assertThat(page.locator(".say")).hasCount(1);
    }

    @Test
    void aRefusedValueIsToldAtThePlace() {
        Page page = blankBot("Refused");
        page.keyboard().press("/");
        page.keyboard().type("question");
        page.keyboard().press("Enter");
        page.locator("[data-field=variable]").fill("1st name!");
        assertThat(page.locator(".field-problem")).containsText("begins with a letter");
        page.locator("[data-field=variable]").fill("first name");
        assertThat(page.locator(".field-problem")).isHidden();
    }

    @Test
    void aFlowIsSavedAsAFileAndAFaultyOneIsRefusedWithItsFaults() {
        Page page = blankBot("Files");
        page.keyboard().type("From a file");
        assertThat(page.locator("#saved")).hasText("All changes saved");
        page.locator(".flow-menu summary").click();
        byte[] file = page.request().get(page.url() + "/file").body();
        Assertions.assertThat(new String(file, StandardCharsets.UTF_8)).contains("shuttle-flow/1", "From a file");
        load(page, new String(file, StandardCharsets.UTF_8).replace("From a file", "Loaded"));
        assertThat(page.locator(".row .say")).hasValue("Loaded");
        load(
                page,
                "{\"format\":\"shuttle-flow/1\",\"id\":\"main\",\"name\":\"M\",\"sections\":[{\"id\":\"s1\",\"steps\":"
                        + "[{\"kind\":\"message\",\"id\":\"a\",\"say\":[\"x\"],\"exits\":{\"next\":\"step:gone\"}}]}]}");
        assertThat(page.locator("[role=alert]")).containsText("/sections/0/steps/0/exits/next");
        assertThat(page.locator(".row .say")).hasValue("Loaded");
    }

    private static void load(Page page, String text) {
        if (page.locator(".flow-menu:not([open])").count() > 0) {
            page.locator(".flow-menu summary").click();
        }
        page.locator("#flow-file")
                .setInputFiles(new FilePayload("flow.json", "application/json", text.getBytes(StandardCharsets.UTF_8)));
        page.locator(".load input[value=here]").check();
        page.locator(".load button").click();
    }

    @Test
    void aDeletedEntryCanBePutBack() {
        Page page = screens.signedIn("maren.holt");
        page.navigate("/knowledge");
        page.locator("#name").fill("Short lived");
        page.keyboard().press("Enter");
        page.locator("a.main").first().click();
        page.locator("#phrasings").fill("Anything?");
        page.locator("#answers").fill("Something.");
        page.locator("button.main").click();
        page.locator("a.row-link").click();
        page.locator("button:has-text('Delete the entry')").click();
        assertThat(page.locator(".empty")).containsText("No entries yet");
        page.locator("button:has-text('Put it back')").click();
        assertThat(page.locator("a.row-link")).hasText("Anything?");
    }

    @Test
    void wrongPasswordsAndForeignPagesAreToldClearly() {
        Page page = screens.stranger();
        page.navigate("/sign-in");
        page.locator("#username").fill("maren.holt@tarnfell.example");
        page.locator("#password").fill("wrong");
        page.keyboard().press("Enter");
        assertThat(page.locator("[role=alert]")).containsText("do not belong together");
        page.navigate("/chat/no-such-bot");
        assertThat(page.locator("h1")).hasText("Not found");
        Page agent = screens.signedIn("idris.vane");
        agent.navigate("/bots");
        assertThat(agent.locator("h1")).hasText("Not for you");
    }

    @Test
    void peopleTeamsAndTokensAreLookedAfter() {
        Page page = screens.signedIn("tobin.ashgrove");
        page.navigate("/settings");
        page.locator("#person-name").fill("Wren Aldous");
        page.locator("#person-email").fill("idris.vane@tarnfell.example");
        page.locator("#person-password").fill("long-enough-now");
        page.locator("#people > form button.main").click();
        assertThat(page.locator("[role=alert]")).containsText("has an account already");
        assertThat(page.locator("#person-name")).hasValue("Wren Aldous");
        page.locator("#person-email").fill("wren.aldous@tarnfell.example");
        page.locator("#person-password").fill("long-enough-now");
        page.locator("#people > form button.main").click();
        assertThat(page.locator("#people")).containsText("wren.aldous@tarnfell.example");
        page.locator("#team-name").fill("Workshop");
        page.locator("#teams > form button.main").click();
        assertThat(page.locator("#teams")).containsText("Workshop");
        page.locator("#token-name").fill("import");
        page.locator("#tokens button.main").click();
        assertThat(page.locator("#tokens .notice code")).isVisible();
        page.reload();
        assertThat(page.locator("#tokens .notice code")).hasCount(0);
    }
}
