package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Checked;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What people write about entries, articles and synonyms, checked. Pure functions. */
public final class KnowledgeForms {

    private static final int MOST_PHRASINGS = 100;
    private static final int LONGEST_PHRASING = 1000;
    private static final int LONGEST_ANSWER = 8000;
    private static final int LONGEST_ARTICLE = 200_000;
    private static final int MOST_GROUPS = 500;

    private KnowledgeForms() {}

    public static Checked<Entry> entry(String ref, EntryDraft draft) {
        Ties ties = draft.ties();
        List<String> questions = draft.phrasings()
                .lines()
                .map(Words::clean)
                .filter(line -> !line.isBlank())
                .distinct()
                .toList();
        List<String> replies = Arrays.stream(draft.answers().split("(?m)^-{3,}\\s*$"))
                .map(Words::clean)
                .filter(answer -> !answer.isBlank())
                .toList();
        Optional<Checked<Entry>> bad = standing(draft.standing())
                .require(!questions.isEmpty(), "phrasings", "Write the question as a visitor would ask it.")
                .require(
                        questions.size() <= MOST_PHRASINGS,
                        "phrasings",
                        "An entry takes up to " + MOST_PHRASINGS + " phrasings.")
                .require(
                        questions.stream().allMatch(question -> question.length() <= LONGEST_PHRASING),
                        "phrasings",
                        "A phrasing can be " + LONGEST_PHRASING + " characters long at most.")
                .require(!replies.isEmpty(), "answers", "Write the answer; without one the entry cannot be saved.")
                .require(
                        replies.stream().allMatch(reply -> reply.length() <= LONGEST_ANSWER),
                        "answers",
                        "An answer can be " + LONGEST_ANSWER + " characters long at most.")
                .require(draft.category().length() <= 200, "category", "A category can be 200 characters long at most.")
                .require(
                        ties.team().length() <= 200
                                && ties.flow().length() <= 200
                                && ties.article().length() <= 100,
                        "ties",
                        "The names of team, article and flow can be 100 characters long at most.")
                .require(ref.length() <= 90, "ref", "A reference can be 90 characters long at most.")
                .bad();
        return bad.orElseGet(() -> Checked.good(
                new Entry(ref, questions, replies, Words.clean(draft.category()), draft.standing(), ties)));
    }

    public static Checked<Article> article(
            String ref, String title, String markdown, String category, Standing standing) {
        Optional<Checked<Article>> bad = standing(standing)
                .require(!title.isBlank(), "title", "Give the article a title.")
                .require(title.length() <= 300, "title", "A title can be 300 characters long at most.")
                .require(!markdown.isBlank(), "markdown", "Write the article; without text it cannot be saved.")
                .require(
                        markdown.length() <= LONGEST_ARTICLE,
                        "markdown",
                        "An article can be 200,000 characters long at most; please cut it into several.")
                .require(category.length() <= 200, "category", "A category can be 200 characters long at most.")
                .require(ref.length() <= 90, "ref", "A reference can be 90 characters long at most.")
                .bad();
        return bad.orElseGet(() -> Checked.good(new Article(
                ref, Words.clean(title), markdown.replace("\r\n", "\n").strip(), Words.clean(category), standing)));
    }

    private static Checked.Errors standing(Standing standing) {
        return new Checked.Errors()
                .require(
                        standing.from() == null
                                || standing.until() == null
                                || !standing.until().isBefore(standing.from()),
                        "until",
                        "The last day lies before the first.");
    }

    /** @param text one group a line, its words separated by commas */
    static Checked<List<List<String>>> synonyms(String text) {
        List<List<String>> groups = new ArrayList<>();
        for (String line : text.lines().filter(line -> !line.isBlank()).toList()) {
            List<String> words = Arrays.stream(line.split(","))
                    .map(Words::clean)
                    .filter(word -> !word.isBlank())
                    .distinct()
                    .toList();
            if (words.size() < 2) {
                return Checked.bad(
                        "synonyms",
                        "“" + line.strip() + "” stands alone: a line needs two words or more, with commas.");
            }
            groups.add(words);
        }
        return groups.size() > MOST_GROUPS
                ? Checked.bad("synonyms", "Up to " + MOST_GROUPS + " groups are taken.")
                : Checked.good(groups);
    }
}
