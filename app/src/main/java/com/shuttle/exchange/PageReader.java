package com.shuttle.exchange;

import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Finds questions with their answers on a web page: what its FAQPage of schema.org says (JSON-LD), its definition lists, its
 * details elements, and headings that ask with what follows them. The same question counts once, the first way. Scripts and
 * styles are not read. Pure functions.
 */
final class PageReader {

    /** Where what a heading introduces ends: at the next one, and at what has questions of its own. */
    private static final Set<String> ENDS = Set.of("h1", "h2", "h3", "h4", "h5", "h6", "dl", "details");

    private static final int MOST = 1000;

    private PageReader() {}

    static List<Found> read(String html, String address) throws Unreadable {
        Document page = Jsoup.parse(html, address);
        Map<String, String> found = new LinkedHashMap<>();
        for (Element script : page.select("script[type=application/ld+json]")) {
            try {
                linked(JsonMapper.shared().readTree(script.data()), found);
            } catch (JacksonException e) {
                // Broken data of a page are no data; what it shows may still be read.
                continue;
            }
        }
        page.select("script,style,noscript,template,nav,header,footer,form").remove();
        for (Element term : page.select("dl > dt, dl > div > dt")) {
            List<Element> said = new ArrayList<>();
            for (Element next = term.nextElementSibling();
                    next != null && next.normalName().equals("dd");
                    next = next.nextElementSibling()) {
                said.add(next);
            }
            put(found, term.text(), HtmlText.markdown(said));
        }
        for (Element details : page.select("details")) {
            Element summary = details.selectFirst("> summary");
            if (summary != null) {
                List<Element> said = details.children().stream()
                        .filter(child -> child != summary)
                        .toList();
                String own = details.ownText();
                put(found, summary.text(), said.isEmpty() ? own : HtmlText.markdown(said));
            }
        }
        for (Element heading : page.select("h1,h2,h3,h4,h5,h6")) {
            if (Words.looksLikeQuestion(heading.text())) {
                put(found, heading.text(), HtmlText.markdown(below(heading)));
            }
        }
        if (found.isEmpty()) {
            throw new Unreadable(
                    "No questions with answers were found on this page: no FAQ data, no definition lists, no"
                            + " details that open, no headings that ask.");
        }
        List<Found> all = new ArrayList<>();
        found.forEach((question, answer) -> all.add(Found.entry(all.size() + 1, question, answer)));
        return all.size() > MOST ? all.subList(0, MOST) : all;
    }

    private static List<Element> below(Element heading) {
        List<Element> said = new ArrayList<>();
        for (Element next = heading.nextElementSibling();
                next != null && !ENDS.contains(next.normalName());
                next = next.nextElementSibling()) {
            said.add(next);
        }
        return said;
    }

    private static void put(Map<String, String> found, String question, String answer) {
        String clean = Words.clean(question);
        boolean known = found.keySet().stream()
                .anyMatch(other -> other.toLowerCase(Locale.ROOT).equals(clean.toLowerCase(Locale.ROOT)));
        if (!clean.isBlank() && !answer.isBlank() && !known) {
            found.put(clean, answer);
        }
    }

    private static void linked(JsonNode node, Map<String, String> found) {
        if (node.isArray()) {
            node.forEach(each -> linked(each, found));
            return;
        }
        if (node.has("@graph")) {
            linked(node.get("@graph"), found);
        }
        if (!is(node, "FAQPage")) {
            return;
        }
        JsonNode questions = node.path("mainEntity");
        for (JsonNode question : questions.isArray() ? questions : List.of(questions)) {
            JsonNode answer = question.path("acceptedAnswer");
            JsonNode text = (answer.isArray() ? answer.path(0) : answer).path("text");
            if (is(question, "Question") && text.isString()) {
                Element body = Jsoup.parseBodyFragment(text.asString()).body();
                body.select("script,style").remove();
                put(
                        found,
                        Jsoup.parseBodyFragment(question.path("name").asString(""))
                                .text(),
                        HtmlText.markdown(List.of(body)));
            }
        }
    }

    private static boolean is(JsonNode node, String type) {
        JsonNode types = node.path("@type");
        if (types.isArray()) {
            for (JsonNode one : types) {
                if (one.asString("").equals(type)) {
                    return true;
                }
            }
            return false;
        }
        return types.asString("").equals(type);
    }
}
