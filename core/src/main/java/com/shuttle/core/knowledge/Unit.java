package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Finding.Source;
import java.util.List;
import java.util.stream.Stream;

/**
 * What can be found: an entry, or a passage of an article.
 *
 * @param title     the entry's first phrasing, or the article's title with the passage's heading
 * @param wordings  an entry's phrasings; a passage's headings
 * @param answers   what may be said, at least one
 * @param sentences of the first answer, at least one, plain text
 */
record Unit(
        String ref,
        Source source,
        String title,
        List<String> wordings,
        List<String> answers,
        List<String> sentences,
        Ties ties) {

    static List<Unit> of(Content content) {
        return Stream.concat(
                        content.entries().stream().map(Unit::of),
                        content.articles().stream().flatMap(article -> of(article).stream()))
                .toList();
    }

    static Unit of(Entry entry) {
        List<String> sentences = Passages.sentences(entry.answers().getFirst());
        return new Unit(
                entry.ref(),
                Source.ENTRY,
                entry.phrasings().getFirst(),
                entry.phrasings(),
                entry.answers(),
                sentences.isEmpty() ? entry.phrasings().subList(0, 1) : sentences,
                entry.ties());
    }

    /** A unit a passage. */
    static List<Unit> of(Article article) {
        return Passages.of(article).stream()
                .map(passage -> new Unit(
                        article.ref(),
                        Source.ARTICLE,
                        passage.heading(),
                        passage.own().isEmpty()
                                ? List.of(passage.heading())
                                : List.of(passage.heading(), passage.own()),
                        List.of(String.join(" ", passage.sentences())),
                        passage.sentences(),
                        Ties.NONE))
                .toList();
    }

    Unit as(String other, Ties otherTies) {
        return new Unit(other, source, title, wordings, answers, sentences, otherTies);
    }

    /** Of a passage, its own heading within its article; empty for none. */
    String heading() {
        return source == Source.ARTICLE && wordings.size() > 1 ? wordings.getLast() : "";
    }

    /** All its words. */
    String text() {
        return String.join("\n", wordings) + "\n" + String.join("\n", answers);
    }

    /** Title and answer as one text. */
    String whole() {
        return title + " " + String.join(" ", sentences);
    }
}
