package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Plays an Interview. What is known, from wherever, is never asked. Each message is read for all facts: first for those
 * that are being asked, then for the others, then for changes to facts already given. When nothing is missing, all is
 * read back; a yes completes, anything that gives a fact another value changes it. The result does not depend on the order
 * in which facts arrive.
 */
final class Interviewer {

    private static final Pattern DECLINES = Pattern.compile(
            "^\\W*(?:(?:no,? )?(?:forget (?:it|that|about it)|never ?mind|cancel(?: (?:it|that|this))?|leave it|i(?:'ve| have) changed my mind|not interested|drop it|i don'?t want to (?:do|answer) (?:this|that|any of (?:this|that))|no more questions))\\b.{0,20}$",
            Pattern.CASE_INSENSITIVE);

    private final TurnRun run;
    private final Walker walker;
    private final Asking asking;
    private final FactChanges facts;

    Interviewer(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
        this.asking = new Asking(run, walker);
        this.facts = new FactChanges(run);
    }

    /** Begins, or takes up again after leaving. */
    void begin(Interview interview) {
        String intro = run.sayOneOf(interview.ask(), List.of());
        List<Fact> missing = missing(interview);
        boolean asksItself = intro.strip().endsWith("?") && missing.size() > 1;
        if (asksItself && fit(interview)) {
            run.await(Awaiting.interview(names(missing), null, List.of()));
        } else {
            next(interview);
        }
    }

    /** Asks for what is missing, reads back, or completes. */
    void next(Interview interview) {
        fit(interview);
        List<Fact> missing = missing(interview);
        if (!missing.isEmpty()) {
            ask(group(missing));
        } else if (interview.trusting()) {
            complete(interview);
        } else {
            readBack(interview);
        }
    }

    /** Forgets what was learnt elsewhere and is not fit here, saying so; whether all was fit. */
    private boolean fit(Interview interview) {
        boolean fit = true;
        for (Fact fact : interview.facts()) {
            Value value = run.facts.value(fact.variable());
            String problem = value == null ? null : AnswerCheck.problem(fact, value, run);
            if (problem != null && value != null) {
                run.say(Phrasebook.capital(fact.called()) + ": " + Texts.escaped(value.shown()) + ". " + problem);
                run.facts.forget(fact.variable());
                fit = false;
            }
        }
        return fit;
    }

    private List<Fact> missing(Interview interview) {
        return interview.facts().stream()
                .filter(fact ->
                        !run.facts.knows(fact.variable()) && !(fact.optional() && run.facts.wasLeft(fact.variable())))
                .toList();
    }

    /** The first missing fact with the others of its group. */
    private static List<Fact> group(List<Fact> missing) {
        Fact first = missing.getFirst();
        return first.group().isBlank()
                ? List.of(first)
                : missing.stream()
                        .filter(fact -> fact.group().equals(first.group()))
                        .toList();
    }

    private void ask(List<Fact> facts) {
        Fact first = facts.getFirst();
        boolean alone = facts.size() == 1;
        List<Offer> offers = alone ? Offers.of(first) : List.of();
        run.sayOneOf(List.of(question(facts)), offers);
        run.await(Awaiting.interview(names(facts), alone ? first.type() : null, offers));
    }

    private static String question(List<Fact> facts) {
        Fact first = facts.getFirst();
        if (facts.size() == 1) {
            return first.ask().isBlank() ? Phrasebook.question(first) : first.ask();
        }
        return "Please tell me the "
                + Phrasebook.all(facts.stream().map(Fact::called).toList()) + ".";
    }

    private void readBack(Interview interview) {
        StringBuilder list = new StringBuilder(
                interview.readBack().isBlank() ? Phrasebook.READ_BACK : run.filled(interview.readBack()));
        for (Fact fact : interview.facts()) {
            Value value = run.facts.value(fact.variable());
            if (value != null) {
                list.append("\n- ")
                        .append(Phrasebook.capital(fact.called()))
                        .append(": **")
                        .append(Texts.escaped(value.shown()))
                        .append("**");
            }
        }
        list.append("\n\n").append(Phrasebook.RIGHT);
        List<Offer> offers = Offers.yesNo("Yes, all right", "No, change something");
        run.trace("reads back", interview.facts().size() + " facts");
        run.sayPrepared(list.toString(), offers);
        run.await(Awaiting.interview(List.of(), null, offers));
    }

    private void complete(Interview interview) {
        run.trail.add(run.at());
        run.await(null);
        walker.leave(interview, "complete");
    }

    /** Takes a hand-picked offer. */
    void pick(Interview interview, String option) {
        Awaiting awaiting = run.awaiting();
        Fact fact = awaiting == null ? null : only(interview, awaiting);
        if (fact == null) {
            answerReadBack(interview, option.equals(Offers.YES));
        } else if (option.equals(Offers.SKIP)) {
            leaveOut(interview, fact);
        } else {
            Value value = Asking.picked(fact, option);
            if (value != null) {
                give(interview, Map.of(fact, value), "");
            }
        }
    }

    /** Takes typed text; false where it says nothing of any fact. */
    boolean take(Interview interview, String text) {
        Awaiting awaiting = run.awaiting();
        if (awaiting == null) {
            return false;
        }
        if (DECLINES.matcher(text).matches()) {
            run.trace("declined", interview.name());
            decline(interview);
            return true;
        }
        return awaiting.facts().isEmpty() ? heardAtReadBack(interview, text) : heard(interview, awaiting, text);
    }

