package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A bot's own pages: what they say of settings that are not made, and how they use the screen. */
@ServerTest
class ProfileScreenTest {

    private final int port;
    private final TestData data;

    ProfileScreenTest(@LocalServerPort int port, TestData data) {
        this.port = port;
        this.data = data;
    }

    @Test
    void withoutHoursItsPeopleAreThereAtAnyTimeAndThePageSaysSo() {
        Bot bot = data.bot();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + bot.id() + "/profile");
            Locator hours = page.locator("fieldset:has(.hours-grid)");
            assertThat(hours).containsText("Nothing is set, so its people are there at any time.");
            assertThat(page.locator("[name=hours-tuesday]")).hasAttribute("placeholder", "open");
            page.locator("[name=hours-monday]").fill("nine to five");
            page.locator("form.profile button[type=submit]").click();
            assertThat(hours.locator(".field-error")).containsText("Hours are written like 09:00-17:00");
            assertThat(page.locator("[name=hours-monday]")).hasValue("nine to five");
            page.locator("[name=hours-monday]").fill("09:00 - 17:00");
            page.locator("form.profile button[type=submit]").click();
            assertThat(page.locator(".notice")).containsText("Saved");
            assertThat(hours).not().containsText("at any time");
            assertThat(page.locator("[name=hours-tuesday]")).hasAttribute("placeholder", "closed");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    /** Of what stands on these pages the rightmost reaches over most of a wide screen. */
    @ParameterizedTest
    @ValueSource(strings = {"/profile", "/phones", "/releases"})
    void wideScreensAreUsed(String path) {
        Bot bot = data.bots.bySlug("vesper").orElseThrow();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + bot.id() + path);
            assertThat(page.locator("main .page")).isVisible();
            assertThat((Number) page.evaluate("""
                    () => Math.max(...[...document.querySelectorAll('main .page :is(input, select, textarea, button, td, p)')]
                        .map((one) => one.getBoundingClientRect().right)) / innerWidth"""))
                    .as("how far over the screen it reaches")
                    .satisfies(reach -> assertThat(reach.doubleValue()).isBetween(0.75, 1.0));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"/tables", "/services", "/bots"})
    void buttonsForFilesLookLikeTheOthers(String path) {
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate(path);
            Object foreign = page.evaluate("""
                    () => {
                      const ours = getComputedStyle(document.querySelector('main .button:not(.main)'));
                      const file = getComputedStyle(document.querySelector('input[type=file]'), '::file-selector-button');
                      return ['backgroundColor', 'borderRadius', 'borderTopColor', 'color', 'fontFamily']
                          .filter((look) => ours[look] !== file[look]);
                    }""");
            assertThat(foreign).isEqualTo(List.of());
        }
    }

    @Test
    void ofManyCollectionsOneIsFoundByItsNameAndSaysWhatIsInIt() {
        Bot bot = data.bot();
        List<String> ids = IntStream.range(0, 6)
                .mapToObj(i -> data.collection("Is number " + i + " let?", "It is."))
                .toList();
        String wanted = data.knowledge.collections().stream()
                .filter(one -> one.id().equals(ids.get(3)))
                .findFirst()
                .orElseThrow()
                .name();
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + bot.id() + "/knowledge");
            Locator lines = page.locator(".pick-line.collection:visible");
            assertThat(lines.nth(5)).isVisible();
            page.locator("[data-filters]").fill(wanted.toUpperCase(java.util.Locale.ROOT));
            assertThat(lines).hasCount(1);
            assertThat(lines).containsText("1 entry");
            lines.locator("input").check();
            page.locator("button:has-text('Save the choice')").click();
            assertThat(page.locator(".notice")).containsText("Saved");
            assertThat(page.locator(".pick-line.collection input:checked")).hasCount(1);
            assertThat(data.knowledge.collectionsOf(bot.id())).containsExactly(ids.get(3));
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
