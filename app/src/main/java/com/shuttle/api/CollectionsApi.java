package com.shuttle.api;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.reading.Words;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import com.shuttle.web.MostBytes;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Collections of knowledge for programs. */
@RestController
@RequestMapping("/api/v1/collections")
@Tag(name = "Knowledge", description = "Collections of entries and articles, and asking them.")
class CollectionsApi {

    record NewCollection(@Nullable String name) {}

    record Created(String id) {}

    record EntryForm(
            @Nullable String ref,
            @Nullable List<String> phrasings,
            @Nullable List<String> answers,
            @Nullable String category) {}

    record ArticleForm(
            @Nullable String ref,
            @Nullable String title,
            @Nullable String markdown,
            @Nullable String category) {}

    record ContentForm(
            @Nullable List<EntryForm> entries,
            @Nullable List<ArticleForm> articles,
            @Nullable List<List<String>> synonyms) {}

    /** @param problems what was left out and why */
    record Replaced(int entries, int articles, List<String> problems) {}

    record Question(
            @Size(max = MOST_TURNS, message = TURNS) @Nullable
            List<@Size(max = Words.LONGEST_MESSAGE, message = TURNS) String> turns) {}

    record MatchView(String ref, String source, double confidence) {}

    record Answer(String outcome, double confidence, String reply, List<MatchView> matches) {}

    private static final int MOST_TURNS = 10;
    private static final String TURNS =
            "Up to " + MOST_TURNS + " turns of up to " + Words.LONGEST_MESSAGE + " characters are taken.";

    private final KnowledgeService knowledge;

    CollectionsApi(KnowledgeService knowledge) {
        this.knowledge = knowledge;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(summary = "Make an empty collection")
    Created create(@RequestBody NewCollection form) {
        return switch (knowledge.create(form.name() == null ? "" : form.name())) {
            case Checked.Good<String>(String id) -> new Created(id);
            case Checked.Bad<String> bad ->
                throw Problems.unfit(String.join(" ", bad.errors().values()));
        };
    }

    @MostBytes(MostBytes.FILE)
    @PutMapping("/{id}/content")
    @Operation(summary = "Replace entries, articles and synonyms and publish them; unfit parts are left out and listed")
    Replaced replace(@PathVariable String id, @RequestBody ContentForm form) {
        List<String> problems = new ArrayList<>();
        Set<String> refs = new HashSet<>();
        List<Entry> entries = new ArrayList<>();
        for (EntryForm entry : orEmpty(form.entries())) {
            List<String> phrasings = texts(entry.phrasings());
            List<String> answers = texts(entry.answers());
            String ref = text(entry.ref());
            if (fits("entry", ref, refs, problems)
                    && has(!phrasings.isEmpty(), "entry", ref, "has no phrasing", problems)
                    && has(!answers.isEmpty(), "entry", ref, "has no answer", problems)) {
                entries.add(new Entry(ref, phrasings, answers, text(entry.category())));
            }
        }
        List<Article> articles = new ArrayList<>();
        for (ArticleForm article : orEmpty(form.articles())) {
            String ref = text(article.ref());
            String title = text(article.title());
            String markdown = article.markdown() == null ? "" : article.markdown();
            if (fits("article", ref, refs, problems)
                    && has(!title.isBlank(), "article", ref, "has no title", problems)
                    && has(!markdown.isBlank(), "article", ref, "has no text", problems)) {
                articles.add(new Article(ref, title, markdown, text(article.category())));
            }
        }
        List<List<String>> synonyms = orEmpty(form.synonyms()).stream()
                .map(CollectionsApi::texts)
                .filter(group -> group.size() > 1)
                .toList();
        knowledge.replace(id, new Content(entries, articles, synonyms));
        return new Replaced(entries.size(), articles.size(), problems);
    }

    @PostMapping("/{id}/ask")
    @Operation(summary = "Ask a collection; earlier questions of the same person go before the question")
    Answer ask(@PathVariable String id, @Valid @RequestBody Question question) {
        knowledge.collection(id);
        List<String> turns = texts(question.turns());
        if (turns.isEmpty()) {
            throw Problems.unfit("There is no question in \"turns\".");
        }
        Finding finding = knowledge.ask(List.of(id), turns);
        return new Answer(
                finding.outcome().name().toLowerCase(Locale.ROOT),
                finding.confidence(),
                finding.outcome() == Finding.Outcome.ANSWER ? finding.reply() : "",
                finding.matches().stream()
                        .map(match -> new MatchView(
                                match.ref(), match.source().name().toLowerCase(Locale.ROOT), match.confidence()))
                        .toList());
    }

    private static boolean fits(String kind, String ref, Set<String> refs, List<String> problems) {
        return has(
                        !ref.isBlank() && Length.REF.holds(ref),
                        kind,
                        ref,
                        "needs a ref of 1 to " + Length.REF.most() + " characters",
                        problems)
                && has(refs.add(ref), kind, ref, "has a ref that was used before", problems);
    }

    private static boolean has(boolean fine, String kind, String ref, String problem, List<String> problems) {
        if (!fine) {
            problems.add(kind + " \"" + ref + "\" " + problem);
        }
        return fine;
    }

    private static <T> List<T> orEmpty(@Nullable List<T> list) {
        return list == null ? List.of() : list.stream().filter(Objects::nonNull).toList();
    }

    private static List<String> texts(@Nullable List<String> texts) {
        return orEmpty(texts).stream()
                .map(Words::clean)
                .filter(text -> !text.isBlank())
                .toList();
    }

    private static String text(@Nullable String text) {
        return text == null ? "" : Words.clean(text);
    }
}
