package com.shuttle.core.engine;

import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.listening.Claim;
import com.shuttle.core.listening.Source;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Weighing;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What all sources claim of one message. For one message of one turn. */
final class Claims {

    private final String text;
    private final List<Claim<Heard>> all = new ArrayList<>();
    private Weighing.Weighed<Heard> weighed = new Weighing.Weighed<>(List.of(), Map.of());

    /** @param text as the sources have read it */
    Claims(String text) {
        this.text = text;
    }

    /** @param others words that a source leaves to others, wherever they stand in what it claims */
    void add(Source source, @Nullable Heard what, List<Span> others) {
        if (what != null) {
            all.add(what.claim(source, text, others));
        }
    }

    /** Decides among all that was claimed so far. */
    void weigh() {
        weighed = Weighing.of(text, all);
    }

    boolean won(Source source) {
        return of(source).findAny().isPresent();
    }

    /** What won of a source, in the order of the message. */
    List<Heard> winners(Source source) {
        return of(source).map(Claim::what).toList();
    }

    /** The words that a source has won. */
    List<Span> words(Source source) {
        return of(source).flatMap(claim -> claim.words().stream()).toList();
    }

    private Stream<Claim<Heard>> of(Source source) {
        return weighed.won().stream().filter(claim -> claim.source() == source);
    }

    boolean none() {
        return weighed.won().isEmpty();
    }

    /** Says who claimed which words, and who won them. */
    void trace(TurnRun run) {
        for (Claim<Heard> claim : weighed.won()) {
            run.trace("heard", said(claim));
        }
        weighed.lost()
                .forEach((lost, to) -> run.trace(
                        "outweighed", said(lost) + ", by the " + to.source().label()));
    }

    private String said(Claim<Heard> claim) {
        String words = Span.words(text, claim.words());
        String quoted = words.isEmpty() ? "" : "“" + words + "” – ";
        String says = claim.says().isEmpty() || claim.says().equals(words) ? "" : ": " + claim.says();
        return quoted + claim.source().label() + says + " (" + Math.round(100 * claim.strength()) + " %)";
    }
}
