package com.shuttle.core.engine;

import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionMatcher;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;

/** Takes typed text as the answer to a choice. */
final class ChoiceListener {

    private final TurnRun run;
    private final Walker walker;
    private final Picks picks;
    private final Asking asking;

    ChoiceListener(TurnRun run, Walker walker, Picks picks) {
        this.run = run;
        this.walker = walker;
        this.picks = picks;
        this.asking = new Asking(run, walker);
    }

    /** False where the text means none of the options. */
    boolean take(Choice choice, String text) {
        Awaiting awaiting = run.awaiting();
        List<Option> offered = Offers.options(choice, run).stream()
                .filter(option -> awaiting != null && awaiting.offers(option.id()))
                .toList();
        if (choice.many()) {
            return answersMany(offered, text);
        }
        boolean mayMean =
                !Words.looksLikeQuestion(text) && Words.of(text).size() <= 12 && choice.exit("otherwise") == null;
        switch (OptionMatcher.match(
                text, offered, run.around().context(), mayMean ? run.around().meaning() : Meaning.NONE)) {
            case OptionMatcher.Match.One(Option option, String by) -> {
                run.trace("answer to the choice", "“" + option.label() + "” by " + by);
                asking.keepWhatElse(text, List.of(choice.variable()));
                picks.pick(List.of(option.id()));
                return true;
            }
            case OptionMatcher.Match.Several(List<Option> options) -> {
                run.trace("unclear", "between " + options.size() + " options");
                run.sayOneOf(List.of(Phrasebook.WHICH), Offers.of(options));
                return true;
            }
            case OptionMatcher.Match.None() -> {
                if (choice.exit("otherwise") != null) {
                    run.trace("typed something else", "");
                    asking.keepWhatElse(text, List.of());
                    run.open(text);
                    walker.leave(choice, "otherwise");
                    return true;
                }
                return false;
            }
        }
    }

    private boolean answersMany(List<Option> offered, String text) {
        if (Reader.reply(
                        ValueType.MULTI_CHOICE,
                        text,
                        run.around().context(),
                        offered,
                        run.around().meaning())
                instanceof Reading.Given(Value.Many(List<String> labels), int start, int end)) {
            List<String> ids = offered.stream()
                    .filter(option -> labels.contains(option.label()))
                    .map(Option::id)
                    .toList();
            run.trace("answer to the choice", String.join(", ", labels));
            if (ids.isEmpty() && run.playbook.step(run.at()) instanceof Choice choice) {
                run.trail.add(run.at());
                if (!choice.variable().isBlank()) {
                    run.facts.set(choice.variable(), new Value.Many(List.of()));
                }
                walker.leave(choice, Choice.PICKED.id());
            } else {
                picks.pick(ids);
            }
            return true;
        }
        return false;
    }
}
