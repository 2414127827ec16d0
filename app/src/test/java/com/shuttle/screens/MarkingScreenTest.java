package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A message that was taken wrongly in a rehearsal is marked, heard as marked from then on, and the mark is taken away again. */
@ServerTest
class MarkingScreenTest {

    private static final String ASKS =
            "{'kind':'question','id':'q','ask':['What are the drums made of?'],'type':'text','variable':'drums','exits':{}}";

    private static final String SAID = "the barrel of the herring, as ever";

    private final int port;
    private final TestData data;

    MarkingScreenTest(@LocalServerPort int port, TestData data) {
        this.port = port;
        this.data = data;
    }

    @Test
    void whatIsMarkedIsHeardSo() {
        Bot bot = data.released(TestData.flow("main", ASKS));
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.navigate("/bots/" + bot.id() + "/flows/main");
            say(page);
            Locator talk = page.locator("#rehearse .talk");
            assertThat(page.locator("[data-facts]")).containsText("drums");
            Locator working = talk.locator(".why").last();
            working.locator("button:has-text('Not so?')").click();
            working.locator("select").selectOption("refuse");
            assertThat(working.locator("[role=status]")).containsText("will not say");

            say(page);
            assertThat(talk.locator(".why").last()).containsText("will not say");
            assertThat(page.locator("[data-facts]")).isHidden();

            page.navigate("/bots/" + bot.id() + "/manners");
            page.locator("a:has-text('marked by hand')").click();
            Locator row = page.locator(".grid-list tbody tr");
            assertThat(row).containsText(SAID);
            assertThat(row).containsText("What are the drums made of?");
            row.locator("button").click();
            assertThat(page.locator(".empty")).containsText("Nothing marked yet");
            page.locator("button:has-text('Put it back')").click();
            assertThat(page.locator(".grid-list tbody tr")).containsText(SAID);
            assertThat(page.locator("a:has-text('JSON lines')")).isVisible();
            assertThat(screens.complaints()).isEmpty();
        }
    }

    /** Begins anew and says it. */
    private static void say(Page page) {
        Locator begin = page.locator("[data-begin]");
        (begin.isVisible() ? begin : page.locator("[data-restart]")).click();
        assertThat(page.locator("#rehearse .talk")).containsText("made of?");
        page.locator("#rehearse-text").fill(SAID);
        page.keyboard().press("Enter");
        assertThat(page.locator("#rehearse .talk .visitor")).hasCount(1);
    }
}
