package com.shuttle.core.engine;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.steps.Answering;
import com.shuttle.core.engine.steps.Player;
import com.shuttle.core.engine.steps.Players;
import com.shuttle.core.engine.turn.AnswerCheck;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.listening.Clauses;
import com.shuttle.core.listening.Known;
import com.shuttle.core.listening.Moods;
import com.shuttle.core.listening.Repair;
import com.shuttle.core.listening.RepairReader;
import com.shuttle.core.listening.Span;
import com.shuttle.core.reading.ImpossibleDay;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What keeps a conversation on its feet: standing requests, corrections, not being understood. */
final class Repairs {

    /** Within an interview this says that everything was told, not that the conversation is over. */
    private static final Pattern THATS_ALL = Pattern.compile(
            "\\b(?:that'?s|that is) (?:all|it|everything)\\b|\\bthat(?:'ll| will) be all\\b|\\bno more\\b",
            Pattern.CASE_INSENSITIVE);

    /** What mends something said before is surer than what would answer with the same words. */
    private static final double CHANGE = 0.95;

    /** Less than a flow's phrase. */
    private static final double CALL = 0.55;

    private static final Pattern CLAUSES = Pattern.compile("[.,;!?]\\s*");

    private final TurnRun run;
    private final Walker walker;

    Repairs(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    @Nullable
    Heard standingRequest(String text) {
        Standing request = Standing.of(text, run.playbook.release().standing());
        boolean complete = request == Standing.STOP
                && (run.awaiting() instanceof Awaiting.Facts || many())
                && THATS_ALL.matcher(text).find();
        if (complete
                || request == null
                        && !Standing.isOn(
                                Standing.PERSON, run.playbook.release().standing())) {
            return null;
        }
        Span clause = request == null || request == Standing.PERSON ? Standing.personClause(text) : null;
        Standing asked = request == null && clause != null ? Standing.PERSON : request;
        if (asked == null) {
            return null;
        }
        Heard heard = new Heard("standing request", asked.label(), () -> grant(asked));
        return clause == null ? heard.as(1) : heard.leaving(Span.without(text, clause.start(), clause.end()));
    }

    /** Whether several options may be picked now, so that "that's all" ends the picking and not the conversation. */
    private boolean many() {
        return run.awaiting() instanceof Awaiting.Pick
                && run.playbook.step(run.at()) instanceof Choice choice
                && choice.many();
    }

    /** Who asks to be rung up, where no flow does that, gets a person. */
    @Nullable
    Heard call(String text) {
        return Standing.wantsCall(text)
                        && Standing.isOn(Standing.PERSON, run.playbook.release().standing())
                ? new Heard("standing request", "to be rung up", () -> grant(Standing.PERSON)).as(CALL)
                : null;
    }

    private void grant(Standing request) {
        switch (request) {
            case PERSON -> {
                if (!walker.requestPerson()) {
                    walker.putAgain();
                }
            }
            case START_AGAIN -> walker.startAgain();
            case MENU -> {
                run.forgetPlaces();
                Place menu =
                        run.playbook.first(Choice.class, run.playbook.release().mainFlow());
                run.stand(menu != null ? menu : run.playbook.start());
            }
            case STOP -> {
                run.say(Phrasebook.ENDED);
                run.pass(Speaker.ENDED);
            }
            case BACK -> {
                Place before = run.takeAnswered();
                if (before == null) {
                    run.say(Phrasebook.NOTHING_BEFORE);
                    walker.putAgain();
                } else {
                    Players.of(run.playbook.step(before), walker).forget();
                    run.stand(before);
                }
            }
        }
    }

    /** While the visitor waits for a person only some requests are heard; what else is said is for the person. */
    void leavesQueue(String text) {
        switch (leaving(text)) {
            case MENU -> leave(Standing.MENU);
            case START_AGAIN -> leave(Standing.START_AGAIN);
            case STOP -> leave(Standing.STOP);
            case BACK -> {
                run.pass(Speaker.BOT);
                run.trace("standing request", "back to the bot");
                run.stand(null);
                run.say(Phrasebook.STILL_HERE);
            }
            case PERSON -> run.say(Phrasebook.ON_THEIR_WAY);
            case null -> whileWaiting(text);
        }
    }

    private void leave(Standing request) {
        run.pass(Speaker.BOT);
        run.trace("standing request", request.label());
        grant(request);
    }

    /** The request of somebody who waits, by itself or in a clause ("forget it, back"); null for none. */
    private @Nullable Standing leaving(String text) {
        Standing whole = Standing.of(text, run.playbook.release().standing());
        if (whole != null) {
            return whole;
        }
        return Moods.wantsOut(text)
                ? Standing.BACK
                : Stream.of(CLAUSES.split(text))
                        .map(clause ->
                                Standing.of(clause, run.playbook.release().standing()))
                        .filter(request -> request != null && request != Standing.PERSON)
                        .findFirst()
                        .orElse(null);
    }

    /** Who waits is never met with silence: a question that is surely known is answered, all else is passed on. */
    private void whileWaiting(String text) {
        String read = Words.readable(text);
        Finding finding = Words.looksLikeQuestion(read)
                ? run.ask(new Query.Ask(run.askedThen(read), List.of()))
                : Finding.NOTHING;
        if (finding.outcome() == Finding.Outcome.ANSWER) {
            run.remember(read);
            new Answering(walker).say(finding, "");
        } else {
            run.trace("waits for a person", "passed on");
            run.say(Phrasebook.PASSED_ON);
        }
    }

    /** "Sorry, my email is …" changes that variable and nothing else; the place is kept. */
    @Nullable
    Heard change(String text) {
        Awaiting awaiting = run.awaiting();
        Slot pending = pending(awaiting);
        List<Known> known = known(pending);
        List<Slot> open = run.playbook.slots().stream()
                .filter(slot -> !run.facts.knows(slot.name()))
                .toList();
        List<Repair> repairs = RepairReader.read(
                text, known, open, pending, run.around().context(), run.around().meaning());
        String told = repairs.stream()
                .map(repair -> repair.variable() + " to " + repair.after().shown() + " (" + repair.why() + ")")
                .collect(Collectors.joining(", "));
        if (repairs.isEmpty()) {
            return null;
        }
        List<Span> others = new ArrayList<>(
                Clauses.questions(text).stream().map(Clauses.Clause::span).toList());
        others.addAll(toldBesides(text, repairs, pending));
        return new Heard("changed", told, CHANGE, Span.only(text, others), () -> apply(repairs));
    }

    /** Where a message that repairs something also says what is asked or will be, beyond doubt. */
    private List<Span> toldBesides(String text, List<Repair> repairs, @Nullable Slot pending) {
        List<ValueType> repaired = repairs.stream()
                .map(repair -> run.playbook.variables().get(repair.variable()))
                .toList();
        List<Slot> slots = Stream.concat(Stream.ofNullable(pending), run.playbook.slots().stream())
                .filter(slot -> tells(slot.type()) && !repaired.contains(slot.type()) && !run.facts.knows(slot.name()))
                .toList();
        return SeveralReader.read(
                        text, slots, run.around().context(), run.around().meaning())
                .values()
                .stream()
                .filter(Reading.Given.class::isInstance)
                .map(Reading.Given.class::cast)
                .filter(given -> given.end() > given.start())
                .map(given -> new Span(given.start(), given.end()))
                .toList();
    }

    private static boolean tells(ValueType type) {
        return switch (type) {
            case EMAIL, PHONE, URL, DATE, TIME, MONEY -> true;
            default -> false;
        };
    }

    /** Afterwards the conversation stands where it stood, or elsewhere where a choice that leads on was changed. */
    private void apply(List<Repair> repairs) {
        List<String> shown = new ArrayList<>();
        Playbook.Chosen elsewhere = null;
        for (Repair repair : repairs) {
            String problem = problem(repair);
            if (problem != null) {
                run.say(problem);
                continue;
            }
            run.facts.set(repair.variable(), repair.after());
            shown.add(Texts.escaped(repair.after().shown()));
            elsewhere = leadsElsewhere(repair) instanceof Playbook.Chosen choice ? choice : elsewhere;
        }
        if (!shown.isEmpty()) {
            run.say(Phrasebook.changed(shown));
        }
        if (elsewhere != null) {
            String label = run.facts.value(elsewhere.slot().name()) instanceof Value.Text(String text) ? text : "";
            String option = elsewhere.step().options().stream()
                    .filter(one -> one.label().equals(label))
                    .map(Option::exit)
                    .findFirst()
                    .orElse(Choice.OTHERWISE.id());
            run.await(null);
            run.stand(elsewhere.place());
            walker.leave(elsewhere.step(), option);
        }
    }

    /** Why a value does not fit the question that asks for it; null where it does. */
    private @Nullable String problem(Repair repair) {
        return run.trail.places().stream()
                .map(run.playbook::step)
                .filter(step ->
                        step instanceof Question question && question.variable().equals(repair.variable()))
                .map(step -> AnswerCheck.problem((Question) step, repair.after(), run))
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    /** The choice that was answered and whose options lead different ways. */
    private Playbook.@Nullable Chosen leadsElsewhere(Repair repair) {
        return run.playbook.choices().stream()
                .filter(choice -> choice.slot().name().equals(repair.variable())
                        && !choice.step().oneWay()
                        && run.trail.places().contains(choice.place()))
                .findFirst()
                .orElse(null);
    }

    @Nullable
    Slot pending(@Nullable Awaiting awaiting) {
        Step step = run.playbook.step(run.at());
        if (awaiting instanceof Awaiting.Pick && step instanceof Choice choice) {
            ValueType type = choice.many() ? ValueType.MULTI_CHOICE : ValueType.CHOICE;
            return new Slot(choice.variable(), "", type, Offers.options(choice, run));
        }
        Wanted wanted = awaiting == null ? null : walker.player().wanted(awaiting);
        return wanted == null ? null : new Slot(wanted.variable(), wanted.called(), wanted.type(), wanted.options());
    }

    /** What is known and not being asked for, what was answered last first. */
    private List<Known> known(@Nullable Slot pending) {
        Map<String, Slot> slots = new LinkedHashMap<>();
        run.playbook.slots().forEach(slot -> slots.put(slot.name(), slot));
        run.playbook.choices().forEach(choice -> slots.putIfAbsent(choice.slot().name(), choice.slot()));
        List<String> order = new ArrayList<>();
        run.trail.places().reversed().forEach(place -> order.addAll(variables(run.playbook.step(place))));
        order.addAll(List.copyOf(run.facts.all().keySet()).reversed());
        return order.stream()
                .distinct()
                .filter(name -> slots.containsKey(name)
                        && run.facts.knows(name)
                        && (pending == null || !pending.name().equals(name)))
                .map(name -> new Known(requireNonNull(slots.get(name)), requireNonNull(run.facts.value(name))))
                .toList();
    }

    private static List<String> variables(@Nullable Step step) {
        return switch (step) {
            case null -> List.of();
            case Choice choice -> List.of(choice.variable());
            default -> step.wants().stream().map(Wanted::variable).toList();
        };
    }

    void notUnderstood(String text) {
        Awaiting awaiting = run.awaiting();
        Step step = run.playbook.step(run.at());
        if (awaiting == null || step == null) {
            run.trace("not understood", "nothing was asked");
            run.gap(text);
            run.responses.say(Occasion.NOT_FOUND);
            return;
        }
        if (awaiting instanceof Awaiting.Time || awaiting instanceof Awaiting.Signal) {
            run.trace("not understood", "while waiting");
            run.say(Phrasebook.STILL_WAITING);
            return;
        }
        Awaiting tried = awaiting.onceMore();
        Player player = walker.player();
        run.await(tried);
        run.trace("not understood", "try " + tried.tries());
        if (tried.tries() >= player.tries()) {
            walker.giveUp(step);
            return;
        }
        Wanted wanted = player.wanted(tried);
        if (wanted != null) {
            Optional<String> impossible = wanted.type() == ValueType.DATE || wanted.type() == ValueType.DATE_TIME
                    ? ImpossibleDay.told(text)
                    : Optional.empty();
            impossible.ifPresentOrElse(why -> run.sayOneOf(List.of(why), tried.offers()), () -> help(wanted, tried));
        } else {
            run.say("Sorry, I didn't get that.");
            walker.putAgain();
        }
    }

    /** Error words; from the second try on with an example. */
    private void help(Wanted wanted, Awaiting tried) {
        String own = run.filled(wanted.retry());
        String words = own.isBlank() ? Phrasebook.retry(wanted.type(), tried.tries()) : own;
        boolean example = tried.tries() > 1 && !wanted.example().isBlank();
        run.sayOneOf(List.of(example ? words + " For example: " + wanted.example() : words), tried.offers());
    }
}
