package com.shuttle.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.owasp.html.HtmlPolicyBuilder;
import org.owasp.html.PolicyFactory;
import org.springframework.stereotype.Component;

/** Markdown as HTML that is safe to show: bold, italic, code, links, lists and paragraphs, nothing else. Thread-safe. */
@Component("markdown")
public class Markdown {

    private static final Parser PARSER = Parser.builder().build();
    private static final HtmlRenderer RENDERER =
            HtmlRenderer.builder().escapeHtml(true).softbreak("<br>").build();
    private static final PolicyFactory SAFE = new HtmlPolicyBuilder()
            .allowElements("p", "br", "strong", "em", "code", "ul", "ol", "li", "a", "blockquote")
            .allowUrlProtocols("http", "https", "mailto", "tel")
            .allowAttributes("href")
            .onElements("a")
            .requireRelsOnLinks("nofollow", "noopener", "noreferrer")
            .toFactory();

    /** Bots say the same things to everybody. */
    private final Cache<String, String> rendered =
            Caffeine.newBuilder().maximumSize(5000).build();

    /** Safe HTML of a text. */
    public String html(String markdown) {
        return rendered.get(markdown, text -> SAFE.sanitize(RENDERER.render(PARSER.parse(text))));
    }
}
