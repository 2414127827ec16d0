package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.Answer;
import com.shuttle.core.flow.Branch;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What of a step is more than its text: conditions, variables, what is chosen from several. */
@ServerTest
class SettingsOfStepsScreenTest {

    private final int port;
    private final TestData data;

    SettingsOfStepsScreenTest(@LocalServerPort int port, TestData data) {
        this.port = port;
        this.data = data;
    }

    private Step step(Bot bot, String id) {
        return data.bots.draft(bot.id(), "main").flow().findStep(id).orElseThrow();
    }

    /** Begins the flow of a bot with a step of a kind, and is left where one writes first. */
    private static Locator begun(Page page, Bot bot, String kind) {
        page.navigate("/bots/" + bot.id() + "/flows/main");
        Hand hand = new Hand.Keys(page);
        hand.first();
        page.keyboard().press("/");
        assertThat(page.locator(".picker input")).isFocused();
        page.keyboard().type(kind);
        page.keyboard().press("Enter");
        Locator row = page.locator(".row.open[data-step=n1]:not([data-kind=message])");
        assertThat(row).isVisible();
        return row;
    }

    private static void saved(Page page) {
        assertThat(page.locator("#saved")).hasText("All changes saved");
    }

    @Test
    void aRuleIsWrittenInPlainWordsAndWhatIsPressedBelowItIsPressed() {
        Bot bot = data.bot();
        TestData.good(data.variables.declare(
                bot.id(), new Variable("guests", ValueType.NUMBER, Variable.Origin.CONVERSATION, "")));
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            Locator row = begun(page, bot, "Branch");
            Locator rule = row.locator("[data-field='rules.r1.when']");
            assertThat(rule).isFocused();
            page.keyboard().type("guests more than 20");
            assertThat(row.locator(".helper")).isVisible();
            row.getByText("add a rule").click();
            assertThat(row.locator("[data-field='rules.r2.when']")).isVisible();
            saved(page);
            page.reload();
            assertThat(page.locator("[data-field='rules.r1.when']")).hasValue("guests > 20");
            assertThat(((Branch) step(bot, "n1")).rules().getFirst().when()).isEqualTo("guests > 20");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aQuestionKeepsItsAnswerUnlessOneKeyRefusesIt() {
        Bot bot = data.bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            Locator row = begun(page, bot, "Question");
            page.keyboard().type("Where shall we write to?");
            row.locator("[data-field=type]").selectOption("email");
            assertThat(row.locator(".variable-field")).hasValue("email");
            row.locator(".variable-field").press("Escape");
            assertThat(row.locator(".variable-field")).hasValue("");
            row.locator("[data-field=type]").selectOption("phone");
            assertThat(row.locator("[data-field=type]")).hasValue("phone");
            saved(page);
            assertThat(((Question) step(bot, "n1")).variable()).isEmpty();
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void anAnswerStepIsGivenItsCollectionsByTickingThem() {
        Bot bot = data.bot();
        String boats = data.collection("What boats are there?", "Two.");
        String tides = data.collection("When is high tide?", "At six.");
        data.knowledge.setCollections(bot.id(), List.of(boats, tides));
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            Locator row = begun(page, bot, "Answer");
            Locator tick = row.locator("[data-some][value='" + tides + "']");
            row.locator("summary").first().click();
            tick.check();
            saved(page);
            page.reload();
            assertThat(((Answer) step(bot, "n1")).collections()).containsExactly(tides);
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
