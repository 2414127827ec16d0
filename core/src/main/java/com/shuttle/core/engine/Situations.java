package com.shuttle.core.engine;

import com.shuttle.core.acts.Situation;
import com.shuttle.core.acts.Situation.Pending;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** In what situation a conversation finds a message: what it waits for, in which words, and what is known by then. */
final class Situations {

    /** What was told longer ago is seldom spoken of. */
    private static final int MOST_KNOWN = 10;

    private Situations() {}

    static Situation of(TurnRun run, Walker walker) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        Wanted wanted = awaiting == null ? null : walker.player().wanted(awaiting);
        return new Situation(
                pending(awaiting, step, wanted),
                wanted == null || hasOptions(wanted.type()) ? timed(awaiting) : wanted.type(),
                question(step, wanted),
                options(awaiting, wanted),
                known(run));
    }

    private static boolean hasOptions(ValueType type) {
        return type == ValueType.CHOICE || type == ValueType.MULTI_CHOICE;
    }

    /** Where free times are offered a day and an hour are asked for. */
    private static @Nullable ValueType timed(@Nullable Awaiting awaiting) {
        return awaiting instanceof Awaiting.Slot ? ValueType.DATE_TIME : null;
    }

    private static Pending pending(@Nullable Awaiting awaiting, @Nullable Step step, @Nullable Wanted wanted) {
        return switch (awaiting) {
            case null -> Pending.OPEN;
            case Awaiting.OpenQuestion ignored -> Pending.OPEN;
            case Awaiting.Suggestion ignored -> Pending.OFFERED;
            case Awaiting.Which ignored -> Pending.CHOICE;
            case Awaiting.Confirm ignored -> Pending.CONFIRM;
            case Awaiting.Facts facts when facts.facts().isEmpty() -> Pending.CONFIRM;
            case Awaiting.Pick ignored ->
                step instanceof Choice choice && choice.many() ? Pending.SEVERAL : Pending.CHOICE;
            default ->
                wanted == null
                        ? awaiting instanceof Awaiting.Slot ? Pending.VALUE : Pending.OPEN
                        : wanted.type() == ValueType.CHOICE
                                ? Pending.CHOICE
                                : wanted.type() == ValueType.MULTI_CHOICE ? Pending.SEVERAL : Pending.VALUE;
        };
    }

    private static String question(@Nullable Step step, @Nullable Wanted wanted) {
        return switch (wanted) {
            case Question question -> first(question.wordings());
            case Fact fact when !fact.ask().isBlank() -> fact.ask();
            case Fact fact -> fact.called();
            case null, default -> step == null ? "" : first(step.wordings());
        };
    }

    private static String first(List<String> wordings) {
        return wordings.isEmpty() ? "" : wordings.getFirst();
    }

    private static List<String> options(@Nullable Awaiting awaiting, @Nullable Wanted wanted) {
        if (wanted != null && !wanted.options().isEmpty()) {
            return wanted.options().stream().map(Option::label).toList();
        }
        return awaiting == null
                ? List.of()
                : awaiting.offers().stream().map(Offer::label).toList();
    }

    private static Map<String, String> known(TurnRun run) {
        List<Map.Entry<String, Value>> all = new ArrayList<>(run.facts.all().entrySet());
        Map<String, String> known = new LinkedHashMap<>();
        all.subList(Math.max(0, all.size() - MOST_KNOWN), all.size())
                .forEach(entry -> known.put(
                        entry.getKey().replace('_', ' '), entry.getValue().shown()));
        return known;
    }
}
