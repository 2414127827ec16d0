package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.demo.StandIns;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** From a phone: keyword, buttons, a list in groups and its next page, a typed number, stop; and what a designer sees of it. */
@ServerTest
class PhoneScreenTest {

    private final int port;
    private final TestData data;
    private final StandIns standIns;

    PhoneScreenTest(@LocalServerPort int port, TestData data, StandIns standIns) {
        this.port = port;
        this.data = data;
        this.standIns = standIns;
    }

    private Page phone(Screens screens, String line, String person) {
        Page page = screens.stranger(900, 860, ColorScheme.LIGHT);
        page.navigate(standIns.phone().address());
        page.locator(".lines button[data-kind=" + line + "]").click();
        page.locator("#person").fill(person);
        page.locator("#person").press("Tab");
        return page;
    }

    private static void write(Page page, String words) {
        page.locator("#text").fill(words);
        page.locator("#text").press("Enter");
    }

    private static Locator last(Page page) {
        return page.locator(".talk li").last();
    }

    private static void open(Page page) {
        page.locator(".talk button:text-is('Choose')").last().click();
    }

    private static void choose(Page page, String option) {
        open(page);
        page.locator("dialog.choices button:has-text('" + option + "')").click();
    }

    @Test
    void aMessengerHasButtonsAndLists() {
        try (Screens screens = new Screens(port)) {
            Page page = phone(screens, "messenger", "+447700900201");
            write(page, "VESPER");
            assertThat(last(page)).containsText("What brings you here?");
            choose(page, "Plan a visit");
            assertThat(last(page)).containsText("What would you like to see?");
            choose(page, "A dome show");
            assertThat(page.locator(".talk li.buttons .options button")).not().hasCount(0);
            Locator button = page.locator(".talk li.buttons .options button").last();
            String label = button.innerText();
            button.click();
            assertThat(page.locator(".talk li.mine").last()).hasText(label);

            write(page, "gallery");
            assertThat(last(page)).containsText("What would you like to see?");
            open(page);
            Locator list = page.locator("dialog.choices");
            assertThat(list.locator("h2")).containsText(new String[] {"Saying", "Asking", "Going on"});
            assertThat(list.locator("button")).hasCount(10);
            list.locator("button", new Locator.LocatorOptions().setHasText("More…"))
                    .click();
            assertThat(last(page)).containsText("The next ones");
            write(page, "2");
            assertThat(last(page)).containsText("A word or two");

            write(page, "Stop");
            assertThat(last(page)).containsText("You get no more messages from Tarnfell Observatory");
            write(page, "Hello?");
            write(page, "START");
            assertThat(last(page)).containsText("You get messages from Tarnfell Observatory again");
        }
    }

    @Test
    void aTextMessageHasNumbersAndABadLineTakesNothingTwice() {
        try (Screens screens = new Screens(port)) {
            Page page = phone(screens, "text", "+447700900202");
            page.locator("#twice").check();
            write(page, "DOME");
            assertThat(last(page)).containsText("1 Company evening - dinner, talks, awards");
            write(page, "2");
            assertThat(last(page)).containsText("How many of you");
            write(page, "60");
            assertThat(last(page)).containsText("Which evening");
            assertThat(page.locator(".talk li.mine")).hasCount(3);
            assertThat(page.locator(".talk li:has-text('How many of you')")).hasCount(1);
        }
    }

    @Test
    void aDesignerSeesWhatPhonesShow() {
        Bot hire = data.bots.bySlug("dome-hire").orElseThrow();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + hire.id() + "/phones");
            assertThat(page.locator(".phone-line")).hasCount(2);
            assertThat(page.locator(".phone-line").first()).containsText("DOME");

            page.navigate("/bots/" + hire.id() + "/flows/main");
            Locator row = page.locator("[data-step=occasion]");
            row.locator(".say").click();
            row.locator("[data-phones] summary").click();
            assertThat(row.locator(".phone-look")).hasCount(2);
            assertThat(row.locator(".phone-look").first()).containsText("Company evening");

