package com.shuttle.core.engine;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.acts.Act;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.steps.Player;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.listening.Clauses;
import com.shuttle.core.listening.Completing;
import com.shuttle.core.listening.Exchange;
import com.shuttle.core.listening.Known;
import com.shuttle.core.listening.Repair;
import com.shuttle.core.listening.RepairReader;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.ImpossibleDay;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.UsualHours;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What keeps a conversation on its feet: corrections, and not being understood. */
final class Repairs {

    /** Said before what one comes down to. */
    private static final Pattern SETTLES = Pattern.compile(
            "^\\W*(?:hm+|ok|okay|all ?right|right|fine|well|then|so|rather|say|let'?s say)\\b",
            Pattern.CASE_INSENSITIVE);

    /** Where a message that changes two things may be parted. */
    private static final Pattern PARTS =
            Pattern.compile("\\s+and\\s+|[,;.:]\\s+(?:and\\s+)?", Pattern.CASE_INSENSITIVE);

    /** From here on a message is looked at for what it may correct without saying so. */
    private static final double LIKELY = 0.6;

    private final TurnRun run;
    private final Walker walker;

    Repairs(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    /**
     * "Sorry, my email is …" changes that variable and nothing else; the place is kept.
     *
     * @param acts what the message does
     */
    @Nullable
    Heard change(String text, ClauseActs acts) {
        double correcting = acts.correcting();
        if (acts.onlyWonders(RepairReader.unmarked(text))) {
            return null;
        }
        Awaiting awaiting = run.awaiting();
        Slot pending = pending(awaiting);
        List<Known> known = known(pending, run.playbook::slot);
        List<Slot> open = run.playbook.slots().stream()
                .filter(slot -> !run.facts.knows(slot.name()))
                .toList();
        List<Repair> repairs = new ArrayList<>(RepairReader.read(
                text,
                known,
                open,
                pending,
                correcting,
                run.around().context(),
                run.around().meaning()));
        if (repairs.size() == 1) {
            repairs.addAll(also(text, known, repairs.getFirst(), open, pending));
        }
        if (repairs.isEmpty() && correcting >= ClauseActs.EVEN) {
            Exchange.read(text, known(pending, this::named), run.around().context())
                    .ifPresent(repairs::add);
        }
        if (repairs.isEmpty() && new Redoing(walker, acts).choosing(text) == null) {
            implied(text, acts, pending).ifPresent(repairs::add);
        }
        boolean asksAgain = awaiting instanceof Awaiting.Confirm || awaiting instanceof Awaiting.Which;
        if (repairs.isEmpty() && acts.leads(Act.CORRECT) && RepairReader.isMarked(text) && !asksAgain) {
            known(pending, this::named).stream()
                    .limit(1)
                    .filter(latest -> wasAsked(latest.slot().name()))
                    .flatMap(latest ->
                            Exchange.ofLatest(text, latest, run.around().context()).stream())
                    .forEach(repairs::add);
        }
        if (awaiting instanceof Awaiting.Slot || awaiting instanceof Awaiting.Own) {
            repairs.removeIf(this::isOfTimes);
        }
        String told = repairs.stream()
                .map(repair -> repair.variable() + " to " + repair.after().shown() + " (" + repair.why() + ")")
                .collect(Collectors.joining(", "));
        if (repairs.isEmpty()) {
            return null;
        }
        List<Span> others = new ArrayList<>(
                Clauses.questions(text).stream().map(Clauses.Clause::span).toList());
        others.addAll(toldBesides(text, repairs, pending));
        others.addAll(acts.givenBesides());
        Heard heard = Heard.of(new TalkMove.Mend(repairs), "changed", told).as(Strengths.CHANGE);
        return others.isEmpty() ? heard : heard.of(Span.minus(Span.all(text), others));
    }

    /** Whether a variable was asked for in words rather than picked. */
    private boolean wasAsked(String variable) {
        return run.trail.places().stream()
                .map(run.playbook::step)
                .filter(Objects::nonNull)
                .flatMap(step -> step.wants().stream())
                .anyMatch(wanted -> wanted.variable().equals(variable));
    }

    /** Yes or no to something known, in a sentence that does not say so: in the message as a whole, or in the last clause that does. */
    private Optional<Repair> implied(String text, ClauseActs acts, @Nullable Slot pending) {
        boolean sure = acts.correcting() >= LIKELY;
        Predicate<String> others = name ->
                run.facts.knows(name) && (pending == null || !pending.name().equals(name));
        Stream<Implied.Said> denied = new Implied(run).denied(text, others).stream();
        Stream<Implied.Said> implied = Stream.concat(Span.all(text).stream(), acts.spans().reversed().stream())
                .filter(span -> sure || acts.of(Act.GIVE, List.of(span)) >= LIKELY)
                .flatMap(span -> new Implied(run).in(text.substring(span.start(), span.end()), sure, others).stream());
        return Stream.concat(denied, implied)
                .filter(said -> !said.value().equals(run.facts.value(said.variable())))
                .map(said -> new Repair(said.variable(), said.value(), "implied"))
                .findFirst();
    }

    /** What else a message changes that changes one thing: each part of it that names what it is about, or denies what was. */
    private List<Repair> also(String text, List<Known> known, Repair first, List<Slot> open, @Nullable Slot pending) {
        List<Known> others = known.stream()
                .filter(one -> !one.slot().name().equals(first.variable()))
                .toList();
        return Stream.of(PARTS.split(text))
                .filter(part -> part.length() < text.length())
                .map(part -> RepairReader.read(
                        part,
                        others,
                        open,
                        pending,
                        1,
                        run.around().context(),
                        run.around().meaning()))
                .filter(repairs -> repairs.size() == 1)
                .map(List::getFirst)
                .filter(repair -> repair.aimed() || isOnlyOne(repair, known))
                .filter(repair -> !repair.after().equals(first.after()))
                .limit(1)
                .toList();
    }

    /** Whether a repair is of a kind of value that tells itself, and only one thing known is of that kind. */
    private boolean isOnlyOne(Repair repair, List<Known> known) {
        ValueType type = run.playbook.variables().get(repair.variable());
        return type != null
                && tells(type)
                && type != ValueType.MONEY
                && known.stream().filter(one -> one.slot().type() == type).count() == 1;
    }

    /** What is said of days and hours while times are offered is meant for them, unless it names what it changes. */
    private boolean isOfTimes(Repair repair) {
        ValueType type = run.playbook.variables().get(repair.variable());
        return repair.why().equals(Repair.TOLD_ANEW)
                && (type == ValueType.DATE || type == ValueType.TIME || type == ValueType.DATE_TIME);
    }

    /** A value that fits just one thing known is that thing told anew, where no value of any kind is asked for. */
    @Nullable
    Heard again(String text) {
        boolean open = run.playbook.slots().stream()
                .anyMatch(slot -> !run.facts.knows(slot.name())
                        && (tells(slot.type()) || slot.type() == ValueType.NUMBER)
                        && read(slot, text) instanceof Reading.Given);
        boolean asked = run.awaiting() instanceof Awaiting.Reply || run.awaiting() instanceof Awaiting.Facts;
        if (asked || text.endsWith("?") || open && !SETTLES.matcher(text).find()) {
            return null;
        }
        List<Known> fitting = known(pending(run.awaiting()), run.playbook::slot).stream()
                .filter(one -> tells(one.slot().type()) || one.slot().type() == ValueType.NUMBER)
                .filter(one -> read(one.slot(), text) instanceof Reading.Given)
                .toList();
        List<Known> numbers = fitting.stream()
                .filter(one -> one.slot().type() == ValueType.NUMBER)
                .toList();
        List<Known> meant = numbers.isEmpty() ? fitting : numbers;
        if (meant.size() != 1 || !(read(meant.getFirst().slot(), text) instanceof Reading.Given given)) {
            return null;
        }
        Known one = meant.getFirst();
        Value after = Completing.inPlaceOf(
                text, one.value(), given.value(), run.around().context());
        Repair repair = new Repair(one.slot().name(), after, "the only one it fits");
        return after.equals(one.value())
                ? null
                : Heard.of(new TalkMove.Mend(List.of(repair)), "changed", repair.variable() + " to " + after.shown())
                        .as(Strengths.TOLD);
    }

    private Reading read(Slot slot, String text) {
        return UsualHours.of(Reader.reply(slot.type(), text, run.around().context()));
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

    @Nullable
    Slot pending(@Nullable Awaiting awaiting) {
        Step step = run.playbook.step(run.at());
        if (awaiting instanceof Awaiting.Pick pick && step instanceof Choice choice) {
            ValueType type = choice.many() ? ValueType.MULTI_CHOICE : ValueType.CHOICE;
            return new Slot(
                    choice.variable(),
                    "",
                    type,
                    choice.table().isEmpty() ? Offers.options(choice, run) : Offers.asOffered(pick.offers()));
        }
        Wanted wanted = awaiting == null ? null : walker.player().wanted(awaiting);
        return wanted == null ? null : Slot.of(wanted);
    }

    /** What a variable is asked as, whatever its kind. */
    private @Nullable Slot named(String variable) {
        Wanted wanted = run.playbook.wanted(variable);
        Slot slot = run.playbook.slot(variable);
        return slot != null || wanted == null ? slot : Slot.of(wanted);
    }

    /**
     * What is known and not being asked for, what was answered last first.
     *
     * @param as what a variable is looked for as; null where it is not
     */
    private List<Known> known(@Nullable Slot pending, Function<String, @Nullable Slot> as) {
        List<String> order = new ArrayList<>();
        run.trail.places().reversed().forEach(place -> order.addAll(variables(run.playbook.step(place))));
        order.addAll(List.copyOf(run.facts.all().keySet()).reversed());
        return order.stream()
                .distinct()
                .filter(name -> run.facts.knows(name)
                        && as.apply(name) != null
                        && (pending == null || !pending.name().equals(name)))
                .map(name -> new Known(requireNonNull(as.apply(name)), requireNonNull(run.facts.value(name))))
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
        if (awaiting instanceof Awaiting.Own own) {
            ofBooking(own);
            return;
        }
        if (awaiting == null || step == null) {
            run.trace("not understood", "nothing was asked");
            run.gap(text);
            run.responses.say(Occasion.NOT_FOUND);
            return;
        }
        if (awaiting != null && awaiting.endsByItself()) {
            run.trace("not understood", "while waiting");
            run.say(Phrasebook.STILL_WAITING);
            return;
        }
        Awaiting tried =
                awaiting instanceof Awaiting.Reply reply ? reply.after(text).onceMore() : awaiting.onceMore();
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
            run.say(Phrasebook.NOT_GOT);
            walker.putAgain();
        }
    }

    /** What was begun aside is left after some tries. */
    private void ofBooking(Awaiting.Own own) {
        Awaiting tried = own.onceMore();
        run.trace("not understood", "try " + tried.tries());
        run.await(tried.tries() < Question.TRIES ? tried : own.resumes());
        run.say(tried.tries() < Question.TRIES ? Phrasebook.NOT_GOT : Phrasebook.LEFT_ASIDE);
        walker.putAgain();
    }

    /** Error words; from the second try on with an example. */
    private void help(Wanted wanted, Awaiting tried) {
        String own = run.filled(wanted.retry());
        String words = own.isBlank() ? Phrasebook.retry(wanted.type(), tried.tries()) : own;
        boolean example = tried.tries() > 1 && !wanted.example().isBlank();
        run.sayOneOf(List.of(example ? words + " For example: " + wanted.example() : words), tried.offers());
    }
}
