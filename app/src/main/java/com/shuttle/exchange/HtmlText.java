package com.shuttle.exchange;

import java.util.List;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/** Turns HTML into the Markdown that answers are written in: paragraphs, bold, italic, links, lists. Pure functions. */
final class HtmlText {

    private HtmlText() {}

    static String markdown(List<Element> elements) {
        StringBuilder out = new StringBuilder();
        elements.forEach(element -> write(element, out));
        return out.toString()
                .replaceAll("[ \\t]+\\n", "\n")
                .replaceAll("\\n{3,}", "\n\n")
                .strip();
    }

    private static void write(Node node, StringBuilder out) {
        if (node instanceof TextNode text) {
            out.append(text.getWholeText().replaceAll("\\s+", " "));
            return;
        }
        if (!(node instanceof Element element)) {
            return;
        }
        switch (element.normalName()) {
            case "script", "style", "template" -> {}
            case "br" -> out.append('\n');
            case "b", "strong" -> around(element, "**", out);
            case "i", "em" -> around(element, "*", out);
            case "a" -> link(element, out);
            case "li" -> {
                boolean numbered = element.parent() != null
                        && element.parent().normalName().equals("ol");
                out.append('\n').append(numbered ? (element.elementSiblingIndex() + 1) + ". " : "- ");
                children(element, out);
            }
            case "p", "div", "ul", "ol", "dd", "section", "table", "tr", "h1", "h2", "h3", "h4", "h5", "h6" -> {
                out.append("\n\n");
                children(element, out);
                out.append("\n\n");
            }
            default -> children(element, out);
        }
    }

    private static void children(Element element, StringBuilder out) {
        element.childNodes().forEach(child -> write(child, out));
    }

    private static void around(Element element, String mark, StringBuilder out) {
        StringBuilder inner = new StringBuilder();
        children(element, inner);
        String text = inner.toString().strip();
        if (!text.isEmpty()) {
            out.append(mark).append(text).append(mark);
        }
    }

    private static void link(Element element, StringBuilder out) {
        StringBuilder inner = new StringBuilder();
        children(element, inner);
        String to = element.absUrl("href");
        String text = inner.toString().strip();
        boolean kept = to.startsWith("https://") || to.startsWith("http://") || to.startsWith("mailto:");
        out.append(kept && !text.isEmpty() ? "[" + text + "](" + to + ")" : text);
    }
}
