package com.shuttle.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.commonmark.Extension;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Heading;
import org.commonmark.node.Node;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.NodeRenderer;
import org.commonmark.renderer.html.HtmlNodeRendererContext;
import org.commonmark.renderer.html.HtmlRenderer;
import org.commonmark.renderer.html.HtmlWriter;
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

    private static final List<Extension> WITH_TABLES = List.of(TablesExtension.create());
    private static final Parser ARTICLE_PARSER =
            Parser.builder().extensions(WITH_TABLES).build();
    private static final HtmlRenderer ARTICLE_RENDERER = HtmlRenderer.builder()
            .extensions(WITH_TABLES)
            .escapeHtml(true)
            .nodeRendererFactory(Headings::new)
            .build();
    private static final PolicyFactory SAFE_ARTICLE = SAFE.and(new HtmlPolicyBuilder()
            .allowElements(
                    "h2", "h3", "h4", "h5", "h6", "table", "thead", "tbody", "tr", "th", "td", "img", "hr", "pre")
            .allowUrlProtocols("http", "https")
            .allowAttributes("src", "alt", "title")
            .onElements("img")
            .allowAttributes("id")
            .matching(Pattern.compile("part-[a-z0-9-]{1,80}"))
            .onElements("h2", "h3", "h4", "h5", "h6")
            .toFactory());

    /** Bots say the same things to everybody. */
    private final Cache<String, String> rendered =
            Caffeine.newBuilder().maximumSize(5000).build();

    /** Safe HTML of a text. */
    public String html(String markdown) {
        return rendered.get(markdown, text -> SAFE.sanitize(RENDERER.render(PARSER.parse(text))));
    }

    /** Safe HTML of an article: headings (one level down, each with an anchor), tables and pictures too. */
    public String article(String markdown) {
        return SAFE_ARTICLE.sanitize(ARTICLE_RENDERER.render(ARTICLE_PARSER.parse(markdown)));
    }

    /** Small Markdown as it reads without marks; an address follows the words it stands behind. */
    public static String plain(String markdown) {
        return markdown.replaceAll("(?<!\\\\)\\[([^\\]]+)\\]\\(([^)\\s]+)\\)", "$1 ($2)")
                .replaceAll("(?<!\\\\)\\*{1,2}([^*]+?)(?<!\\\\)\\*{1,2}", "$1")
                .replaceAll("\\\\([\\\\\\[\\]<>*`])", "$1");
    }

    /** The anchor of a heading within its article. */
    public static String anchor(String heading) {
        String plain =
                heading.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        return "part-" + (plain.length() > 80 ? plain.substring(0, 80) : plain);
    }

    /** The page has a first heading of its own. */
    private record Headings(HtmlNodeRendererContext context) implements NodeRenderer {

        @Override
        public Set<Class<? extends Node>> getNodeTypes() {
            return Set.of(Heading.class);
        }

        @Override
        public void render(Node node) {
            Heading heading = (Heading) node;
            String tag = "h" + Math.min(6, heading.getLevel() + 1);
            StringBuilder text = new StringBuilder();
            heading.accept(new AbstractVisitor() {
                @Override
                public void visit(Text part) {
                    text.append(part.getLiteral());
                }
            });
            HtmlWriter html = context.getWriter();
            html.line();
            html.tag(tag, Map.of("id", anchor(text.toString())));
            for (Node child = heading.getFirstChild(); child != null; child = child.getNext()) {
                context.render(child);
            }
            html.tag("/" + tag);
            html.line();
        }
    }
}
