package com.shuttle.exchange;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.exchange.Verdict.State;
import com.shuttle.knowledge.EntryDraft;
import com.shuttle.knowledge.KnowledgeForms;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Outgoing;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.springframework.stereotype.Service;

/**
 * Bringing knowledge in: what a file or page holds is kept in memory until it is looked over, mended and taken. Nothing is
 * saved before. Thread-safe.
 */
@Service
class ImportService {

    private final KnowledgeService knowledge;
    private final Outgoing outgoing;
    private final Cache<String, Import> waiting = Caffeine.newBuilder()
            .maximumSize(50)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    ImportService(KnowledgeService knowledge, Outgoing outgoing) {
        this.knowledge = knowledge;
        this.outgoing = outgoing;
    }

    /** Reads a file by the ending of its name. The id of what waits. */
    Checked<String> file(String collection, String name, byte[] bytes) {
        String low = name.toLowerCase(Locale.ROOT);
        try {
            if (low.endsWith(".xlsx")) {
                return kept(collection, name, SheetReader.xlsx(bytes));
            }
            if (low.endsWith(".csv") || low.endsWith(".tsv") || low.endsWith(".txt")) {
                return kept(collection, name, SheetReader.csv(bytes));
            }
            if (low.endsWith(".zip")) {
                return kept(collection, name, MarkdownFiles.zip(bytes));
            }
            if (low.endsWith(".md")) {
                return kept(collection, name, List.of(MarkdownFiles.file(1, name, SheetReader.text(bytes))));
            }
            if (low.endsWith(".html") || low.endsWith(".htm")) {
                return kept(collection, name, PageReader.read(SheetReader.text(bytes), ""));
            }
            return Checked.bad(
                    "file",
                    "Files of this kind cannot be read. Choose CSV, XLSX, HTML, Markdown or a zip of Markdown.");
        } catch (Unreadable e) {
            return Checked.bad("file", e.getMessage());
        }
    }

    /** Reads a web page. The id of what waits. */
    Checked<String> page(String collection, String address) {
        try {
            return kept(
                    collection,
                    address.strip(),
                    PageReader.read(SheetReader.text(outgoing.page(address)), address.strip()));
        } catch (Outgoing.Refused e) {
            return Checked.bad("address", e.getMessage());
        } catch (Unreadable e) {
            return Checked.bad("address", e.getMessage());
        }
    }

    private Checked<String> kept(String collection, String name, Sheet sheet) {
        String id = Ids.next();
        waiting.put(id, Import.of(id, collection, name, sheet, Columns.guess(sheet)));
        return Checked.good(id);
    }

    private Checked<String> kept(String collection, String name, List<Found> found) {
        String id = Ids.next();
        waiting.put(id, new Import(id, collection, name, null, null, found));
        return Checked.good(id);
    }

    /** @throws Missing if it does not wait, or no longer */
    Import waiting(String collection, String id) {
        Import one = waiting.getIfPresent(id);
        if (one == null || !one.collection().equals(collection)) {
            throw new Missing("import", id);
        }
        return one;
    }

    /** Reads a table anew with other columns; those of state and days stay as guessed. */
    void columns(String collection, String id, int ref, int question, int more, int answer, int category) {
        Import one = waiting(collection, id);
        if (one.sheet() != null && one.columns() != null) {
            Columns were = one.columns();
            Columns columns = new Columns(
                    ref,
                    question,
                    more,
                    answer,
                    category,
                    were.state(),
                    were.from(),
                    were.until(),
                    were.team(),
                    were.article(),
                    were.flow());
            waiting.put(id, Import.of(id, collection, one.name(), one.sheet(), columns.within(one.sheet())));
        }
    }

    void mend(String collection, String id, int line, String question, String answer, String category) {
        Import one = waiting(collection, id);
        one.found().stream()
                .filter(found -> found.line() == line)
                .findFirst()
                .ifPresent(found -> waiting.put(
                        id,
                        one.mended(new Found(
                                line,
                                found.kind(),
                                found.ref(),
                                question,
                                answer,
                                category,
                                found.standing(),
                                found.ties()))));
    }

    void forget(String collection, String id) {
        waiting(collection, id);
        waiting.invalidate(id);
    }

