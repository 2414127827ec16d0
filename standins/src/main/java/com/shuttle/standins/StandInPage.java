package com.shuttle.standins;

import com.shuttle.standins.HttpStandIn.Arrival;
import java.util.List;

/** The page of a stand-in. */
final class StandInPage {

    private static final String STYLE = """
            body{font:16px/1.5 system-ui,sans-serif;max-width:900px;margin:32px auto;padding:0 16px;color-scheme:light dark}
            table{border-collapse:collapse;width:100%;margin:8px 0 24px}td,th{text-align:left;padding:5px 9px;vertical-align:top;
            border-bottom:1px solid #8886;overflow-wrap:anywhere}th{white-space:nowrap}
            pre{margin:0;white-space:pre-wrap}button{font:inherit;margin:2px 4px 2px 0}
            button[disabled]{font-weight:700}""";

    private StandInPage() {}

    static String of(String name, Mood mood, List<List<String>> kept, List<Arrival> arrivals) {
        StringBuilder page = begin(name);
        page.append("<p>A stand-in for a service outside. It ")
                .append(mood.words())
                .append(".</p><form method=post action=/mood>");
        for (Mood one : Mood.values()) {
            page.append("<button name=mood value=%s%s>%s</button>"
                    .formatted(one.key(), one == mood ? " disabled" : "", one.words()));
        }
        page.append("</form><h2>What it keeps</h2>");
        table(page, kept);
        page.append("<h2>What arrived</h2><table><tr><th>At<th>Call<th>Text<th>Key<th>Reply</tr>");
        for (Arrival arrival : arrivals) {
            page.append("<tr><td>%s<td>%s %s<td><pre>%s</pre><td>%s<td>%s</tr>"
                    .formatted(
                            arrival.at(),
                            arrival.method(),
                            escaped(arrival.path()),
                            escaped(arrival.body()),
                            escaped(arrival.key()),
                            arrival.status() == 0 ? "none" : arrival.status()));
        }
        return page.append("</table>").toString();
    }

    static StringBuilder begin(String name) {
        return new StringBuilder(
                "<!doctype html><html lang=en><meta charset=utf-8><title>%s</title><style>%s</style><h1>%s</h1>"
                        .formatted(name, STYLE, name));
    }

    /** @param rows the first names the columns */
    static void table(StringBuilder page, List<List<String>> rows) {
        page.append("<table>");
        for (int i = 0; i < rows.size(); i++) {
            page.append("<tr>");
            for (String cell : rows.get(i)) {
                page.append(i == 0 ? "<th>" : "<td>").append(escaped(cell));
            }
            page.append("</tr>");
        }
        page.append("</table>");
    }

    static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
