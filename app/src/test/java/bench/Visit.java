package bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.shuttle.ServerProcess;
import com.shuttle.core.bench.Figure;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** A designer who is signed in at a server with the demo's data, in Chromium, with a watch in hand. */
final class Visit implements AutoCloseable {

    private final ServerProcess server;
    private final Playwright playwright;
    final Page page;

    /** @param main the server's class */
    Visit(String main) throws IOException {
        Path data = Files.createTempDirectory("shuttle-bench");
        server = ServerProcess.start(data, main, Map.of("SHUTTLE_DEMO", "true"), "-XX:+UseSerialGC");
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        String chromium = System.getenv().getOrDefault("SHUTTLE_CHROMIUM", "/usr/bin/chromium");
        Browser browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of(chromium))
                        .setArgs(List.of("--no-sandbox", "--disable-gpu")));
        page = browser.newPage(new Browser.NewPageOptions()
                .setBaseURL(server.uri("/").toString())
                .setViewportSize(1280, 800));
        page.setDefaultTimeout(90_000);
        page.navigate("/sign-in");
        page.locator("#username").fill("maren.holt@tarnfell.example");
        page.locator("input[type=password]").fill("tarnfell-night");
        page.keyboard().press("Enter");
        page.locator(".bar .person").waitFor();
    }

    /** How long it takes, in milliseconds. */
    static double time(Runnable task) {
        long from = System.nanoTime();
        task.run();
        return (System.nanoTime() - from) / 1e6;
    }

    /** The middle of times, and what 95 of 100 stay within. @param aim for the latter, in milliseconds; 0 for none */
    static void tell(String part, String what, double[] times, double aim) {
        Arrays.sort(times);
        Figure.of(part, what, times[times.length / 2], "ms").tell();
        Figure most = Figure.of(part, what + ", 95 of 100", times[(int) (times.length * 0.95)], "ms");
        (aim > 0 ? most.atMost(aim) : most).tell();
    }

    @Override
    public void close() {
        playwright.close();
        server.kill();
    }
}
