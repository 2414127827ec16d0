package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static com.shuttle.screens.Screens.say;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.shuttle.ServerTest;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Visitors at the steps that ask for more than a word: interviews, calendars, files, and what is picked by hand. */
@ServerTest
class InterviewScreenTest {

    private final int port;
    private Screens screens;

    InterviewScreenTest(@LocalServerPort int port) {
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

    private static String weekday() {
        LocalDate day = LocalDate.now().plusDays(40).with(TemporalAdjusters.nextOrSame(DayOfWeek.WEDNESDAY));
        return day.getDayOfMonth() + " " + day.getMonth().name().toLowerCase(java.util.Locale.ROOT) + " "
                + day.getYear();
    }

    @Test
    void oneSentenceTwoQuestionsACorrectionAndComingBackLater() {
        Page page = screens.stranger();
        page.navigate("/chat/school-visits");
        assertThat(page.locator("#transcript")).containsText("in your own words");
        say(page, "I'm Dana Whitlow, dana.whitlow@example.org, 28 pupils on " + weekday());
        assertThat(page.locator(".bubble.bot").last()).containsText("Which school is it?");
        say(page, "is there parking?");
        assertThat(page.locator("#transcript")).containsText("parking is free");
        assertThat(page.locator(".bubble.bot").last()).containsText("Which school is it?");
        say(page, "Fernhollow Primary School");
        say(page, "what happens if it is cloudy?");
        assertThat(page.locator("#transcript")).containsText("Telescope nights go ahead");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Years 3 to 6"))
                .click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Yes").setExact(true))
                .click();
        say(page, "skip");
        assertThat(page.locator(".bubble.bot").last()).containsText("Number of pupils: 28");
        say(page, "it's 26, not 28");
        assertThat(page.locator(".bubble.bot").last()).containsText("Number of pupils: 26");

        String kept = page.context().storageState();
        BrowserContext before = page.context();
        before.close();
        Page later = screens.returning(kept);
        later.navigate("/chat/school-visits");
        assertThat(later.locator(".bubble.bot").last()).containsText("Number of pupils: 26");
        later.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Yes, all right"))
                .click();
        assertThat(later.locator("#transcript")).containsText("26 pupils fit the dome as one group");
        later.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("An email is enough"))
                .click();
        later.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("5 of 5"))
                .click();
        later.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("No, thanks"))
                .click();
        assertThat(later.locator(".ended")).isVisible();
        Assertions.assertThat(screens.complaints()).isEmpty();
    }

    @Test
    void everyWidgetIsUsedByHand() {
        Page page = screens.stranger();
        page.navigate("/chat/step-gallery");
        page.getByPlaceholder("Find among 16").fill("calendar");
        assertThat(page.locator(".offers button:visible")).hasCount(1);
        page.locator(".offers button:visible").click();
        page.locator("input[type=date]").fill(LocalDate.now().plusDays(9).toString());
        page.getByText("Send this day").click();
        page.locator("input[type=time]").fill("14:30");
        page.getByText("Send this time").click();
        page.locator("input[type=datetime-local]").fill(LocalDate.now().plusDays(9) + "T10:15");
        page.getByText("Send this day and time").click();
        page.getByText("Numbers and marks").click();
        say(page, "3");
        say(page, "£400");
        page.locator("input[type=range]").press("ArrowRight");
        page.locator(".widget .button").click();
        page.locator(".mark").nth(3).click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Yes").setExact(true))
                .click();
        page.getByText("A file and a secret").click();
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload(
                        "page.png", "image/png", "<html>".getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        page.getByText("Send the file").click();
        assertThat(page.locator("#problem")).containsText("not what its name says");
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload(
                        "mirror.png", "image/png", new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'}));
        page.getByText("Send the file").click();
        assertThat(page.locator("#transcript")).containsText("mirror.png");
        page.locator("input[type=password]").fill("open sesame");
        page.locator(".widget .button").click();
        assertThat(page.locator("#transcript")).containsText("•••••");
        assertThat(page.locator("#transcript")).not().containsText("sesame");
        page.getByText("Choosing several").click();
        page.getByText("Mars", new Page.GetByTextOptions().setExact(true)).click();
        page.getByText("Saturn", new Page.GetByTextOptions().setExact(true)).click();
        page.locator(".send-chosen").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Saturn"))
                .click();
        assertThat(page.locator("#transcript")).containsText("You have seen Mars, Saturn.");
        page.getByText("Skerry 127").click();
        assertThat(page.locator("#transcript")).containsText("The Skerry 127 is £495, and good for: Moon, planets.");
        assertThat(page.locator("#transcript")).containsText("on our list of wishes");
        page.getByText("A closed text box").click();
        assertThat(page.locator("#form")).isHidden();
        page.getByText("Open it again").click();
        assertThat(page.locator("#form")).isVisible();
        page.getByText("Another flow, and back").click();
        assertThat(page.locator("#transcript")).containsText("Tours so far: 1.");
        Assertions.assertThat(screens.complaints()).isEmpty();
    }

    @Test
    void aRuleIsWrittenInPlainWordsAndSeenAsRows() {
        Page page = screens.signedIn("maren.holt");
        page.navigate("/bots?q=dome+hire");
        page.locator("a.row-link", new Page.LocatorOptions().setHasText("Dome hire"))
                .click();
        page.locator(".row[data-step=fits] .item[data-item=r3] .code").click();
        page.getByLabel("The rule in plain words").fill("guests between 30 and 80 and team Events is open");
        assertThat(page.locator(".row[data-step=fits] .item[data-item=r3] .code")
                        .first())
                .hasValue("guests >= 30 && guests <= 80 && open(\"Events\")");
        assertThat(page.locator(".helper-row")).hasCount(3);
        page.locator(".row[data-step=fits] .item[data-item=r3] .code").first().fill("gests > 3");
        assertThat(page.locator(".helper-said")).containsText("There is no variable or function gests.");
        assertThat(page.locator("#saved")).hasText("All changes saved");
        page.locator("#undo").click();
        assertThat(page.locator(".row[data-step=fits] .item[data-item=r3] .code")
                        .first())
                .hasValue("guests >= 40");
        Assertions.assertThat(screens.complaints()).isEmpty();
    }
}
