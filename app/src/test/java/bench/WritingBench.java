package bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.shuttle.ServerProcess;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** How a script of 500 steps feels in Chromium: until it is seen, until a key is seen, until a change is kept. */
public final class WritingBench {

    private static final int STEPS = 500;
    private static final int LOADS = 5;
    private static final int KEYS = 60;

    private WritingBench() {}

    public static void main(String[] args) throws Exception {
        Path data = Files.createTempDirectory("shuttle-bench");
        ServerProcess server =
                ServerProcess.start(data, "bench.BenchServer", Map.of("SHUTTLE_DEMO", "true"), "-XX:+UseSerialGC");
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            String chromium = System.getenv().getOrDefault("SHUTTLE_CHROMIUM", "/usr/bin/chromium");
            Browser browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of(chromium))
                            .setArgs(List.of("--no-sandbox", "--disable-gpu")));
            Page page = browser.newPage(new Browser.NewPageOptions()
                    .setBaseURL(server.uri("/").toString())
                    .setViewportSize(1280, 800));
            String script = begin(page);
            System.out.println("Script of " + STEPS + " steps in Chromium");
            seen(page, script);
            keys(page);
            kept(page);
        } finally {
            server.kill();
        }
    }

    /** Signs in and makes a bot with a flow of many steps; the address of its script. */
    private static String begin(Page page) throws IOException {
        page.navigate("/sign-in");
        page.locator("#username").fill("maren.holt@tarnfell.example");
        page.locator("input[type=password]").fill("tarnfell-night");
        page.keyboard().press("Enter");
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
        print("until the first paint", paints, "");
        print("until all is loaded and drawn", drawn, "");
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
        print(
                "a key until it is on the screen",
                times.stream().mapToDouble(WritingBench::number).toArray(),
                "   (aim 50)");
    }

    private static void kept(Page page) {
        Object times = page.evaluate("""
                async () => { const base = document.getElementById('script').dataset.base; const meta = document.querySelector('meta[name=csrf]'); const times = [];
                  for (let i = 0; i < 30; i += 1) { const from = performance.now();
                    await fetch(`${base}/edits`, { method: 'POST', headers: { 'Content-Type': 'application/json', [meta.dataset.header]: meta.content },
                      body: JSON.stringify({ edit: 'set', step: 'n250', field: 'title', value: `Title ${i}` }) });
                    times.push(performance.now() - from); }
                  return times; }""");
        print(
                "a change until it is kept",
                ((List<?>) times).stream().mapToDouble(WritingBench::number).toArray(),
                "");
    }

    private static double number(Object value) {
        return ((Number) value).doubleValue();
    }

    private static void print(String what, double[] times, String aim) {
        Arrays.sort(times);
        System.out.printf(
                "  %-34s %6.0f ms, 95 of 100 within %6.0f ms%s%n",
                what, times[times.length / 2], times[(int) (times.length * 0.95)], aim);
    }
}
