package bench;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** How a script of 500 steps feels in Chromium: until it is seen, until a key is seen, until a change is kept. */
public final class WritingBench {

    private static final int STEPS = 500;
    private static final int LOADS = 5;
    private static final int KEYS = 60;
    private static final String PART = "Script of " + STEPS + " steps in Chromium";

    private WritingBench() {}

    public static void main(String[] args) throws Exception {
        try (Visit visit = new Visit("bench.BenchServer")) {
            String script = begin(visit.page);
            seen(visit.page, script);
            keys(visit.page);
            kept(visit.page);
            another(visit.page);
        }
    }

    /** Makes a bot with a flow of many steps; the address of its script. */
    private static String begin(Page page) throws IOException {
        page.navigate("/bots");
        page.locator("#name").fill("Bench");
        page.locator(".new-bot button").click();
        Path file = Files.createTempFile("flow", ".json");
        Files.writeString(file, flow());
        page.locator(".flow-menu summary").click();
        page.locator("#flow-file").setInputFiles(file);
        page.locator(".load button").click();
        page.locator(".row").nth(STEPS - 1).waitFor();
        return page.url();
    }

    private static String flow() {
        StringBuilder sections = new StringBuilder();
        for (int section = 0; section < STEPS / 20; section++) {
            List<String> steps = new ArrayList<>();
            for (int i = section * 20; i < section * 20 + 20; i++) {
                String next = i + 1 < STEPS ? "step:n" + (i + 1) : "end";
                steps.add(
                        i % 5 == 2
                                ? "{\"kind\":\"choice\",\"id\":\"n%d\",\"ask\":[\"Which of these is it, at %d?\"],\"options\":[{\"id\":\"o1\",\"label\":\"The first\"},{\"id\":\"o2\",\"label\":\"The second\"}],\"exits\":{\"option:o1\":\"%s\",\"option:o2\":\"step:n%d\"}}"
                                        .formatted(i, i, next, Math.min(STEPS - 1, i + 3))
                                : "{\"kind\":\"message\",\"id\":\"n%d\",\"say\":[\"Here is what step %d has to say about the matter.\"],\"exits\":{\"next\":\"%s\"}}"
                                        .formatted(i, i, next));
            }
            sections.append(section == 0 ? "" : ",")
                    .append("{\"id\":\"s%d\",\"title\":\"Part %d\",\"steps\":[%s]}"
                            .formatted(section, section, String.join(",", steps)));
        }
        return "{\"format\":\"shuttle-flow/1\",\"id\":\"main\",\"name\":\"Main\",\"phrases\":[],\"sections\":["
                + sections + "]}";
    }

    private static void seen(Page page, String script) {
        double[] paints = new double[LOADS];
        double[] drawn = new double[LOADS];
        for (int i = 0; i < LOADS; i++) {
            page.navigate(script);
            page.waitForFunction("() => document.querySelector('.threads .thread')");
            paints[i] = number(page.evaluate("performance.getEntriesByName('first-contentful-paint')[0].startTime"));
            drawn[i] = number(page.evaluate("performance.getEntriesByType('navigation')[0].loadEventEnd"));
        }
        Visit.tell(PART, "until the first paint", paints, 0);
        Visit.tell(PART, "until all is loaded and drawn", drawn, 0);
    }

    /** From a key's press to the second frame after it, when its letter is on the screen. */
    private static void keys(Page page) {
        page.locator(".row .say").nth(STEPS / 2).click();
        page.evaluate("""
                () => { window.times = []; addEventListener('keydown', () => { const from = performance.now();
                  requestAnimationFrame(() => requestAnimationFrame(() => window.times.push(performance.now() - from))); }, true); }""");
        page.keyboard().press("End");
        for (int i = 0; i < KEYS; i++) {
            page.keyboard().type(i % 6 == 5 ? " " : "a");
        }
        page.waitForFunction("n => window.times.length >= n", KEYS);
        List<?> times = (List<?>) page.evaluate("window.times");
        Visit.tell(
                PART,
                "a key until it is on the screen",
                times.stream().mapToDouble(WritingBench::number).toArray(),
                50);
    }

    /** Changes sent by the page itself, as its own typing is. */
    private static void kept(Page page) {
        Object times = page.evaluate("""
                async () => { const base = document.getElementById('script').dataset.base; const times = [];
                  const { postJson } = await import('/js/web/http.js');
                  for (let i = 0; i < 30; i += 1) { const from = performance.now();
                    await postJson(`${base}/edits`, { edit: 'set', step: 'n250', field: 'title', value: `Title ${i}` });
                    times.push(performance.now() - from); }
                  return times; }""");
        Visit.tell(
                PART,
                "a change until it is kept",
                ((List<?>) times).stream().mapToDouble(WritingBench::number).toArray(),
                300);
    }

    /** Changes that somebody else sends, until this page shows them. */
    private static void another(Page page) {
        Object times = page.evaluate("""
                async () => { const base = document.getElementById('script').dataset.base; const meta = document.querySelector('meta[name=csrf]'); const times = [];
                  for (let i = 0; i < 15; i += 1) { const from = performance.now();
                    await fetch(`${base}/edits`, { method: 'POST', headers: { 'Content-Type': 'application/json', [meta.dataset.header]: meta.content },
                      body: JSON.stringify({ edit: 'set', step: 'n250', field: 'title', value: `Another ${i}` }) });
                    while (document.querySelector('[data-step=n250] .titled')?.textContent !== `Another ${i}`) { await new Promise(requestAnimationFrame); }
                    times.push(performance.now() - from); }
                  return times; }""");
        Visit.tell(
                PART,
                "another's change until it is shown",
                ((List<?>) times).stream().mapToDouble(WritingBench::number).toArray(),
                0);
    }

    private static double number(Object value) {
        return ((Number) value).doubleValue();
    }
}
