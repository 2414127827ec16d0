package bench;

import com.microsoft.playwright.Page;
import com.shuttle.core.bench.Figure;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;

/** Bringing in 10,000 rows, and how soon a new entry is found among 50,000 phrasings, as a designer sees it in Chromium. */
public final class KnowledgeBench {

    private static final String[] DO = {"book", "visit", "hire", "repair", "borrow", "return", "photograph", "reach"};
    private static final String[] WHAT = {"dome", "telescope", "guide", "archive", "workshop", "terrace", "locker"};
    private static final int SAVES = 15;
    private static final String PART = "Knowledge in Chromium, without the time of the sentence models";

    private KnowledgeBench() {}

    public static void main(String[] args) throws Exception {
        try (Visit visit = new Visit("bench.KnowledgeServer")) {
            bringIn(visit.page, 10_000, 1);
            String collection = bringIn(visit.page, 12_500, 4);
            found(visit.page, collection);
        }
    }

    /** The address of the new collection. */
    private static String bringIn(Page page, int rows, int phrasings) throws IOException {
        page.navigate("/knowledge");
        page.locator("#name").fill("Rows " + rows);
        page.keyboard().press("Enter");
        page.waitForURL(url -> url.matches(".*/knowledge/\\w{8,}"));
        String collection = page.url();
        page.navigate(collection + "/import");
        page.locator("#file").setInputFiles(sheet(rows, phrasings));
        double look = Visit.time(() -> {
            page.locator(".exchange-ways button").first().click();
            page.locator(".take-line").waitFor();
        });
        double take = Visit.time(() -> {
            page.locator(".take-line .main").click();
            page.locator("#reading").waitFor();
        });
        double read = Visit.time(() -> page.waitForURL(collection));
        String sheet = "%,d rows of %d phrasings: ".formatted(rows, phrasings);
        Figure.of(PART, sheet + "looked over", look, "ms").tell();
        Figure.of(PART, sheet + "saved", take, "ms").tell();
        Figure.of(PART, sheet + "read", read, "ms").tell();
        return collection;
    }

    private static Path sheet(int rows, int phrasings) throws IOException {
        Random random = new Random(5);
        StringBuilder sheet = new StringBuilder("question,more phrasings,answer\n");
        for (int row = 0; row < rows; row++) {
            String matter = DO[random.nextInt(DO.length)] + " the " + WHAT[random.nextInt(WHAT.length)] + " " + row;
            sheet.append("How do I ").append(matter).append("?,\"");
            for (int more = 1; more < phrasings; more++) {
                sheet.append(more > 1 ? "\n" : "")
                        .append("May we ")
                        .append(matter)
                        .append(" in week ")
                        .append(more);
            }
            sheet.append("\",You ").append(matter).append(" at the desk between nine and five.\n");
        }
        Path file = Files.createTempFile("rows", ".csv");
        Files.writeString(file, sheet);
        return file;
    }

    /** From the press on Save to the answer to its very question. */
    private static void found(Page page, String collection) {
        double[] times = new double[SAVES];
        for (int i = 0; i < SAVES; i++) {
            String question = "Is the zebra number " + i + " at home?";
            String answer = "The zebra number " + i + " sleeps.";
            page.navigate(collection + "/entries/new");
            page.locator("#phrasings").fill(question);
            page.locator("#answers").fill(answer);
            times[i] = Visit.time(() -> {
                page.locator(".buttons-line .main").click();
                page.locator("#try-question").fill(question);
                page.locator(".try-line button").click();
                page.locator(".try-result .bubble").getByText(answer).waitFor();
            });
        }
        Visit.tell(PART, "an entry more until it is found, 50,000 phrasings", times, 1000);
    }
}
