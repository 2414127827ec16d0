package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.State;
import com.shuttle.core.engine.turn.AnswerCheck;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Limits;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import java.math.BigDecimal;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** Tells pages what a conversation waits for. Pure functions. */
public final class Prompts {

    private static final BigDecimal SLIDER_FROM = BigDecimal.ZERO;
    private static final BigDecimal SLIDER_TO = BigDecimal.valueOf(100);

    private Prompts() {}

    /** What a conversation waits for; null where nothing particular is. @param today the visitor's day */
    public static @Nullable Prompt of(Playbook playbook, State state, LocalDate today) {
        Awaiting awaiting = state.awaiting();
        if (awaiting == null) {
            return null;
        }
        Step step = playbook.step(state.at());
        Wanted wanted = wanted(step, awaiting);
        Limits limits = wanted == null ? Limits.NONE : wanted.limits();
        ValueType type = wanted == null ? type(awaiting) : wanted.type();
        Wanted marks = type == ValueType.RATING ? wanted : null;
        boolean slider = type == ValueType.SLIDER;
        Choice choice = step instanceof Choice one && !(awaiting instanceof Awaiting.Own) ? one : null;
        return new Prompt(
                kind(awaiting),
                type,
                wanted == null ? awaiting instanceof Awaiting.Called called ? called.words() : "" : wanted.hint(),
                wanted == null ? "" : wanted.example(),
                wanted != null && wanted.optional(),
                awaiting.offers(),
                layout(awaiting, choice),
                choice != null && choice.many(),
                marks != null
                        ? BigDecimal.valueOf(Offers.lowest(marks))
                        : slider && limits.min() == null ? SLIDER_FROM : limits.min(),
                marks != null
                        ? BigDecimal.valueOf(Offers.highest(marks))
                        : slider && limits.max() == null ? SLIDER_TO : limits.max(),
                limits.by(),
                bound(limits.earliest(), type, today),
                bound(limits.latest(), type, today),
                limits.weekdays(),
                awaiting instanceof Awaiting.Rating
                                || marks != null && limits.look().isBlank()
                        ? "stars"
                        : limits.look(),
                limits.fileTypes().isEmpty() && type == ValueType.FILE ? Prompt.USUAL_FILES : limits.fileTypes(),
                limits.megabytes() == null ? Prompt.USUAL_MEGABYTES : limits.megabytes(),
                !state.silent());
    }

    private static String layout(Awaiting awaiting, @Nullable Choice choice) {
        if (awaiting.times() != null) {
            return Prompt.TIMES;
        }
        return choice == null ? Choice.Layout.BUTTONS.key() : choice.layout().key();
    }

    private static @Nullable Wanted wanted(@Nullable Step step, Awaiting awaiting) {
        if (step == null) {
            return null;
        }
        return switch (awaiting) {
            case Awaiting.Reply ignored ->
                step.wants().isEmpty() ? null : step.wants().getFirst();
            case Awaiting.Facts asked ->
                step.wants().stream()
                        .filter(want -> asked.facts().equals(java.util.List.of(want.variable())))
                        .findFirst()
                        .orElse(null);
            default -> null;
        };
    }

    private static @Nullable ValueType type(Awaiting awaiting) {
        return switch (awaiting) {
            case Awaiting.OpenQuestion ignored -> ValueType.TEXT;
            case Awaiting.Comment ignored -> ValueType.TEXT;
            case Awaiting.Rating ignored -> ValueType.RATING;
            default -> awaiting.type();
        };
    }

    private static String kind(Awaiting awaiting) {
        return switch (awaiting) {
            case Awaiting.Reply ignored -> "question";
            case Awaiting.OpenQuestion ignored -> "question";
            case Awaiting.Comment ignored -> "question";
            case Awaiting.Pick ignored -> "choice";
            case Awaiting.Slot ignored -> "choice";
            case Awaiting.Own ignored -> "choice";
            case Awaiting.Held ignored -> "question";
            case Awaiting.Suggestion ignored -> "choice";
            case Awaiting.Which ignored -> "choice";
            case Awaiting.Confirm ignored -> "choice";
            case Awaiting.Rating ignored -> "choice";
            case Awaiting.Next ignored -> "choice";
            case Awaiting.Facts ignored -> "interview";
            case Awaiting.Time ignored -> "time";
            case Awaiting.Result ignored -> "time";
            case Awaiting.Signal ignored -> "signal";
            case Awaiting.Called ignored -> "service";
            case Awaiting.Person ignored -> "agent";
        };
    }

    private static @Nullable String bound(String limit, @Nullable ValueType type, LocalDate today) {
        if (type == ValueType.TIME) {
            return limit.isBlank() ? null : limit;
        }
        LocalDate day = AnswerCheck.day(limit, today);
        return day == null ? null : day.toString();
    }
}
