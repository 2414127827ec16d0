package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Tables are made, filled in, brought in from a file, and asked. */
@ServerTest
class TableScreenTest {

    private final int port;
    private final TestData data;

    TableScreenTest(@LocalServerPort int port, TestData data) {
        this.port = port;
        this.data = data;
    }

    private static Page tables(Screens screens) {
        Page page = screens.signedIn("maren.holt");
        page.navigate("/tables");
        return page;
    }

    private Page collection(Page page) {
        page.navigate("/knowledge");
        page.locator("input[name=name]").fill(data.name("Boat house"));
        page.keyboard().press("Enter");
        page.locator(".tabs-line a:has-text('Tables')").click();
        return page;
    }

    private static Locator cell(Page page, int row, int column) {
        return page.locator(".sheet-grid")
                .first()
                .locator("tbody tr")
                .nth(row)
                .locator("td")
                .nth(column)
                .locator("input, select")
                .first();
    }

    private static void file(Page page, String name, String csv) {
        page.locator("#file").setInputFiles(new FilePayload(name, "text/csv", csv.getBytes(StandardCharsets.UTF_8)));
        page.locator("form[action$='/file'] button").click();
    }

    private static void ask(Page page, String question) {
        page.locator("#try-question").fill(question);
        page.keyboard().press("Enter");
    }

