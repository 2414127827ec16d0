package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.listening.Clauses;
import com.shuttle.core.listening.Span;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What a message says to an interview: to what it asks, to what it will ask, and to what it knows. For one message. */
final class InterviewHearing {

    private final InterviewPlayer player;
    private final Interview step;
    private final TurnRun run;
    private final Asking asking;
    private final FactsSaid said;

    InterviewHearing(InterviewPlayer player, Interview step) {
        this.player = player;
        this.step = step;
        this.run = player.run;
        this.asking = new Asking(run);
        this.said = new FactsSaid(run);
    }

    @Nullable
    Heard hear(Awaiting.Facts asked, String text) {
        if (InterviewWords.declines(text)) {
            return Heard.of(new StepMove.Decline(), "declined", step.name());
        }
        Heard heard = asked.facts().isEmpty() ? hearAtReadBack(text) : hearAnswer(asked, text);
        return heard == null && Reader.reply(ValueType.EMAIL, text, run.around().context()) instanceof Reading.AskedBack
                ? Heard.of(new StepMove.TellWhy(), "asked back", "")
                : heard;
    }

    private @Nullable Heard hearAnswer(Awaiting.Facts asked, String text) {
        Fact only = player.only(asked);
        Map<Fact, Value> given = new LinkedHashMap<>();
        boolean all = false;
        if (only != null) {
            if (asking.saysOnlyYes(only, text)) {
                return Heard.of(new StepMove.AskWhat());
            }
            switch (asking.read(only, text)) {
                case Reading.Given(Value value, int start, int end) -> {
                    given.put(only, value);
                    all = end - start > text.length() / 2;
                }
                case Reading.Unclear(List<Value> values, int start, int end) -> {
                    return Heard.of(new StepMove.AskWhich(values, asked));
                }
                case Reading.Refused() -> {
                    // "No lunch" refuses something else.
                    if (several(text).isEmpty()) {
                        return Heard.of(new StepMove.Refuse());
                    }
                }
                case Reading.AskedBack() -> {
                    return null;
                }
                case Reading.Nothing() -> {}
            }
        }
        boolean free = only != null && only.type().free();
        if (!free) {
            Map<Fact, Value> others = several(text);
            boolean lower = text.equals(text.toLowerCase(Locale.ROOT));
            if (all
                    && lower
                    && only != null
                    && FactsSaid.takesAnyWords(only.type())
                    && !others.keySet().equals(given.keySet())) {
                // "Own sandwiches" says something of lunch, and is no school.
                others.keySet().stream()
                        .filter(fact -> fact != only)
                        .findFirst()
                        .ifPresent(fact -> given.remove(only));
            }
            others.forEach(given::putIfAbsent);
        }
        if (!given.isEmpty()) {
            return beside(text, Heard.of(new StepMove.Give(named(given), text)).filing());
        }
        Fact unclear = free ? null : said.unclear(player.missing(), text);
        if (unclear != null) {
            Awaiting.Facts one = new Awaiting.Facts(unclear.type(), Offers.of(unclear), 0, List.of(unclear.variable()));
            return Heard.of(new StepMove.AskWhich(said.choices(unclear, text), one));
        }
        if (only != null) {
            return only.optional() && player.saysNo(text) ? Heard.of(new StepMove.LeaveOut(only.variable())) : null;
        }
        return Reader.reply(ValueType.PERSON_NAME, text, run.around().context()) instanceof Reading.Refused
                ? Heard.of(new StepMove.Refuse())
                : null;
    }

    private @Nullable Heard hearAtReadBack(String text) {
        Boolean right = Words.looksLikeQuestion(text)
                ? null
                : InterviewWords.approves(text) ? Boolean.TRUE : player.yesOrNo(text);
        return right == null ? null : Heard.of(new StepMove.Approve(right));
    }

    /** What is heard of the whole of a message but its questions. */
    private static Heard beside(String text, Heard heard) {
        List<Span> asked =
                Clauses.questions(text).stream().map(Clauses.Clause::span).toList();
        return asked.isEmpty() ? heard : heard.of(Span.minus(Span.all(text), asked));
    }

    private static Map<String, Value> named(Map<Fact, Value> values) {
        Map<String, Value> named = new LinkedHashMap<>();
        values.forEach((fact, value) -> named.put(fact.variable(), value));
        return named;
    }

    /** Facts not yet known that the message gives. */
    private Map<Fact, Value> several(String text) {
        return said.read(
                step.facts().stream()
                        .filter(fact -> !run.facts.knows(fact.variable()))
                        .toList(),
                text);
    }
}
