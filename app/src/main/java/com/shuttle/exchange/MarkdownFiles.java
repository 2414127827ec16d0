package com.shuttle.exchange;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.web.SafeZip;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Articles as Markdown files, alone or in a zip. Lines {@code ref:}, {@code title:} and {@code category:} between two lines of dashes at the head
 * of a file say what the text does not; without them the first heading, or the file's name, is the title. Pure functions.
 */
final class MarkdownFiles {

    private static final Pattern HEAD = Pattern.compile("\\A---\\R(.*?)\\R---\\R?(.*)\\z", Pattern.DOTALL);
    private static final Pattern FIELD = Pattern.compile("(?m)^(ref|title|category|state|from|until):[ \\t]*(.*)$");
    private static final Pattern TITLE = Pattern.compile("(?m)^#\\s+(.+)$");

    private MarkdownFiles() {}

    static List<Found> zip(byte[] bytes) throws Unreadable {
        try {
            List<Found> found = new ArrayList<>();
            for (Map.Entry<String, byte[]> file :
                    SafeZip.read(new ByteArrayInputStream(bytes)).entrySet()) {
                if (file.getKey().endsWith(".md")) {
                    found.add(file(found.size() + 1, file.getKey(), SheetReader.text(file.getValue())));
                }
            }
            if (found.isEmpty()) {
                throw new Unreadable("There is no Markdown file (.md) in this zip.");
            }
            return found;
        } catch (SafeZip.Refused e) {
            throw new Unreadable(e.getMessage());
        } catch (IOException e) {
            throw new Unreadable("This is no zip that can be read.");
        }
    }

    static Found file(int line, String name, String text) {
        Map<String, String> said = new HashMap<>();
        String body = text;
        Matcher head = HEAD.matcher(text);
        if (head.matches()) {
            body = head.group(2);
            Matcher field = FIELD.matcher(head.group(1));
            while (field.find()) {
                said.put(field.group(1), field.group(2).strip());
            }
        }
        String title = said.getOrDefault("title", "");
        if (title.isEmpty()) {
            Matcher heading = TITLE.matcher(body);
            title = heading.find()
                    ? heading.group(1).strip()
                    : name.replaceFirst(".*/", "").replaceFirst("\\.md$", "").replace('-', ' ');
        }
        Standing standing = new Standing(
                !said.getOrDefault("state", "").equals("draft"),
                Columns.day(said.getOrDefault("from", "")),
                Columns.day(said.getOrDefault("until", "")));
        return new Found(
                line,
                Found.Kind.ARTICLE,
                said.getOrDefault("ref", ""),
                title,
                body.strip(),
                said.getOrDefault("category", ""),
                standing,
                Ties.NONE);
    }

    static void write(List<Article> articles, OutputStream out) throws IOException {
        Set<String> names = new HashSet<>();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Article article : articles) {
                String plain = article.ref().replaceAll("[^A-Za-z0-9_-]+", "-");
                String name = plain.isEmpty() || plain.length() > 60 ? "article" : plain;
                for (int i = 2; !names.add(name); i++) {
                    name = name.replaceFirst("-\\d+$", "") + "-" + i;
                }
                zip.putNextEntry(new ZipEntry(name + ".md"));
                String head = "---\nref: " + article.ref() + "\ntitle: " + line(article.title()) + "\ncategory: "
                        + line(article.category()) + "\nstate: "
                        + (article.standing().published() ? "published" : "draft") + "\nfrom: "
                        + Sheets.day(article.standing().from()) + "\nuntil: "
                        + Sheets.day(article.standing().until()) + "\n---\n";
                zip.write((head + article.markdown().strip() + "\n").getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
    }

    private static String line(String text) {
        return text.replaceAll("\\R", " ");
    }
}
