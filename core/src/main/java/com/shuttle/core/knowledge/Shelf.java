package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.ReadOn;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What an index holds, by its refs. Immutable. */
final class Shelf {

    private final Map<String, Article> articles = new HashMap<>();
    private final List<Unit> units;

    Shelf(List<Article> articles, List<Unit> units) {
        articles.forEach(article -> this.articles.put(article.ref(), article));
        this.units = units;
    }

    /** The article that a unit is from, or that says more. */
    @Nullable
    ReadOn readOn(Unit unit) {
        boolean passage = unit.source() == Source.ARTICLE;
        Article article = articles.get(passage ? unit.ref() : unit.ties().article());
        if (article == null) {
            return null;
        }
        String heading = passage && unit.title().startsWith(article.title() + ": ")
                ? unit.title().substring(article.title().length() + 2)
                : "";
        return new ReadOn(article.ref(), article.title(), heading);
    }

    /** What stands behind the ref of an earlier match, as a match of confidence 1: an entry or a whole article. */
    Optional<Match> byRef(String ref) {
        Article article = articles.get(ref);
        if (article != null) {
            return Optional.of(new Match(
                    ref,
                    Source.ARTICLE,
                    article.title(),
                    1,
                    List.of(article.markdown()),
                    new Why(article.title(), 1, 1, List.of()),
                    Ties.NONE,
                    new ReadOn(ref, article.title(), "")));
        }
        return units.stream()
                .filter(unit -> unit.ref().equals(ref))
                .findFirst()
                .map(unit -> new Match(
                        ref,
                        unit.source(),
                        unit.title(),
                        1,
                        unit.answers(),
                        new Why(unit.title(), 1, 1, List.of()),
                        unit.ties(),
                        readOn(unit)));
    }
}
