package com.shuttle.core.knowledge;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A collection with questions of which is known what answers them.
 *
 * @param content   entries and articles
 * @param questions about it, and some it does not answer
 */
record Labelled(String name, Content content, List<Question> questions) {

    /** @param accept the refs that answer; none where the collection does not cover it */
    record Question(List<String> turns, List<String> accept) {}

    /** The made-up collections among the test resources. */
    static List<Labelled> shipped() throws IOException {
        try (Stream<Path> files = Files.list(Path.of("src/test/resources/knowledge"))) {
            return files.sorted().map(Labelled::read).toList();
        }
    }

    /**
     * Lines: {@code #} name, {@code ~} synonyms, {@code ?} phrasing, {@code =} answer, {@code @} article, {@code ##} heading, {@code >} a
     * question that what stands above answers ({@code >>} between turns), {@code !} one that nothing answers.
     */
    private static Labelled read(Path file) {
        List<Entry> entries = new ArrayList<>();
        List<Article> articles = new ArrayList<>();
        List<List<String>> synonyms = new ArrayList<>();
        List<Question> questions = new ArrayList<>();
        List<String> phrasings = new ArrayList<>();
        String title = "";
        StringBuilder text = new StringBuilder();
        String ref = "";
        try {
            for (String line : Files.readAllLines(file)) {
                String rest = line.length() > 2 ? line.substring(2).strip() : "";
                switch (line.isEmpty() ? ' ' : line.startsWith("##") ? '.' : line.charAt(0)) {
                    case '~' -> synonyms.add(List.of(rest.split(", *")));
                    case '?' -> phrasings.add(rest);
                    case '=' -> {
                        ref = "e" + entries.size();
                        entries.add(new Entry(ref, phrasings, List.of(rest), ""));
                        phrasings.clear();
                    }
                    case '@' -> {
                        close(articles, title, text);
                        title = rest;
                        ref = "a" + articles.size();
                    }
                    case '>' -> questions.add(new Question(List.of(rest.split(" *>> *")), List.of(ref)));
                    case '!' -> questions.add(new Question(List.of(rest), List.of()));
                    case '#', ' ' -> {}
                    default -> text.append(line.startsWith("##") ? "\n\n" + line + "\n\n" : line + "\n");
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        close(articles, title, text);
        return new Labelled(file.getFileName().toString(), new Content(entries, articles, synonyms), questions);
    }

    private static void close(List<Article> articles, String title, StringBuilder text) {
        if (!title.isEmpty()) {
            articles.add(new Article("a" + articles.size(), title, text.toString(), ""));
            text.setLength(0);
        }
    }

    /** A folder with {@code kb.json} and {@code queries.jsonl}. */
    static Labelled folder(Path folder) throws IOException {
        JsonNode kb = JsonMapper.shared().readTree(Files.readString(folder.resolve("kb.json")));
        List<Entry> entries = new ArrayList<>();
        for (JsonNode qa : kb.get("qa")) {
            entries.add(new Entry(
                    qa.get("id").asString(),
                    strings(qa.get("phrasings")),
                    List.of(qa.get("answer").asString()),
                    ""));
        }
        List<Article> articles = new ArrayList<>();
        for (JsonNode article : kb.get("articles")) {
            articles.add(new Article(
                    article.get("id").asString(),
                    article.get("title").asString(),
                    article.get("markdown").asString(),
                    ""));
        }
        List<List<String>> synonyms = new ArrayList<>();
        kb.path("synonyms").forEach(group -> synonyms.add(strings(group)));
        List<Question> questions = new ArrayList<>();
        for (String line : Files.readAllLines(folder.resolve("queries.jsonl"))) {
            JsonNode query = JsonMapper.shared().readTree(line);
            questions.add(new Question(strings(query.get("turns")), strings(query.get("accept"))));
        }
        return new Labelled(folder.getFileName().toString(), new Content(entries, articles, synonyms), questions);
    }

    private static List<String> strings(JsonNode array) {
        List<String> strings = new ArrayList<>();
        array.forEach(node -> strings.add(node.asString()));
        return strings;
    }
}
