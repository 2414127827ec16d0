package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import com.shuttle.core.table.TableAnswers;
import com.shuttle.core.table.TableAnswers.TableAnswer;
import java.util.List;
import java.util.Optional;

/**
 * Answers of tables as matches. The ref of such a match has the table's ref and the question, so that the answer can be
 * given again when a visitor chooses it among suggestions. Pure functions.
 */
public final class TableMatch {

    private static final char BETWEEN = '?';

    /** What is understood less surely than this is no match, not even a weak one. */
    private static final double LEAST = 0.3;

    private TableMatch() {}

    /** What a table answers, to the question as typed or as mended, whichever is understood better. */
    static Optional<Match> of(TableAnswers table, String typed, String mended) {
        Optional<TableAnswer> asTyped = table.ask(typed);
        Optional<TableAnswer> asMended = mended.equals(typed) ? Optional.empty() : table.ask(mended);
        boolean typedIsBetter = asMended.isEmpty()
                || asTyped.isPresent()
                        && asTyped.get().confidence() >= asMended.get().confidence();
        String question = typedIsBetter ? typed : mended;
        return (typedIsBetter ? asTyped : asMended)
                .filter(answer -> answer.confidence() >= LEAST)
                .map(answer -> match(table, question, answer));
    }

    private static Match match(TableAnswers table, String question, TableAnswer answer) {
        String understood = answer.query().words();
        return new Match(
                table.table().ref() + BETWEEN + question,
                Source.TABLE,
                understood,
                answer.confidence(),
                List.of(answer.markdown()),
                new Why(understood, 0, answer.confidence(), List.of()));
    }

    /** The ref of the table that a match's ref names; empty where it names none. */
    public static Optional<String> table(String ref) {
        int at = ref.indexOf(BETWEEN);
        return at < 0 ? Optional.empty() : Optional.of(ref.substring(0, at));
    }

    /** The answer behind a ref once more. */
    public static Optional<Match> again(TableAnswers table, String ref) {
        String question = ref.substring(ref.indexOf(BETWEEN) + 1);
        return table.ask(question).map(answer -> match(table, question, answer));
    }
}
