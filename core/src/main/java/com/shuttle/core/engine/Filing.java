package com.shuttle.core.engine;

import com.shuttle.core.acts.Act;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.steps.GivenAway;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.listening.Clauses;
import com.shuttle.core.listening.Moods;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.BareValue;
import com.shuttle.core.reading.PlainReply;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What of a message may be taken down as a value, by what its clauses do. For one turn. */
final class Filing {

    /** Less likely than this a clause tells nothing. */
    private static final double TELLS = 0.3;

    /** What stands among other words is no value unless something is told with at least these odds. */
    private static final double PART = 0.4;

    /** What is called by a name, and so told by nearly any words. */
    private static final Set<ValueType> NAMED = EnumSet.of(ValueType.PERSON_NAME, ValueType.COMPANY, ValueType.PLACE);

    /** What is told by how it is written. */
    private static final Set<ValueType> EXACT = EnumSet.of(
            ValueType.DATE, ValueType.DATE_TIME, ValueType.TIME, ValueType.MONEY, ValueType.EMAIL, ValueType.PHONE);

    private final TurnRun run;
    private final Walker walker;
    private final ClauseActs acts;

    Filing(Walker walker, ClauseActs acts) {
        this.run = walker.run();
        this.walker = walker;
        this.acts = acts;
    }

    /**
     * An answer, unless the words that it would take down are surely none: what fits any words wants even odds at the least that
     * something is given, and what was read among other words is left to who asks, requests or only mentions it.
     */
    @Nullable
    Heard given(@Nullable Heard answer, String text) {
        if (answer != null && answer.move() instanceof StepMove.TellWhy && acts.asksOfTheMatter()) {
            // "What does it cost for five?" asks for more than why it is asked.
            return null;
        }
        if (answer == null || !answer.files() || !acts.known()) {
            return answer;
        }
        List<Span> words = answer.in(text);
        if (answer.move() instanceof StepMove.Take(Value.YesNo(boolean yes))
                && !yes
                && Moods.wantsOut(text)
                && acts.mean(Kind.STOP, ClauseActs.LIKELY)) {
            // "Forget it" is no answer to "are you a member?".
            return null;
        }
        if (takesAnyWords() || answer.strength() <= Strengths.NO_OPTION) {
            return isAddress(text) || isForAnother(text)
                    ? null
                    : acts.mayGive(words) ? answer : isFree() && acts.tellsOf(words) ? doubting(text) : null;
        }
        if (asked() == ValueType.YES_NO && isOpen(text)) {
            return null;
        }
        double gives = acts.gives(words);
        boolean guessed = answer.strength() < Strengths.ANSWER;
        return guessed && gives < ClauseActs.EVEN
                        || gives < PART && !Span.explains(text, words) && !isBesideQuestions(text, words)
                ? null
                : answer;
    }

    /** Asks whether what somebody tells of something is what they say to a question for their own words. */
    private @Nullable Heard doubting(String text) {
        Awaiting pending = run.awaiting();
        Heard asked = pending == null ? null : walker.player().doubting(pending, text);
        return asked == null ? null : asked.as(Strengths.OPEN_ANSWER);
    }

    /** Whether words stand beside a message's questions and not within one, however it was cut. */
    private static boolean isBesideQuestions(String text, List<Span> words) {
        List<Span> asked =
                Clauses.questions(text).stream().map(Clauses.Clause::span).toList();
        return !asked.isEmpty()
                && asked.stream().noneMatch(span -> words.stream().anyMatch(span::overlaps));
    }

    /** A no where yes or no is asked for: an answer that denies something in words that are not known for it; null for none. */
    @Nullable
    Heard denied() {
        boolean asked = run.awaiting() instanceof Awaiting.Reply reply && reply.type() == ValueType.YES_NO;
        return asked && acts.surely(Act.GIVE) && acts.denies()
                ? Heard.of(new StepMove.Take(new Value.YesNo(false)), "answer to the question", "no, by a denial")
                : null;
    }

