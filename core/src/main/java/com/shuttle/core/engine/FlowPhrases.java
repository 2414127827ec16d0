package com.shuttle.core.engine;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.acts.Act;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** The phrases that lead to flows, and which of them a message says. For one turn. */
final class FlowPhrases {

    /** Cosine from which a request says what a phrase says. */
    private static final double SAYS_THE_SAME = 0.55;

    private final TurnRun run;

    FlowPhrases(TurnRun run) {
        this.run = run;
    }

    /** The phrase of another flow that stands in a message word for word; null for none. */
    Playbook.@Nullable Phrase said(String text) {
        if (run.playbook.phrases().isEmpty()) {
            return null;
        }
        String normal = " " + Words.normal(text) + " ";
        return elsewhere()
                .filter(phrase -> normal.contains(" " + phrase.normal() + " "))
                .findFirst()
                .orElse(null);
    }

    /** The phrase that a request says in other words, the nearest in meaning; null for none. */
    Playbook.@Nullable Phrase meant(String text, ClauseActs acts) {
        if (!acts.known() || acts.whole().act() != Act.REQUEST || said(text) != null) {
            return null;
        }
        List<Playbook.Phrase> phrases = elsewhere().toList();
        double[] near = run.around()
                .meaning()
                .nearness(text, phrases.stream().map(Playbook.Phrase::normal).toList());
        int best = -1;
        for (int i = 0; i < near.length; i++) {
            best = near[i] >= SAYS_THE_SAME && (best < 0 || near[i] > near[best]) ? i : best;
        }
        return best < 0 ? null : phrases.get(best);
    }

    private Stream<Playbook.Phrase> elsewhere() {
        Place here = run.at();
        return run.playbook.phrases().stream()
                .filter(phrase -> here == null || !phrase.flow().equals(here.flow()))
                .filter(phrase -> run.playbook.startOf(phrase.flow()) != null);
    }

    Heard lead(Playbook.Phrase phrase) {
        return Heard.of(
                        new TalkMove.Visit(requireNonNull(run.playbook.startOf(phrase.flow()))),
                        "phrase of a flow",
                        "“" + phrase.normal() + "” leads to " + run.playbook.nameOf(phrase.flow()))
                .as(Strengths.PHRASE);
    }
}
