package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static com.shuttle.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.CallService;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.demo.StandIns;
import com.shuttle.standins.CustomerRecords;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.test.web.server.LocalServerPort;

/** From a spreadsheet and a service's own description to a visitor's row, record and mail. */
@ServerTest
class OutsideScreenTest {

    /** The parts of the flow that need nothing outside; the rest is written by hand. */
    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Boats","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"choice","id":"n1","ask":["Which boat would you like?"],"options":[],"variable":"boat","exits":{"picked":"step:n2","otherwise":"step:n9"}},
            {"kind":"question","id":"n2","ask":["Your name?"],"type":"person_name","variable":"name","exits":{"answered":"step:n3"}},
            {"kind":"question","id":"n3","ask":["Your email?"],"type":"email","variable":"email","exits":{"answered":"step:n4"}},
            {"kind":"save_row","id":"n4","table":"","exits":{"saved":"step:n5","failed":"step:n9"}},
            {"kind":"call_service","id":"n5","service":"","exits":{"failed":"step:n9"}},
            {"kind":"notify","id":"n6","to":"visitor","email":"{{email}}","exits":{"next":"step:n7"}},
            {"kind":"message","id":"n7","say":["Yours as {{number}}."]},
            {"kind":"message","id":"n9","say":["That did not work."]}]}]}""";

    private final int port;
    private final TestData data;
    private final StandIns standIns;

    OutsideScreenTest(@LocalServerPort int port, TestData data, StandIns standIns) {
        this.port = port;
        this.data = data;
        this.standIns = standIns;
    }

    private static void file(Page page, String form, String name, byte[] bytes) {
        Locator upload = page.locator("form[action$='" + form + "']");
        upload.locator("input[type=file]").setInputFiles(new FilePayload(name, "text/plain", bytes));
        upload.locator("button").click();
    }

    /** A table from a spreadsheet. @return its name */
    private String table(Page page) {
        String name = data.name("Boats for hire");
        page.navigate("/tables");
        String csv = "Boat,Seats,For hire,Taken by\nHeron,4,yes,\nDabchick,2,yes,\nCoot,1,no,\n";
        file(page, "/tables/file", name + ".csv", csv.getBytes(StandardCharsets.UTF_8));
        assertThat(page.locator("h1")).hasText(name);
        return name;
    }

    /** A service from the description that the records give of themselves, tried out and published. @return its name */
    private String service(Page page) throws IOException {
        String there = "http://localhost:" + standIns.records().port() + "/openapi.json";
        byte[] described;
        try (var in = URI.create(there).toURL().openStream()) {
            described = in.readAllBytes();
        }
        page.navigate("/services");
        file(page, "/services/import", "records.json", described);
        page.getByLabel("Make customer").check();
        String name = data.name("Records");
        page.locator("#name").fill(name);
        page.locator("#address")
                .fill("http://records.stand-in:" + standIns.records().port());
        page.locator("#secret").fill(CustomerRecords.KEY);
        page.locator("button:has-text('Make drafts')").click();
        assertThat(page.locator("h1")).hasText("Make customer");
        String service = data.name("Make customer");
        page.locator("#name").fill(service);
        page.locator("[name='input.1.example']").fill(data.name("trial").replace(' ', '-') + "@mill.example");
        page.locator("button:has-text('Save and try it out')").click();
        assertThat(page.locator(".verdict")).containsText("Came to “made”.");
        assertThat(page.locator(".code-block").first()).containsText("X-Key: •••••");
        page.locator("button:has-text('Publish')").click();
        assertThat(page.locator(".notice").first()).containsText("Published as number 1.");
        return service;
    }

    /** Opens a row once all that was done before is kept, as somebody does who reads it first. */
    private static Locator open(Page page, String step) {
        saved(page);
        Locator row = page.locator(".row[data-step='" + step + "']");
        Locator open = page.locator(".row.open[data-step='" + step + "']");
        Locator words = row.locator(".say");
        // Rows that come back late may be drawn anew under the press.
        page.waitForCondition(() -> {
            if (open.count() == 0) {
                (words.count() > 0 ? words.first() : row).click();
            }
            return open.count() > 0;
        });
        return open;
    }

    private static void saved(Page page) {
        assertThat(page.locator("#saved")).hasText("All changes saved");
    }

    private static void choose(Page page, String step, String field, String label) {
        Locator control = open(page, step).locator("[data-field='" + field + "']");
        control.focus();
        control.selectOption(new SelectOption().setLabel(label));
        saved(page);
    }

    private void write(Page page, Bot bot, String table, String service) {
        page.navigate("/bots/" + bot.id() + "/flows/main");
        open(page, "n1")
                .getByText("More", new Locator.GetByTextOptions().setExact(true))
                .last()
                .click();
        choose(page, "n1", "table", table);
        choose(page, "n1", "offered", "For hire");
        choose(page, "n4", "table", table);
        choose(page, "n4", "key", "Boat");
        for (int i = 1; i <= 2; i++) {
            open(page, "n4").getByText("add a cell").click();
            choose(page, "n4", "cells.c" + i + ".column", i == 1 ? "Boat" : "Taken by");
            open(page, "n4").locator("[data-field='cells.c" + i + ".value']").fill(i == 1 ? "{{boat}}" : "{{name}}");
        }
        choose(page, "n5", "service", service);
        assertThat(page.locator(".row[data-step=n5] [data-field='gives.g2.value']"))
                .hasValue("{{email}}");
        open(page, "n6").locator("[data-field='subject']").fill("Your {{boat}}");
        open(page, "n6").locator("[data-field='text']").fill("It is yours as {{number}}.");
        saved(page);
        lead(bot);
    }

    /** What the service comes to leads on to the mail. */
    private void lead(Bot bot) {
        CallService call = (CallService)
                data.bots.draft(bot.id(), "main").flow().findStep("n5").orElseThrow();
        assertThat(call.results()).extracting(CallService.Result::name).containsExactly("made", "there already");
        call.results()
                .forEach(result -> data.bots.edit(
                        bot.id(), "main", new com.shuttle.core.edit.Edit.Lead("n5", result.exit(), "step:n6"), null));
    }

    private static void says(Page page, String text) {
        page.locator("#text").fill(text);
        page.keyboard().press("Enter");
    }

    @Test
    void whatADesignerConnectsReachesTheTableTheRecordsAndTheMailbox() throws IOException {
        Bot bot = data.bot();
        data.bots.putFlow(bot.id(), FlowJson.readTrusted(FLOW), "test", null);
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            String table = table(page);
            String tablePath = page.url();
            String service = service(page);
            write(page, bot, table, service);
            data.releases.release(bot.id(), "", null);

            String email = data.name("visitor").replace(' ', '.') + "@fen.example";
            Page visitor = screens.stranger();
            visitor.navigate("/chat/" + bot.slug());
            assertThat(visitor.locator("#offers .offers button")).hasCount(2);
            visitor.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Dabchick"))
                    .click();
            assertThat(visitor.locator("#transcript .bubble").last()).containsText("Your name?");
            says(visitor, "Ada Fenwick");
            assertThat(visitor.locator("#transcript .bubble").last()).containsText("Your email?");
            says(visitor, email);
            assertThat(visitor.locator("#transcript .bubble").last()).containsText("Yours as C-");

            page.navigate(tablePath);
            assertThat(page.locator(".sheet-grid")
                            .first()
                            .locator("tbody tr")
                            .nth(1)
                            .locator("input")
                            .last())
                    .not()
                    .hasValue("");
            assertThat(standIns.records().customers())
                    .anyMatch(customer -> email.equals(customer.parts().get("email")));
            until(
                    "the mail",
                    () -> standIns.mail().mails().stream()
                            .anyMatch(mail ->
                                    mail.to().contains(email) && mail.subject().equals("Your Dabchick")));
            page.navigate("/sent?q=" + email);
            assertThat(page.locator(".grid-list tbody tr")).containsText("Your Dabchick");

            page.navigate(tablePath);
            page.locator(".sheet-grid")
                    .first()
                    .locator("tbody tr")
                    .nth(1)
                    .locator("select")
                    .first()
                    .selectOption("no");
            page.locator("button:has-text('Save the rows')").click();
            assertThat(page.locator(".notice")).containsText("Saved");
            Page next = screens.stranger();
            next.navigate("/chat/" + bot.slug());
            assertThat(next.locator("#offers .offers button")).hasCount(1);
            assertThat(next.locator("#offers .offers button")).hasText("Heron");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"/services", "/tables"})
    void onAPhoneRowsAreShortBlocks(String list) {
        try (Screens screens = new Screens(port)) {
            Page page = screens.signedIn("maren.holt");
            page.setViewportSize(390, 760);
            page.navigate(list);
            assertThat(page.locator(".grid-list tbody tr").first()).isVisible();
            assertThat(page.evaluate("document.documentElement.scrollWidth <= innerWidth"))
                    .isEqualTo(true);
            assertThat(page.evaluate("""
                    () => [...document.querySelectorAll('.grid-list td')].filter((cell) => {
                      const words = (cell.textContent.match(/\\S+/g) ?? []).length;
                      return words > 3 && cell.clientWidth < 60;
                    }).length""")).as("cells of a word a line").isEqualTo(0);
        }
    }
}
