package com.shuttle.standins;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A stand-in for the observatory's website: some pages in a look of their own, with an enquiry form, and the panel's tag on each
 * once it is known. Its own page stands at {@code /stand-in}.
 */
public final class ObservatorySite extends HttpStandIn {

    private static final Map<String, String> PAGES = new LinkedHashMap<>();

    static {
        PAGES.put("/", "Home");
        PAGES.put("/visit", "Visit us");
        PAGES.put("/schools", "Schools");
        PAGES.put("/hire", "Hire the dome");
        PAGES.put("/ask", "Ask us");
    }

    private static final String STYLE = """
            body { margin: 0; font: 17px/1.6 Georgia, serif; color: #24301f; background: #eef2e6; }
            header { padding: 26px 8vw; background: #2f4a33; color: #f3f5ea; }
            header h1 { margin: 0 0 8px; font-size: 30px; }
            nav a { margin-right: 22px; color: #d9e6c4; }
            nav a[aria-current] { color: #fff; text-decoration: none; }
            main { max-width: 720px; padding: 28px 8vw 90px; }
            label { display: block; margin: 12px 0 4px; }
            input, textarea { width: 100%; max-width: 440px; padding: 8px; font: inherit; border: 1px solid #8b9b80; }
            button { margin-top: 14px; padding: 9px 22px; font: inherit; color: #fff; background: #2f4a33; border: 0; }
            footer { padding: 20px 8vw; color: #5a684f; }
            """;

    private final List<String> enquiries = new ArrayList<>();
    private volatile String tag = "";

    public ObservatorySite(int port) throws IOException {
        super("Website", port);
    }

    /** Puts the panel's tag on every page from now on. */
    public void panel(String script, String site) {
        tag = "<script src=\"%s\" data-site=\"%s\" async></script>".formatted(script, site);
    }

    /** Scheme, host and port of its pages. */
    public String address() {
        return "http://localhost:" + port();
    }

    @Override
    protected String page() {
        return "/stand-in";
    }

    @Override
    protected synchronized Reply reply(Call call) {
        if (call.path().equals("/site.css")) {
            return new Reply(200, STYLE, "text/css; charset=utf-8");
        }
        if (call.path().equals("/sent")) {
            enquiries.add(
                    call.form().getOrDefault("name", "") + ": " + call.form().getOrDefault("wish", ""));
            return html("Thank you", "<p>We have your enquiry and answer within two days.</p>", "/hire");
        }
        String title = PAGES.get(call.path());
        return title == null
                ? new Reply(404, "<h1>There is no such page</h1>", "text/html; charset=utf-8")
                : html(title, text(call.path()), call.path());
    }

    private static String text(String path) {
        return switch (path) {
            case "/visit" ->
                "<p>The dome stands open from Wednesday to Sunday. On clear Thursdays, Fridays and Saturdays there are"
                        + " telescope nights on the terrace.</p><p>The lower car park has 120 spaces.</p>"
                        + "<p>Bring something warm: the terrace is windy, whatever the season.</p>";
            case "/schools" ->
                "<p>A day with us is four hours: a show under the dome, the workshop, and the sky by day.</p>"
                        + "<p>We welcome classes from year one on, with one grown-up for every eight children.</p>";
            case "/hire" -> """
                <p>Dinner for eighty, and the sky of your choice above it. Write to us with what you have in mind.</p>
                <form name="enquiry" action="/sent" method="post">
                <label for="name">Your name</label><input id="name" name="name" autocomplete="name">
                <label for="email">Your email</label><input id="email" name="email" type="email" autocomplete="email">
                <label for="wish">What you have in mind</label><textarea id="wish" name="wish" rows="4"></textarea>
                <button>Send the enquiry</button></form>
                """;
            case "/ask" ->
                "<p>Ask anything about a visit; somebody of ours joins in where it is needed.</p>"
                        + "<div data-shuttle style=\"height: 34rem\"></div>";
            default ->
                "<p>On a hill above the moor, with a dome, a terrace full of telescopes and a workshop that mends them."
                        + "</p><p>Come by on a clear night, bring your class, or have the dome to yourselves for an evening.</p>";
        };
    }

    private Reply html(String title, String text, String path) {
        StringBuilder nav = new StringBuilder();
        PAGES.forEach((to, name) -> nav.append("<a href=\"")
                .append(to)
                .append(to.equals(path) ? "\" aria-current=\"page\">" : "\">")
                .append(name)
                .append("</a>"));
        String html = """
                <!doctype html><html lang="en"><head><meta charset="utf-8"><title>%s – Tarnfell Observatory</title>
                <meta name="viewport" content="width=device-width, initial-scale=1"><link rel="icon" href="data:,">
                <link rel="stylesheet" href="/site.css">%s</head><body>
                <header><h1>Tarnfell Observatory</h1><nav>%s</nav></header><main><h2>%s</h2>%s</main>
                <footer>Tarnfell Observatory, on the hill</footer></body></html>
                """.formatted(title, tag, nav, title, text);
        return new Reply(200, html, "text/html; charset=utf-8");
    }

    @Override
    protected synchronized List<List<String>> kept() {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Enquiry"));
        enquiries.reversed().forEach(enquiry -> rows.add(List.of(enquiry)));
        return rows;
    }
}
