package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A headless Chromium, and the ways a person goes through the screens. All tests share one browser; each has contexts of its
 * own, which close with it. For one thread.
 */
final class Screens implements AutoCloseable {

    private static final String PASSWORD = "tarnfell-night";

    static {
        // What is expected may come late on a busy machine; what does not come fails all the same.
        PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
    }

    private static @Nullable Browser shared;

    /** Sessions of those who have signed in, by server and person. */
    private static final Map<String, String> SESSIONS = new HashMap<>();

    private final Browser browser;
    private final String base;
    private final List<BrowserContext> contexts = new ArrayList<>();
    private final List<String> complaints = new ArrayList<>();

    Screens(int port) {
        base = "http://localhost:" + port;
        browser = browser();
    }

    private static Browser browser() {
        if (shared == null || !shared.isConnected()) {
            Playwright playwright = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
            shared = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(chromium())
                            .setArgs(List.of(
                                    "--no-sandbox",
                                    "--disable-gpu",
                                    "--disable-background-networking",
                                    "--disable-component-update",
                                    "--disable-sync",
                                    "--no-first-run")));
            Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
        }
        return shared;
    }

    private static Path chromium() {
        String set = System.getenv("SHUTTLE_CHROMIUM");
        if (set != null && !set.isBlank()) {
            return Path.of(set);
        }
        return List.of("/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome").stream()
                .map(Path::of)
                .filter(Files::isExecutable)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("no Chromium; set SHUTTLE_CHROMIUM to its path"));
    }

    /** A page of somebody who has never been here. */
    Page stranger() {
        return stranger(1280, 800, ColorScheme.LIGHT);
    }

    /** A page of somebody whose browser kept this from a visit before. */
    Page returning(String storageState) {
        return page(
                new Browser.NewContextOptions().setStorageState(storageState).setViewportSize(1280, 800));
    }

    /** A page of somebody whose clock is elsewhere. */
    Page strangerIn(String zone) {
        return page(new Browser.NewContextOptions().setTimezoneId(zone).setViewportSize(1280, 800));
    }

    Page stranger(int width, int height, ColorScheme scheme) {
        return page(
                new Browser.NewContextOptions().setViewportSize(width, height).setColorScheme(scheme));
    }

    private Page page(Browser.NewContextOptions options) {
        BrowserContext context = browser.newContext(options.setBaseURL(base));
        contexts.add(context);
        context.setDefaultTimeout(15_000);
        context.onWebError(error -> complaints.add(error.error()));
        context.onConsoleMessage(message -> {
            if (message.type().equals("error") && !message.text().contains("Failed to load resource")) {
                complaints.add(message.text());
            }
        });
        return context.newPage();
    }

    /** A page of a person of the demo who is signed in, the first time by keyboard. It is to be led to an address. */
    Page signedIn(String person) {
        return signedIn(person, ColorScheme.LIGHT);
    }

    Page signedIn(String person, ColorScheme scheme) {
        String session = SESSIONS.get(base + person);
        if (session != null) {
            return page(new Browser.NewContextOptions()
                    .setStorageState(session)
                    .setViewportSize(1280, 800)
                    .setColorScheme(scheme));
        }
        Page page = signsIn(person, scheme);
        SESSIONS.put(base + person, page.context().storageState());
        return page;
    }

    /** A page of a person who has just signed in by keyboard. */
    Page signsIn(String person, ColorScheme scheme) {
        Page page = stranger(1280, 800, scheme);
        page.navigate("/sign-in");
        assertThat(page.locator("#username")).isFocused();
        page.keyboard().type(person + "@tarnfell.example");
        page.keyboard().press("Tab");
        page.keyboard().type(PASSWORD);
        page.keyboard().press("Enter");
        assertThat(page.locator(".bar .person")).isVisible();
        return page;
    }

    /** Errors that scripts have made, on any page so far. */
    List<String> complaints() {
        return complaints;
    }

    /** Presses Tab until the focus is on what the selector names, as somebody without a mouse does. */
    static void tabTo(Page page, String selector) {
        press(page, "Tab", selector);
    }

    static void tabBackTo(Page page, String selector) {
        press(page, "Shift+Tab", selector);
    }

    private static void press(Page page, String key, String selector) {
        for (int i = 0; i < 200; i++) {
            page.keyboard().press(key);
            if (Boolean.TRUE.equals(page.evaluate("s => document.activeElement.matches(s)", selector))) {
                return;
            }
        }
        throw new AssertionError("the keyboard does not reach " + selector);
    }

    /** Says something at the visitor's page and waits until the bot has replied. */
    static void say(Page page, String text) {
        Locator replies = page.locator(".bubble.bot");
        int before = replies.count();
        page.locator("#text").focus();
        page.keyboard().type(text);
        page.keyboard().press("Enter");
        assertThat(replies.nth(before)).isVisible();
        assertThat(page.locator("#offers")).not().hasClass(Pattern.compile("\\bwaiting\\b"));
    }

    @Override
    public void close() {
        contexts.forEach(BrowserContext::close);
    }
}
