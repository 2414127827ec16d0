package com.shuttle.core.engine;

import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Yes and no where they are not said: "we'll come in our own car" says yes to "Will you bring your own car?", and "none of us has
 * driven before" no to "Has any of you driven before?". A clause says it to the question that it is near in meaning, and nearer than
 * to any other; whether it is yes or no tells a denial in one of the two. Of 560 clauses that answered or told
 * something else, five came as near as is asked for here, and all five did say yes or no. For one turn.
 */
final class Implied {

    /** Cosine of a clause and the question it is taken for an answer to, and its lead over other questions. */
    private static final double NEAR = 0.5;

    /** The same where it is known that something is being corrected, so that only what is left to find out. */
    private static final double NEAR_ENOUGH = 0.3;

    private static final double LEAD = 0.05;

    /** Fewer words imply nothing, and more say something else too. */
    private static final int FEWEST = 3;

    private static final int MOST = 14;

    /** What denies one thing only. */
    private static final int MOST_DENIED = 4;

    /** A question and what a clause says to it. */
    record Said(String variable, Value.YesNo value) {}

    private final TurnRun run;

    Implied(TurnRun run) {
        this.run = run;
    }

    /**
     * What a clause says to a question for yes or no.
     *
     * @param sure  whether it surely says something to one of them
     * @param which of their variables are looked at
     */
    Optional<Said> in(String clause, boolean sure, Predicate<String> which) {
        int words = Words.of(clause).size();
        List<Wanted> asked = run.playbook.wanted().stream()
                .filter(one -> one.type() == ValueType.YES_NO && which.test(one.variable()))
                .toList();
        if (words < FEWEST || words > MOST || asked.isEmpty()) {
            return Optional.empty();
        }
        List<Wanted> all = new ArrayList<>(asked);
        run.playbook.wanted().stream().filter(one -> !asked.contains(one)).forEach(all::add);
        List<String> questions = all.stream().map(Implied::question).toList();
        double[] near = run.around().meaning().nearness(clause, questions);
        int best = 0;
        double rival = -1;
        for (int i = 1; i < near.length; i++) {
            boolean better = near[i] > near[best];
            rival = Math.max(rival, better ? near[best] : near[i]);
            best = better ? i : best;
        }
        if (best >= asked.size() || near[best] < (sure ? NEAR_ENOUGH : NEAR) || near[best] - rival < LEAD) {
            return Optional.empty();
        }
        boolean yes = denies(clause) == denies(questions.get(best));
        return Optional.of(new Said(all.get(best).variable(), new Value.YesNo(yes)));
    }

    /**
     * "No lunch", which names what one question for yes or no is about: a no to it.
     *
     * @param which of their variables are looked at
     */
    Optional<Said> denied(String text, Predicate<String> which) {
        List<String> words = Words.of(text);
        if (words.size() < 2 || words.size() > MOST_DENIED || !Words.deny(words.subList(0, 1))) {
            return Optional.empty();
        }
        List<String> named = words.subList(1, words.size());
        List<Wanted> meant = run.playbook.wanted().stream()
                .filter(one -> one.type() == ValueType.YES_NO && which.test(one.variable()))
                .filter(one -> Words.of(question(one)).containsAll(named))
                .toList();
        return meant.size() != 1
                ? Optional.empty()
                : Optional.of(new Said(meant.getFirst().variable(), new Value.YesNo(false)));
    }

    static boolean denies(String text) {
        List<String> words = Words.of(text);
        return Words.deny(words) || words.stream().anyMatch(word -> word.endsWith("n't"));
    }

    private static String question(Wanted wanted) {
        return switch (wanted) {
            case Question question
            when !question.wordings().isEmpty() -> question.wordings().getFirst();
            case Fact fact when !fact.ask().isBlank() -> fact.ask();
            default -> wanted.called().isBlank() ? wanted.variable().replace('_', ' ') : wanted.called();
        };
    }
}
