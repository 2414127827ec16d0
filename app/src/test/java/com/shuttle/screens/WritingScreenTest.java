package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.SelectOption;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.LookUp;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.ValueType;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Writing a flow in the browser: by keyboard, by mouse, by two people. */
@ServerTest
class WritingScreenTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":[],"sections":[
              {"id":"s1","title":"Hello","steps":[
                {"kind":"message","id":"n1","say":["Welcome to the hill."],"exits":{"next":"step:n2"}},
                {"kind":"choice","id":"n2","ask":["A show or a night?"],"options":[{"id":"o1","label":"A show"},{"id":"o2","label":"A night"}],
                 "exits":{"option:o1":"step:n3","option:o2":"step:n4"}}]},
              {"id":"s2","title":"Going on","steps":[
                {"kind":"message","id":"n3","say":["Shows run by day."],"exits":{"next":"step:n5"}},
                {"kind":"message","id":"n4","say":["The hill opens at night."],"exits":{"next":"step:n5"}},
                {"kind":"end","id":"n5","say":["Until then!"]}]}]}""";

    private final int port;
    private final TestData data;

    WritingScreenTest(@LocalServerPort int port, TestData data) {
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

    private Step step(Bot bot, String id) {
        return flow(bot).findStep(id).orElseThrow();
    }

    private static String path(Bot bot) {
        return "/bots/" + bot.id() + "/flows/main";
    }

    private static void saved(Page page) {
        assertThat(page.locator("#saved")).hasText("All changes saved");
    }

    private static void write(Hand hand) {
        hand.first();
        hand.type("Welcome to the hill.");
        hand.below("n1", "n2");
        hand.become("choice", "Choice");
        hand.type("What brings you here?");
        hand.options("A visit", "Hiring the dome", "A question");
        hand.branch("n2", "o1", "n3");
        hand.become("choice", "Choice");
        hand.type("By day or by night?");
        hand.options("By day", "By night");
        hand.branch("n3", "o1", "n4");
        hand.type("By day there are shows.");
        hand.below("n4", "n5");
        hand.type("Bring a coat all the same.");
        hand.branch("n3", "o2", "n6");
        hand.type("At night we open the roof.");
        hand.lead("n6", "next", "Bring a coat");
        hand.below("n5", "n7");
        hand.become("question", "Question");
        hand.type("How many are you?");
        hand.below("n7", "n8");
        hand.type("Noted, with a smile.");
        hand.lead("n8", "next", "What brings you here?");
        hand.branch("n2", "o2", "n9");
        hand.become("question", "Question");
        hand.type("For how many guests?");
        hand.below("n9", "n10");
        hand.become("question", "Question");
        hand.type("And on which evening?");
        hand.below("n10", "n11");
        hand.type("We'll write to you.");
        hand.branch("n2", "o3", "n12");
        hand.become("answer", "Answer");
        hand.type("What would you like to know?");
        hand.below("n12", "n13");
        hand.become("hand_off", "Hand off");
        hand.type("I'll fetch somebody.");
        hand.lead("n12", "not_found", "fetch somebody");
        hand.below("n11", "n14");
        hand.become("end", "End");
        hand.type("Goodbye for now.");
        hand.below("n13", "n15");
        hand.type("Nobody is there.");
        hand.lead("n15", "next", "Goodbye");
    }

    @Test
    void aLookUpIsWrittenWithTheColumnsOfItsTable() {
        Bot bot = data.bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate(path(bot));
            Hand hand = new Hand.Keys(page);
            hand.first();
            page.keyboard().press("/");
            assertThat(page.locator(".picker input")).isFocused();
            page.keyboard().type("Look up");
            page.keyboard().press("Enter");
            Locator row = page.locator(".row.open[data-kind=look_up]");
            row.locator("[data-field=table]").selectOption(new SelectOption().setLabel("Telescopes"));
            row.getByText("add a condition").click();
            row.locator("[data-field='where.w1.column']").selectOption(new SelectOption().setLabel("Weight"));
            row.locator("[data-field='where.w1.comparison']").selectOption(new SelectOption().setLabel("is at most"));
            row.locator("[data-field='where.w1.value']").fill("5");
            row.getByText("add a cell").click();
            row.locator("[data-field='takes.t1.column']").selectOption(new SelectOption().setLabel("Price"));
            row.locator("[data-field='takes.t1.variable']").fill("price");
            row.locator("[data-field='takes.t1.type']").selectOption("money");
            saved(page);
            row.getByText("What it finds now").click();
            assertThat(row.locator(".finds-rows li")).containsText("Finch 70");
            page.reload();
            assertThat(page.locator(".row[data-kind=look_up]")).containsText("in Telescopes");
            LookUp written = (LookUp) step(bot, "n1");
            assertThat(written.where()).containsExactly(new LookUp.Where("w1", "c4", "", Comparison.AT_MOST, "5"));
            assertThat(written.takes()).containsExactly(new LookUp.Take("t1", "c5", "", "price", ValueType.MONEY));
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void byKeyboardAndByMouseTheSameFlowIsWritten() {
        Bot one = data.bot();
        Bot two = data.bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate(path(one));
            write(new Hand.Keys(page));
            saved(page);
            page.navigate(path(two));
            write(new Hand.Mouse(page));
            saved(page);
            assertThat(screens.complaints()).isEmpty();
        }
        assertThat(flow(one).allSteps()).hasSize(15);
        assertThat(step(one, "n8").exit("next")).isEqualTo(Target.step("n2"));
        assertThat(FlowJson.write(flow(one))).isEqualTo(FlowJson.write(flow(two)));
    }

    @Test
    void rowsAreChosenMovedCopiedToAnotherBotAndDeleted() {
        Bot bot = bot();
        Bot other = data.bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.context().grantPermissions(List.of("clipboard-read", "clipboard-write"));
            page.navigate(path(bot));
            Hand.row(page, "n3").locator(".say").click();
            page.keyboard().press("Escape");
            assertThat(Hand.row(page, "n3")).isFocused();
            page.keyboard().press("Shift+ArrowDown");
            assertThat(page.locator("#chosen-bar [data-count]")).hasText("2 rows chosen");
            page.waitForResponse(
                    response -> response.url().contains("/steps?"),
                    () -> page.keyboard().press("Shift+ArrowDown"));
            assertThat(page.locator(".row.chosen")).hasCount(3);
            page.keyboard().press("Control+c");
            assertThat(page.locator("#told")).hasText("3 rows copied");

            page.navigate(path(other));
            page.locator("h1").click();
            page.keyboard().press("Control+v");
            assertThat(page.locator(".row")).hasCount(3);
            assertThat(flow(other).allSteps())
                    .extracting(Step::name)
                    .containsExactly("Shows run by day.", "The hill opens at night.", "Until then!");
            assertThat(step(other, "n1").exit("next")).isEqualTo(Target.step("n3"));

            page.keyboard().press("Escape");
            page.keyboard().press("Alt+ArrowDown");
            assertThat(page.locator(".row").nth(1)).hasAttribute("data-step", "n1");
            page.keyboard().press("Delete");
            assertThat(page.locator(".row")).hasCount(2);
            assertThat(page.locator("#told")).containsText("Deleted “Shows run by day.”");
            page.keyboard().press("Control+z");
            assertThat(page.locator(".row")).hasCount(3);
            assertThat(page.locator("#told")).containsText("Undone: deleted");

            page.evaluate("navigator.clipboard.writeText('no flow at all')");
            page.locator("h1").click();
            page.keyboard().press("Control+v");
            assertThat(page.locator("#told")).containsText("no part of a flow");
            assertThat(page.locator(".row")).hasCount(3);
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aThreadIsLedElsewhereByItsEndAndTakesAStepInBetween() {
        Bot bot = bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate(path(bot));
            Locator ring = Hand.row(page, "n2").locator("[data-dot='option:o2']");
            ring.hover();
            page.mouse().down();
            Hand.row(page, "n5").hover();
            page.mouse().up();
            assertThat(page.locator("#told")).containsText("Led “A night”");
            assertThat(step(bot, "n2").exit("option:o2")).isEqualTo(Target.step("n5"));

            Locator thread = page.locator(".thread").first();
            // What was led elsewhere is drawn anew, and a line drawn under a resting pointer is not lit.
            Hand.over(
                    page,
                    thread.locator(".reach").first(),
                    () -> page.locator(".thread-plus").isVisible()
                            && page.locator(".thread.lit").count() == 1);
            page.locator(".thread-plus").click();
            assertThat(page.locator(".row")).hasCount(6);
            assertThat(step(bot, "n1").exit("next")).isEqualTo(Target.step("n6"));
            assertThat(step(bot, "n6").exit("next")).isEqualTo(Target.step("n2"));
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void sectionsFoldAndFindingReplacesAndThePastComesBack() {
        Bot bot = bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate(path(bot));
            page.locator("[data-section=s2] [data-fold]").click();
            assertThat(Hand.row(page, "n4")).isHidden();
            page.reload();
            assertThat(Hand.row(page, "n4")).isHidden();
            page.keyboard().press("Control+k");
            page.keyboard().type("opens at night");
            page.keyboard().press("Enter");
            assertThat(Hand.row(page, "n4").locator(".say")).isFocused();

            page.keyboard().press("Control+Shift+F");
            page.keyboard().type("HILL");
            assertThat(page.locator("#find [data-found] li")).hasCount(2);
            page.locator("#find [name=with]").fill("summit");
            page.locator("#find [name=all]").click();
            assertThat(page.locator("#find [data-told]")).hasText("Replaced in 2 places of 1 flow.");
            page.keyboard().press("Escape");
            assertThat(Hand.row(page, "n1").locator(".say")).hasValue("Welcome to the summit.");

            page.locator("#tab-history").click();
            assertThat(page.locator(".history li").first()).containsText("replaced “HILL” by “summit”");
            assertThat(page.locator(".history li").first()).containsText("Maren Holt");
            page.locator(".history [data-point]").nth(0).check();
            page.locator(".history [data-point]").nth(1).check();
            page.locator(".history [data-compare]").click();
            assertThat(page.locator(".change")).hasCount(2);
            assertThat(page.locator(".change del").first()).hasText("Welcome to the hill.");
            page.goBack();
            page.locator("#tab-history").click();
            page.locator(".history li").nth(1).locator("button").click();
            assertThat(Hand.row(page, "n1").locator(".say")).hasValue("Welcome to the hill.");

            assertThat(page.locator(".thread").first()).isAttached();
            page.keyboard().press("?");
            assertThat(page.locator("#keys")).isVisible();
            page.navigate(path(bot) + "/reading");
            assertThat(page.locator(".reading .line")).hasCount(5);
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void twoPeopleSeeOneAnotherAndNeitherOverwritesTheOther() {
        Bot bot = bot();
        try (Screens screens = new Screens(port)) {
            Page maren = screens.signedIn("maren.holt");
            Page tobin = screens.signedIn("tobin.ashgrove");
            maren.navigate(path(bot));
            tobin.navigate(path(bot));
            assertThat(maren.locator("#companions")).hasText("Tobin Ashgrove is here too");
            Hand.row(tobin, "n3").locator(".say").click();
            assertThat(Hand.row(maren, "n3").locator(".companion")).hasText("Tobin Ashgrove");

            // Different rows: both stay, and so does the focus, a button of a row that changes included.
            Hand.row(maren, "n3").locator(".say").click();
            Hand.row(maren, "n3").locator("[data-note]").focus();
            tobin.keyboard().press("End");
            tobin.keyboard().type(" Every hour.");
            saved(tobin);
            assertThat(Hand.row(maren, "n3").locator(".say")).hasValue("Shows run by day. Every hour.");
            assertThat(Hand.row(maren, "n3").locator("[data-note]")).isFocused();

            // The same text, written at once: told with both, nothing lost.
            Locator mine = Hand.row(maren, "n1").locator(".say");
            maren.route("**/edits", route -> {
                data.bots.edit(
                        bot.id(),
                        "main",
                        new com.shuttle.core.edit.Edit.Set("n1", "text.0", "Tobin was quicker."),
                        null);
                route.resume();
            });
            mine.click();
            maren.keyboard().press("Control+a");
            maren.keyboard().type("Maren's own words.");
            assertThat(maren.locator(".clash q")).hasText("Tobin was quicker.");
            assertThat(mine).hasValue("Maren's own words.");
            maren.unroute("**/edits");
            maren.locator(".clash button").first().click();
            saved(maren);
            assertThat(step(bot, "n1").wordings()).containsExactly("Maren's own words.");

            Hand.row(tobin, "n4").locator(".say").click();
            Hand.row(tobin, "n4").locator("[data-note]").click();
            assertThat(tobin.locator("#note-text")).isFocused();
            tobin.keyboard().type("Is that still true?");
            tobin.locator("[data-note-form] button").click();
            assertThat(Hand.row(maren, "n4").locator(".note-mark")).hasText("1 note");
            Hand.row(maren, "n4").locator(".note-mark").click();
            maren.locator("[data-settle]").click();
            assertThat(maren.locator(".notes .settled")).containsText("settled by Maren Holt");
            assertThat(Hand.row(maren, "n4").locator(".note-mark")).hasCount(0);
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void whatIsTypedWithoutConnectionIsSentWhenItIsBack() {
        Bot bot = bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate(path(bot));
            Hand.row(page, "n1").locator(".say").click();
            page.context().setOffline(true);
            page.keyboard().press("End");
            page.keyboard().type(" Mind the step.");
            assertThat(page.locator("#saved")).containsText("no connection");
            page.context().setOffline(false);
            saved(page);
            assertThat(step(bot, "n1").wordings()).containsExactly("Welcome to the hill. Mind the step.");
        }
    }
}