    @Test
    void manyRowsAreBroughtInAndTooManyColumnsAreNot() {
        try (Screens screens = new Screens(port)) {
            Page page = tables(screens);
            page.setDefaultTimeout(90_000);
            String wide = IntStream.range(0, 500).mapToObj(i -> "Column " + i).collect(Collectors.joining(","));
            file(page, data.name("Wide") + ".csv", wide + "\n" + wide);
            assertThat(page.locator(".field-error")).containsText("more than 60 columns");
            String rows = IntStream.range(0, 50_000)
                    .mapToObj(i -> "Buoy " + i + "," + i % 97)
                    .collect(Collectors.joining("\n"));
            file(page, data.name("Buoys") + ".csv", "Name,Depth\n" + rows);
            assertThat(page.locator(".notice")).containsText("50000 rows were brought in");
            page.locator("input[type=search]").first().fill("Buoy 49999");
            page.keyboard().press("Enter");
            assertThat(cell(page, 0, 1)).hasValue("44");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aTableIsFilledInAndAsked() {
        try (Screens screens = new Screens(port)) {
            String name = data.name("Boats");
            Page page = tables(screens);
            page.locator("#name").fill(name);
            page.locator("button:has-text('Begin')").click();
            page.locator("#also").fill("boats");
            page.locator("[name='column.1.name']").fill("Weight");
            page.locator("[name='column.1.kind']").selectOption("Number");
            page.locator("[name='column.1.unit']").fill("kg");
            page.locator(".columns-card button").click();
            assertThat(page.locator(".notice")).containsText("Saved");

            cell(page, 0, 0).fill("Heron");
            cell(page, 0, 1).fill("quite heavy");
            cell(page, 1, 0).fill("Dabchick");
            cell(page, 1, 1).fill("9000 g");
            page.locator("button:has-text('Save the rows')").click();
            assertThat(page.locator(".sheet-grid .field-error")).hasText("“quite heavy” is not a number of kg.");
            assertThat(cell(page, 1, 0)).hasValue("Dabchick");
            cell(page, 0, 1).fill("26");
            page.locator("button:has-text('Save the rows')").click();
            assertThat(cell(page, 1, 1)).hasValue("9");

            page.locator("#ask").fill("which are lighter than 10 kg?");
            page.locator(".table-below .try-line button").click();
            assertThat(page.locator(".try-result .bubble li")).hasText("Dabchick: 9 kg");

            page.locator("[aria-label='Delete Heron']").check();
            page.locator("button:has-text('Save the rows')").click();
            assertThat(cell(page, 0, 0)).hasValue("Dabchick");
            page.locator("button:has-text('Undo')").click();
            assertThat(cell(page, 0, 0)).hasValue("Heron");

            page.locator("button:has-text('Delete the table')").click();
            page.locator("button:has-text('Put it back')").click();
            assertThat(cell(page, 0, 0)).hasValue("Heron");

            collection(page);
            page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(name))
                    .check();
            page.locator("main form button:has-text('Save')").click();
            assertThat(page.locator(".notice")).containsText("Saved");
            ask(page, "which boats are lighter than 10 kg?");
            assertThat(page.locator(".try-result .verdict")).containsText("Answers.");
            assertThat(page.locator(".try-result .bubble li")).hasText("Dabchick: 9 kg");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aSpreadsheetBecomesATableAndAnotherIsMendedFirst() {
        try (Screens screens = new Screens(port)) {
            Page page = tables(screens);
            file(page, "rowing-boats.csv", "Boat,Weight (kg),Folds\nHeron,26,no\nDabchick,9,yes\n");
            assertThat(page.locator(".table-head h1")).hasText("Rowing boats");
            assertThat(page.locator("[name='column.2.kind']")).hasValue("YES_NO");

            file(page, "more.csv", "Boat,Weight (kg)\nOtter,very\nMoorhen,31\n");
            assertThat(page.locator("ul.notice.bad li")).hasText("Line 2, Weight: “very” is not a number of kg.");
            assertThat(page.locator(".table-head .hint")).hasText("2 rows");
            page.getByText("leave out cells that do not fit").click();
            file(page, "more.csv", "Boat,Weight (kg)\nOtter,very\nMoorhen,31\n");
            assertThat(page.locator(".table-head .hint")).hasText("4 rows");

            page.locator("a.order:has-text('Weight')").click();
            assertThat(cell(page, 0, 0)).hasValue("Dabchick");
            page.locator("a.order:has-text('Weight')").click();
            assertThat(cell(page, 0, 0)).hasValue("Moorhen");
            assertThat(page.waitForDownload(() ->
                                    page.locator("a:has-text('Save as CSV')").click())
                            .suggestedFilename())
                    .isEqualTo("Rowing boats.csv");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    private static void paste(Locator cell, String text) {
        cell.focus();
        cell.evaluate("""
                (cell, text) => {
                  const clipboardData = new DataTransfer();
                  clipboardData.setData('text/plain', text);
                  cell.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
                }""", text);
    }

    @Test
    void theGridIsWorkedAsInASpreadsheetAndWhatARowWasIsKept() {
        try (Screens screens = new Screens(port)) {
            Page page = tables(screens);
            file(page, data.name("Punts") + ".csv", "Boat,Seats,Afloat\nHeron,4,yes\n");
            assertThat(cell(page, 0, 0)).hasValue("Heron");
            paste(cell(page, 1, 0), "Coot\t1\tyes\nRail\t2\tno\nTeal\t3\tno\nSmew\t4\tyes\nIbis\t5\tno\n");
            assertThat(cell(page, 5, 0)).hasValue("Ibis");
            cell(page, 1, 1).focus();
            page.keyboard().press("Shift+ArrowDown");
            page.keyboard().press("Shift+ArrowDown");
            page.keyboard().press("Control+d");
            assertThat(cell(page, 3, 1)).hasValue("1");
            page.keyboard().press("Control+z");
            assertThat(cell(page, 3, 1)).hasValue("3");
            page.locator("button:has-text('Save the rows')").click();
            assertThat(page.locator(".table-head .hint")).hasText("6 rows");

            page.locator(".hide-columns summary").click();
            page.locator(".hide-columns label").getByText("Seats").click();
            assertThat(cell(page, 0, 1)).isHidden();
            page.reload();
            assertThat(cell(page, 0, 1)).isHidden();
            page.locator("select[name=c3]").selectOption("no");
            page.locator(".filter button").click();
            assertThat(page.locator(".row-past")).hasCount(3);
            cell(page, 0, 0).fill("Water rail");
            page.locator("button:has-text('Save the rows')").click();
            assertThat(page.locator(".row-past")).hasCount(3);
            page.locator(".row-past").first().click();
            assertThat(page.locator(".grid-list tbody tr")).hasCount(2);
            assertThat(page.locator(".differs")).hasText("Rail");
            page.locator("button:has-text('Put back')").click();
            assertThat(page.locator("h1")).hasText("Rail");
            assertThat(screens.complaints()).isEmpty();

            page.navigate("/tables");
            file(page, "wide.csv", "c,".repeat(500) + "\n" + "1,".repeat(500) + "\n");
            assertThat(page.locator("#error-file")).containsText("more than 60 columns");
        }
    }
}
