package bench;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.shuttle.core.bench.Figure;
import com.shuttle.standins.ObservatorySite;
import java.util.Arrays;

/** What the panel costs the pages of a website in Chromium, beside the same pages without it. */
public final class PanelBench {

    private static final int LOADS = 15;

    /** The greatest layout shift of any load. */
    private static double shift;

    private PanelBench() {}

    public static void main(String[] args) throws Exception {
        try (Visit visit = new Visit("bench.BenchServer");
                ObservatorySite site = new ObservatorySite(0)) {
            site.start();
            Page page = visit.page;
            String code = shared(page, site.address());
            Page website = page.context().browser().newContext().newPage();
            double bare = work(website, site, false);
            site.panel(
                    code.replaceFirst(".*src=\"([^\"]+)\".*", "$1"),
                    code.replaceFirst(".*data-site=\"([^\"]+)\".*", "$1"));
            double with = work(website, site, true);
            String part = "The panel on a website, in Chromium";
            Figure.of(part, "main thread until the launcher is drawn, beside none", with, "ms")
                    .beside(bare)
                    .tell();
            Figure.of(part, "main thread that the launcher takes", with - bare, "ms")
                    .atMost(50)
                    .tell();
            Figure.of(part, "layout shift of the page", shift, "").atMost(0).tell();
        }
    }

    /** Puts a bot on the website. @return the code for its pages */
    private static String shared(Page page, String address) {
        page.navigate("/bots");
        page.locator("a.row-link:has-text('Vesper')").click();
        page.locator("a:has-text('Share')").click();
        page.locator("summary:has-text('Another website')").click();
        page.locator("#name").fill("Bench");
        page.locator("#addresses").fill(address);
        page.locator("button:has-text('Add it')").click();
        return page.locator(".site:has-text('Bench') .code-line code").first().textContent();
    }

    /** Milliseconds of the main thread's tasks for a page that is opened anew, the middle of several. */
    private static double work(Page website, ObservatorySite site, boolean panel) {
        double[] tasks = new double[LOADS];
        for (int i = 0; i < LOADS; i++) {
            try (Page page = website.context().newPage()) {
                page.addInitScript("""
                        window.shifted = 0;
                        new PerformanceObserver((list) => list.getEntries().forEach((entry) => { window.shifted += entry.value; }))
                          .observe({ type: 'layout-shift', buffered: true });""");
                // What opening the renderer costs is not the page's.
                page.navigate(site.address() + "/site.css");
                CDPSession session = page.context().newCDPSession(page);
                session.send("Performance.enable");
                double before = tasks(session);
                page.navigate(site.address() + "/visit");
                // Looking for something costs the page too, so both look.
                page.locator(panel ? ".launcher" : "footer").waitFor();
                page.evaluate("() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))");
                tasks[i] = (tasks(session) - before) * 1000;
                shift = Math.max(shift, ((Number) page.evaluate("window.shifted")).doubleValue());
            }
        }
        Arrays.sort(tasks);
        return tasks[LOADS / 2];
    }

    /** Seconds that the page's main thread has worked so far. */
    private static double tasks(CDPSession session) {
        JsonObject metrics = session.send("Performance.getMetrics");
        for (JsonElement metric : metrics.getAsJsonArray("metrics")) {
            if (metric.getAsJsonObject().get("name").getAsString().equals("TaskDuration")) {
                return metric.getAsJsonObject().get("value").getAsDouble();
            }
        }
        return 0;
    }
}
