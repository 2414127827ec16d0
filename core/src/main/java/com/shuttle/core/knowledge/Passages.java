package com.shuttle.core.knowledge;

import java.text.BreakIterator;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Cuts articles into passages at their Markdown headings, and passages into sentences. Pure functions. */
final class Passages {

    /**
     * @param heading   the article's title, and the passage's own heading where it has one
     * @param own       the passage's own heading, or empty
     * @param sentences at least one, plain text
     */
    record Passage(String heading, String own, List<String> sentences) {}

    private static final Pattern HEADING = Pattern.compile("^#{1,6}\\s+(.*?)\\s*#*$");
    private static final Pattern RULE = Pattern.compile("^\\s*\\|?(\\s*:?-+:?\\s*\\|?)+\\s*$");
    private static final Pattern MARKS = Pattern.compile("\\[([^]]*)]\\([^)]*\\)|[*_`]{1,3}");

    /** What a picture shows is described for those who cannot see it, and says nothing that the article says. */
    private static final Pattern PICTURES = Pattern.compile("!\\[[^]]*]\\([^)]*\\)");

    private Passages() {}

    static List<Passage> of(Article article) {
        List<Passage> passages = new ArrayList<>();
        String heading = "";
        StringBuilder body = new StringBuilder();
        for (String line : article.markdown().split("\\R")) {
            Matcher matcher = HEADING.matcher(line);
            if (matcher.matches()) {
                add(passages, article, heading, body);
                heading = matcher.group(1);
            } else {
                body.append(line).append('\n');
            }
        }
        add(passages, article, heading, body);
        return passages;
    }

    private static void add(List<Passage> passages, Article article, String heading, StringBuilder body) {
        List<String> sentences = sentences(body.toString());
        body.setLength(0);
        if (!sentences.isEmpty()) {
            boolean own = !heading.isBlank() && !heading.equals(article.title());
            passages.add(new Passage(
                    own ? article.title() + ": " + heading : article.title(), own ? heading : "", sentences));
        }
    }

    /**
     * The rows of tables as list items that can be read by themselves: {@code | Wren | 2 kg |} below {@code | Name | Weight |} is
     * {@code Wren: weight 2 kg}.
     */
    private static String withRowsRead(String markdown) {
        List<String> header = List.of();
        StringBuilder out = new StringBuilder();
        String[] lines = markdown.split("\\R");
        for (int i = 0; i < lines.length; i++) {
            if (!lines[i].strip().startsWith("|")) {
                header = List.of();
                if (i > 0 && lines[i - 1].strip().startsWith("|")) {
                    out.append('\n');
                }
                out.append(lines[i]).append('\n');
            } else if (header.isEmpty()
                    && i + 1 < lines.length
                    && RULE.matcher(lines[i + 1]).matches()) {
                header = cells(lines[i++]);
            } else {
                out.append("- ").append(row(header, cells(lines[i]))).append('\n');
            }
        }
        return out.toString();
    }

    private static List<String> cells(String line) {
        return Arrays.stream(line.strip().replaceAll("^\\||\\|$", "").split("(?<!\\\\)\\|"))
                .map(String::strip)
                .toList();
    }

    private static String row(List<String> header, List<String> cells) {
        List<String> told = new ArrayList<>();
        for (int i = 1; i < cells.size(); i++) {
            String name = i < header.size() ? header.get(i).toLowerCase(Locale.ROOT) + " " : "";
            if (!cells.get(i).isEmpty()) {
                told.add(name + cells.get(i));
            }
        }
        return cells.getFirst() + (told.isEmpty() ? "" : ": " + String.join(", ", told));
    }

    /** List items and table rows are sentences of their own. */
    static List<String> sentences(String markdown) {
        List<String> sentences = new ArrayList<>();
        String told = PICTURES.matcher(markdown).replaceAll("");
        for (String block : withRowsRead(told).split("\\n\\s*\\n|\\n(?=\\s*(?:[-*+|]|\\d+[.)])\\s)")) {
            String plain = MARKS.matcher(block.replaceFirst("^\\s*(?:[-*+>]|\\d+[.)])\\s+", ""))
                    .replaceAll("$1")
                    .replaceAll("\\s+", " ")
                    .strip();
            BreakIterator breaks = BreakIterator.getSentenceInstance(Locale.ENGLISH);
            breaks.setText(plain);
            for (int from = breaks.first(), to = breaks.next();
                    to != BreakIterator.DONE;
                    from = to, to = breaks.next()) {
                String sentence = plain.substring(from, to).strip();
                if (sentence.length() > 1 && !sentence.matches("[|:\\s-]+")) {
                    sentences.add(sentence);
                }
            }
        }
        return sentences;
    }
}
