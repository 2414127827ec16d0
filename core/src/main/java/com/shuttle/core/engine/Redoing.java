package com.shuttle.core.engine;

import com.shuttle.core.acts.Act;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.engine.steps.Players;
import com.shuttle.core.engine.turn.DrawnOptions;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.listening.RepairReader;
import com.shuttle.core.reading.OptionsSaid;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Goes back to a thing that is named without its new value ("I'd like to change the date"): what was answered since stays, and is
 * not asked again. For one turn.
 */
final class Redoing {

    /** How likely a message must want to change something, or correct it. */
    private static final double LIKELY = 0.6;

    /** Cosine of what is meant to its question, and its lead over the next. */
    private static final double NEAR = 0.4;

    private static final double LEAD = 0.08;

    /** Something known, and the question that it answers. */
    private record Answered(Slot slot, Place place, String question) {}

    private final TurnRun run;
    private final Walker walker;
    private final ClauseActs acts;

    Redoing(Walker walker, ClauseActs acts) {
        this.run = walker.run();
        this.walker = walker;
        this.acts = acts;
    }

    /** What a message wants to answer once more; null where it names nothing that was answered. */
    @Nullable
    Heard of(String text) {
        double odds = acts.likeliest(Kind.CHANGE) + acts.likeliest(Kind.BACK) + acts.likeliest(Act.CORRECT);
        Heard chosen = acts.likeliest(Act.CORRECT) < LIKELY ? null : choosing(text);
        if (chosen != null) {
            return chosen;
        }
        Answered meant = odds < LIKELY ? null : meant(text);
        return meant == null
                ? null
                : Heard.of(
                        new TalkMove.AskAnew(meant.slot().name(), meant.place()),
                        "back to a question",
                        meant.slot().name());
    }

    /** "No, a dome show": another option of what was chosen before, the latest choice first. */
    @Nullable
    Heard choosing(String text) {
        String bare = RepairReader.unmarked(text);
        for (Place place : run.trail.places().reversed()) {
            if (run.playbook.step(place) instanceof Choice choice && !choice.many()) {
                List<Option> options = choice.drawn()
                        ? DrawnOptions.of(choice, run).stream()
                                .map(DrawnOptions.Drawn::option)
                                .toList()
                        : choice.options();
                List<Option> wanted = OptionsSaid.of(bare, options).wanted();
                if (wanted.size() == 1 && !place.equals(run.at())) {
                    Option option = wanted.getFirst();
                    return Heard.of(
                            new TalkMove.ChooseInstead(place, option), "another choice", "“" + option.label() + "”");
                }
            }
        }
        return null;
    }

    /** The one that is named, or else plainly the nearest in meaning. */
    private @Nullable Answered meant(String text) {
        List<Answered> answered = answered();
        List<Answered> named = answered.stream()
                .filter(one -> SeveralReader.names(text, one.slot()))
                .toList();
        if (named.size() == 1) {
            return named.getFirst();
        }
        List<Answered> among = named.isEmpty() ? answered : named;
        double[] near = run.around()
                .meaning()
                .nearness(text, among.stream().map(Answered::question).toList());
        List<Integer> order = Stream.iterate(0, i -> i + 1)
                .limit(near.length)
                .sorted(Comparator.comparingDouble(i -> -near[i]))
                .toList();
        if (order.isEmpty() || near[order.getFirst()] < NEAR) {
            return null;
        }
        boolean plain = order.size() < 2 || near[order.getFirst()] - near[order.get(1)] >= LEAD;
        return plain ? among.get(order.getFirst()) : null;
    }

    private List<Answered> answered() {
        List<Answered> all = new ArrayList<>();
        List<Place> places = new ArrayList<>(run.trail.places());
        if (run.at() != null && !places.contains(run.at())) {
            places.add(run.at());
        }
        for (Place place : places) {
            Step step = run.playbook.step(place);
            if (step instanceof Choice choice) {
                run.playbook.choices().stream()
                        .filter(chosen -> chosen.place().equals(place))
                        .forEach(chosen -> add(all, chosen.slot(), place, first(choice)));
            } else if (step != null) {
                for (Wanted wanted : step.wants()) {
                    add(all, Slot.of(wanted), place, wanted.called() + " " + first(step));
                }
            }
        }
        return all;
    }

    private void add(List<Answered> all, Slot slot, Place place, String question) {
        if (run.facts.knows(slot.name())) {
            all.add(new Answered(slot, place, question.strip()));
        }
    }

    private static String first(Step step) {
        return step.wordings().isEmpty() ? "" : step.wordings().getFirst();
    }

    void perform(TalkMove.OfPast move) {
        switch (move) {
            case TalkMove.AskAnew(String variable, Place place) -> askAnew(variable, place);
            case TalkMove.ChooseInstead(Place place, Option option) -> {
                run.stand(place);
                Awaiting offered = new Awaiting.Pick(Offers.of(List.of(option)), 0);
                run.await(offered);
                walker.player().pick(offered, List.of(option.id()));
            }
        }
    }

    private void askAnew(String asked, Place there) {
        List<Place> places = run.trail.places();
        for (Playbook.Chosen choice : run.playbook.choices()) {
            String variable = choice.slot().name();
            Value value = run.facts.value(variable);
            if (value != null && places.indexOf(choice.place()) > places.indexOf(there)) {
                run.facts.tell(variable, value);
            }
        }
        if (run.playbook.step(there) instanceof Choice) {
            Players.of(run.playbook.step(there), walker).forget();
        } else {
            run.facts.forget(asked);
        }
        run.await(null);
        run.stand(there);
    }
}