    /** What would become of each thing found, in its order. */
    List<Verdict> verdicts(Import one) {
        Content there = knowledge.content(one.collection());
        Map<String, Entry> byRef = new HashMap<>();
        Map<String, Entry> byQuestion = new HashMap<>();
        for (Entry entry : there.entries()) {
            byRef.put(entry.ref(), entry);
            byQuestion.put(same(entry.phrasings().getFirst()), entry);
        }
        Map<String, Article> articles = new HashMap<>();
        for (Article article : there.articles()) {
            articles.put(article.ref(), article);
            articles.put("title " + same(article.title()), article);
        }
        Set<String> seen = new HashSet<>();
        List<Verdict> verdicts = new ArrayList<>();
        for (Found found : one.found()) {
            Verdict verdict =
                    found.kind() == Found.Kind.ENTRY ? entry(found, byRef, byQuestion) : article(found, articles);
            String ref = verdict.entry() != null
                    ? verdict.entry().ref()
                    : verdict.article() != null ? verdict.article().ref() : "";
            boolean twice = verdict.good() && !seen.add(ref)
                    || verdict.entry() != null
                            && !seen.add("question "
                                    + same(verdict.entry().phrasings().getFirst()));
            verdicts.add(
                    twice
                            ? Verdict.faulty(found, "The same question or reference stands further up already.")
                            : verdict);
        }
        return verdicts;
    }

    private static String same(String question) {
        return question.strip().toLowerCase(Locale.ROOT);
    }

    private static Verdict entry(Found found, Map<String, Entry> byRef, Map<String, Entry> byQuestion) {
        String first = found.question().lines().findFirst().orElse("");
        Entry before = found.ref().isEmpty() ? byQuestion.get(same(first)) : byRef.get(found.ref());
        String ref = before != null ? before.ref() : found.ref().isEmpty() ? Ids.next() : found.ref();
        // What a file says nothing of stays.
        Ties ties = before != null && found.ties().equals(Ties.NONE) ? before.ties() : found.ties();
        return switch (KnowledgeForms.entry(
                ref, new EntryDraft(found.question(), found.answer(), found.category(), found.standing(), ties))) {
            case Checked.Bad<Entry> bad ->
                Verdict.faulty(found, String.join(" ", bad.errors().values()));
            case Checked.Good<Entry>(Entry entry) ->
                new Verdict(
                        found,
                        before == null ? State.NEW : before.equals(entry) ? State.SAME : State.CHANGED,
                        "",
                        entry,
                        null);
        };
    }

    private static Verdict article(Found found, Map<String, Article> there) {
        Article before = there.get(found.ref().isEmpty() ? "title " + same(found.question()) : found.ref());
        String ref = before != null ? before.ref() : found.ref().isEmpty() ? Ids.next() : found.ref();
        return switch (KnowledgeForms.article(
                ref, found.question(), found.answer(), found.category(), found.standing())) {
            case Checked.Bad<Article> bad ->
                Verdict.faulty(found, String.join(" ", bad.errors().values()));
            case Checked.Good<Article>(Article article) ->
                new Verdict(
                        found,
                        before == null ? State.NEW : before.equals(article) ? State.SAME : State.CHANGED,
                        "",
                        null,
                        article);
        };
    }

    /**
     * Saves the good ones whose lines are not left out, all in one transaction, and forgets the rest.
     *
     * @return how many were saved; none where {@code all} is wanted and one is faulty
     */
    int take(String collection, String id, Set<Integer> leftOut, boolean all) {
        Import one = waiting(collection, id);
        List<Verdict> wanted = verdicts(one).stream()
                .filter(verdict -> !leftOut.contains(verdict.found().line()))
                .toList();
        if (all && !wanted.stream().allMatch(Verdict::good)) {
            return 0;
        }
        List<Verdict> saved = wanted.stream()
                .filter(verdict -> verdict.state() == State.NEW || verdict.state() == State.CHANGED)
                .toList();
        knowledge.merge(
                collection,
                new Content(
                        saved.stream()
                                .map(Verdict::entry)
                                .filter(Objects::nonNull)
                                .toList(),
                        saved.stream()
                                .map(Verdict::article)
                                .filter(Objects::nonNull)
                                .toList(),
                        List.of()));
        waiting.invalidate(id);
        return saved.size();
    }
}
