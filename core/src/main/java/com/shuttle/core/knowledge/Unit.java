package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Finding.Source;
import java.util.ArrayList;
import java.util.List;

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
        List<Unit> units = new ArrayList<>();
        for (Entry entry : content.entries()) {
            List<String> sentences = Passages.sentences(entry.answers().getFirst());
            units.add(new Unit(
                    entry.ref(),
                    Source.ENTRY,
                    entry.phrasings().getFirst(),
                    entry.phrasings(),
                    entry.answers(),
                    sentences.isEmpty() ? entry.phrasings().subList(0, 1) : sentences,
                    entry.ties()));
        }
        for (Article article : content.articles()) {
            for (Passages.Passage passage : Passages.of(article)) {
                List<String> headings = passage.own().isEmpty()
                        ? List.of(passage.heading())
                        : List.of(passage.heading(), passage.own());
                units.add(new Unit(
                        article.ref(),
                        Source.ARTICLE,
                        passage.heading(),
                        headings,
                        List.of(String.join(" ", passage.sentences())),
                        passage.sentences(),
                        Ties.NONE));
            }
        }
        return List.copyOf(units);
    }

    /** Title and answer as one text. */
    String whole() {
        return title + " " + String.join(" ", sentences);
    }
}
