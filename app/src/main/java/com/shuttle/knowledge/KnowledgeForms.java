package com.shuttle.knowledge;

import com.shuttle.core.flow.Media;
import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What people write about entries, articles and synonyms, checked. Pure functions. */
public final class KnowledgeForms {

    private static final int MOST_PHRASINGS = 100;
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
                .require(questions.stream().allMatch(Length.PHRASING::holds), "phrasings", Length.PHRASING.tooLong())
                .require(!replies.isEmpty(), "answers", "Write the answer; without one the entry cannot be saved.")
                .require(replies.stream().allMatch(Length.ANSWER::holds), "answers", Length.ANSWER.tooLong())
                .fits(draft.category(), Length.CATEGORY, "category")
                .require(
                        Length.NAME.holds(ties.team())
                                && Length.NAME.holds(ties.flow())
                                && Length.REF.holds(ties.article()),
                        "ties",
                        "The names of team, article and flow can be " + Length.REF.most() + " characters long at most.")
                .require(
                        Media.isAddress(ties.beside().shown())
                                || ties.beside().shown().isEmpty(),
                        "shown",
                        "An address begins with https:// or with / for a file of this application.")
                .fits(ties.beside().alt(), Length.TITLE, "alt")
                .fits(ties.beside().leadOn(), Length.PHRASING, "leadOn")
                .require(
                        ties.beside().next().stream().allMatch(Length.CATEGORY::holds),
                        "next",
                        Length.CATEGORY.tooLong())
                .fits(ref, Length.REF, "ref")
                .bad();
        return bad.orElseGet(() -> Checked.good(
                new Entry(ref, questions, replies, Words.clean(draft.category()), draft.standing(), ties)));
    }

    public static Checked<Article> article(
            String ref, String title, String markdown, String category, Standing standing) {
        Optional<Checked<Article>> bad = standing(standing)
                .require(!title.isBlank(), "title", "Give the article a title.")
                .fits(title, Length.TITLE, "title")
                .require(!markdown.isBlank(), "markdown", "Write the article; without text it cannot be saved.")
                .require(
                        Length.ARTICLE.holds(markdown),
                        "markdown",
                        Length.ARTICLE.tooLong() + " Please cut it into several.")
                .fits(category, Length.CATEGORY, "category")
                .fits(ref, Length.REF, "ref")
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