    /** Whether a message is nothing but how somebody is reached, which is no text, name or place. */
    boolean isAddress(String text) {
        return Stream.of(ValueType.EMAIL, ValueType.PHONE)
                .anyMatch(type -> Reader.reply(type, text, run.around().context())
                                instanceof Reading.Given(Value value, int start, int end)
                        && Span.explains(text, List.of(new Span(start, end))));
    }

    /**
     * Whether a message is nothing but what another question asks for, where any words would do for this one: a day to "from which
     * town?". What asks for somebody's own words leaves to others only what can be nothing else.
     */
    private boolean isForAnother(String text) {
        Awaiting pending = Questions.beneath(run.awaiting());
        Wanted asked = pending == null ? null : walker.player().wanted(pending);
        if (asked == null) {
            return false;
        }
        if (!asked.type().free() && BareValue.of(text, run.around().context()) != BareValue.NONE) {
            return true;
        }
        List<String> own = List.of(asked.variable());
        return new GivenAway(run).of(text, own).entrySet().stream().anyMatch(entry -> {
                    ValueType type = run.playbook.variables().get(entry.getKey());
                    Span words =
                            new Span(entry.getValue().start(), entry.getValue().end());
                    boolean other = type != null && !type.free() && !NAMED.contains(type);
                    return other
                            && (EXACT.contains(type) || !asked.type().free())
                            && Span.explains(text, List.of(words));
                })
                || !asked.type().free() && !implied(text, text, Slot.of(asked)).isEmpty();
    }

    /** "Lunch depends on the price" says neither yes nor no. */
    private boolean isOpen(String text) {
        return acts.whole().of(Act.UNSURE) >= ClauseActs.LIKELY && !PlainReply.matches(text);
    }

    private @Nullable ValueType asked() {
        Awaiting awaiting = Questions.beneath(run.awaiting());
        return awaiting == null ? null : awaiting.type();
    }

    /** Whether any words at all would do for what is asked. */
    private boolean isFree() {
        ValueType type = asked();
        return type != null && type.free();
    }

    /** Whether nearly any words would do for what is asked. */
    private boolean takesAnyWords() {
        ValueType type = asked();
        return type != null && (type.free() || NAMED.contains(type));
    }

    /**
     * Whether a value that nobody asked for stands in a clause that hardly tells anything: one that asks, chats or only mentions it.
     * Who asks for something of their own ("can I have a canoe on 14 June?") proposes it.
     */
    boolean isOnlySpokenOf(Reading.Given given) {
        List<Span> words = List.of(new Span(given.start(), given.end()));
        double tells = acts.of(Act.GIVE, words) + acts.of(Act.CORRECT, words) + acts.of(Act.REQUEST, words);
        return acts.known() && tells < TELLS && !acts.areOfThemselves(words);
    }

    /**
     * What clauses that tell something say to questions for yes or no that are still to come.
     *
     * @param left    what others leave of the message, as long as it
     * @param pending what is asked for now; null for nothing
     */
    Map<String, Reading.Given> implied(String text, String left, @Nullable Slot pending) {
        Map<String, Reading.Given> implied = new LinkedHashMap<>();
        Predicate<String> others = name ->
                !run.facts.knows(name) && (pending == null || !pending.name().equals(name));
        new Implied(run)
                .denied(left, others)
                .ifPresent(said -> implied.put(said.variable(), new Reading.Given(said.value(), 0, text.length())));
        for (Span clause : left.length() == text.length() ? acts.those(Act.GIVE) : List.<Span>of()) {
            new Implied(run)
                    .in(left.substring(clause.start(), clause.end()), false, others)
                    .ifPresent(said -> implied.put(
                            said.variable(), new Reading.Given(said.value(), clause.start(), clause.end())));
        }
        return implied;
    }
}