            page.locator("#rehearse-channel").selectOption("text");
            assertThat(page.locator(".rehearsal .bubble").last()).containsText("1 Company evening");
            page.locator("#rehearse-text").fill("3");
            page.locator("#rehearse-text").press("Enter");
            assertThat(page.locator(".rehearsal .bubble").last()).containsText("How many of you");
        }
    }

    @Test
    void aDesignerPutsABotOnANumber() {
        Bot bot = data.released(FlowJson.readTrusted("""
                {"format":"shuttle-flow/1","id":"main","name":"Talk","phrases":[],"sections":[{"id":"s","title":"","steps":[
                {"kind":"choice","id":"c","ask":["Which?"],"options":[{"id":"long","label":"A visit with the whole class","also":[]},
                {"id":"short","label":"Hire","also":[]}],"exits":{"option:long":"step:e","option:short":"step:e"}},
                {"kind":"end","id":"e"}]}]}"""));
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            team.navigate("/bots/" + bot.id() + "/phones");
            Locator another = team.locator("form:has(#name-new)");
            String name = data.name("Kitchen");
            another.locator("#name-new").fill(name);
            another.locator("#number-new").fill("call us");
            another.locator("#address-new").fill("https://gateway.example.org/messages");
            another.locator("button").click();
            assertThat(team.locator(".field-error")).containsText("A number with its country");
            assertThat(another.locator("#name-new")).hasValue(name);
            another.locator("#number-new").fill("+44 1632 960 188");
            another.locator("button").click();
            Locator line = team.locator(".phone-line:has-text('" + name + "')");
            assertThat(line).containsText("+441632960188");
            assertThat(line).containsText("This bot answers whoever writes.");
            line.locator("summary:has-text('For the gateway')").click();
            assertThat(line.locator(".addresses code").first()).containsText("/api/v1/channels/");

            shortens(team, bot);

            team.navigate("/bots/" + bot.id() + "/phones");
            line.locator("summary:has-text('Change')").click();
            line.locator("button.danger").click();
            assertThat(line).hasCount(0);
            team.locator("button:has-text('Bring it back')").click();
            assertThat(line).hasCount(1);
            line.locator("a:has-text('What was sent')").click();
            assertThat(team.locator("h2")).containsText("Sent by " + name);
            assertThat(screens.complaints()).isEmpty();
            team.navigate("/bots/" + bot.id() + "/phones");
            line.locator("summary:has-text('Change')").click();
            line.locator("button.danger").click();
        }
    }

    /** What does not fit is said in the row, and what would is one press away. */
    private static void shortens(Page team, Bot bot) {
        team.navigate("/bots/" + bot.id() + "/flows/main");
        Locator row = team.locator("[data-step=c]");
        row.locator(".say").click();
        row.locator("[data-phones] summary").click();
        assertThat(row.locator(".misfits")).containsText("has 28 letters");
        row.locator("[data-shorten=long]").click();
        assertThat(row.locator(".phone-look").first()).containsText("It fits.");
        assertThat(row.locator("[data-field='options.long.label']")).hasValue("Visit with whole");
        team.locator("#rehearse-channel").selectOption("messenger");
        assertThat(team.locator(".rehearsal .offers button").first()).hasText("Visit with whole");
    }

    @Test
    void aListOnThePhoneIsRehearsedPageByPage() {
        Bot gallery = data.bots.bySlug("step-gallery").orElseThrow();
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            team.navigate("/bots/" + gallery.id() + "/flows/main");
            team.locator("#rehearse-channel").selectOption("messenger");
            Locator list = team.locator(".rehearsal .phone-list").last();
            list.locator("summary").click();
            assertThat(list.locator("button")).hasCount(10);
            list.locator("button:has-text('More…')").click();
            assertThat(team.locator(".rehearsal .bubble").last()).hasText("The next ones");
            team.locator(".rehearsal .phone-list").last().locator("summary").click();
            assertThat(team.locator(".rehearsal .phone-list").last().locator("button"))
                    .not()
                    .hasCount(0);
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