    private boolean heard(Interview interview, Awaiting awaiting, String text) {
        Fact only = only(interview, awaiting);
        Map<Fact, Value> given = new LinkedHashMap<>();
        if (only != null) {
            switch (asking.read(only, text)) {
                case Reading.Given(Value value, int start, int end) -> given.put(only, value);
                case Reading.Unclear(List<Value> values) -> {
                    asking.which(values);
                    return true;
                }
                case Reading.Refused() -> {
                    refused(interview, only);
                    return true;
                }
                case Reading.AskedBack() -> {
                    return false;
                }
                case Reading.Nothing() -> {}
            }
        }
        if (only == null || !only.type().free()) {
            several(interview, text).forEach(given::putIfAbsent);
            facts.changes(interview, text, given.isEmpty()).forEach(given::put);
        }
        boolean none = only != null
                && only.optional()
                && given.isEmpty()
                && Reader.reply(ValueType.YES_NO, text, run.around().context())
                        instanceof Reading.Given(Value.YesNo(boolean yes), int start, int end)
                && !yes;
        if (none && only != null) {
            leaveOut(interview, only);
            return true;
        }
        if (given.isEmpty()
                && only == null
                && Reader.reply(ValueType.PERSON_NAME, text, run.around().context()) instanceof Reading.Refused) {
            run.say(Phrasebook.NEEDED);
            ask(group(missing(interview)));
            return true;
        }
        if (given.isEmpty()) {
            return false;
        }
        give(interview, given, text);
        return true;
    }

    private boolean heardAtReadBack(Interview interview, String text) {
        Map<Fact, Value> changes = facts.changes(interview, text, true);
        if (changes.isEmpty() && Words.looksLikeQuestion(text)) {
            return false;
        }
        if (!changes.isEmpty()) {
            changes.forEach((fact, value) -> run.trace("changed", fact.variable() + " to " + value.shown()));
            give(interview, changes, "");
            return true;
        }
        if (Reader.reply(ValueType.YES_NO, text, run.around().context())
                instanceof Reading.Given(Value.YesNo(boolean yes), int start, int end)) {
            answerReadBack(interview, yes);
            return true;
        }
        return false;
    }

    private void answerReadBack(Interview interview, boolean yes) {
        run.trace("answer to the read-back", yes ? "right" : "not right");
        if (yes) {
            complete(interview);
        } else {
            run.say(Phrasebook.WHAT_TO_CHANGE);
        }
    }

    /** Keeps what is fit, says what is not, and goes on. */
    private void give(Interview interview, Map<Fact, Value> given, String text) {
        List<String> problems = new ArrayList<>();
        List<String> changed = new ArrayList<>();
        given.forEach((fact, value) -> {
            String problem = AnswerCheck.problem(fact, value, run);
            if (problem == null) {
                Value before = run.facts.value(fact.variable());
                run.facts.set(fact.variable(), value);
                run.trace("fact", fact.variable() + " " + value.shown());
                if (before != null && !before.equals(value)) {
                    changed.add("the " + fact.called() + " to " + Texts.escaped(value.shown()));
                }
            } else {
                run.trace("does not fit", problem);
                problems.add(given.size() == 1 ? problem : Phrasebook.capital(fact.called()) + ": " + problem);
            }
        });
        Awaiting awaiting = run.awaiting();
        problems.forEach(run::say);
        if (!changed.isEmpty()) {
            run.sayPrepared("I've changed " + Phrasebook.all(changed) + ".", List.of());
        }
        if (problems.size() == given.size()
                && awaiting != null
                && !awaiting.facts().isEmpty()) {
            Awaiting tried = awaiting.onceMore();
            run.await(tried);
            if (tried.tries() >= interview.tries()) {
                walker.giveUp(interview);
            }
            return;
        }
        walker.answering.alsoAsked(text);
        next(interview);
    }

    private void refused(Interview interview, Fact fact) {
        run.trace("refused", fact.variable());
        if (fact.optional()) {
            leaveOut(interview, fact);
        } else if (interview.exit("declined") != null) {
            decline(interview);
        } else {
            run.say(Phrasebook.NEEDED);
            ask(List.of(fact));
        }
    }

    private void leaveOut(Interview interview, Fact fact) {
        run.facts.leaveOut(fact.variable());
        next(interview);
    }

    private void decline(Interview interview) {
        run.await(null);
        if (interview.exit("declined") == null) {
            run.say(Phrasebook.LEFT_OUT);
        }
        walker.leave(interview, "declined");
    }

    /** Takes the reading that the visitor chose of several. */
    void choose(Interview interview, Awaiting which, Value value) {
        run.await(which.resumes());
        Fact fact = only(interview, which);
        if (fact != null) {
            give(interview, Map.of(fact, value), "");
        } else {
            next(interview);
        }
    }

    /** The fact being asked for alone; null for several or none. */
    @Nullable
    Fact only(Interview interview, Awaiting awaiting) {
        return awaiting.facts().size() != 1
                ? null
                : interview.facts().stream()
                        .filter(fact -> fact.variable().equals(awaiting.facts().getFirst()))
                        .findFirst()
                        .orElse(null);
    }

    /** Facts not yet known that the message gives. */
    private Map<Fact, Value> several(Interview interview, String text) {
        return facts.read(
                interview.facts().stream()
                        .filter(fact -> !run.facts.knows(fact.variable()))
                        .toList(),
                text);
    }

    private static List<String> names(List<Fact> facts) {
        return facts.stream().map(Fact::variable).toList();
    }
}
