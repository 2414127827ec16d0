package com.shuttle.core.engine;

import com.shuttle.core.engine.Message.Offer;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.Limits;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a conversation waits for, as a page needs it to offer more than a text box.
 *
 * @param kind      of waiting, e.g. {@code question}; queue and person alike are {@code agent}
 * @param type      of the value asked for; null where there is none
 * @param hint      small words beneath; may be empty
 * @param example   may be empty
 * @param optional  whether it may be skipped
 * @param options   that may be picked now
 * @param layout    of the options
 * @param many      whether several may be picked
 * @param min       smallest number, null for none
 * @param max       largest number, null for none
 * @param by        step of a slider
 * @param earliest  first day, ISO, or first time; null for none
 * @param latest    last day or time; null for none
 * @param weekdays  days of the week that are taken; empty for all
 * @param look      of a rating
 * @param fileTypes endings taken; empty for the usual
 * @param megabytes of a file at most
 * @param typing    whether the text box is open
 */
public record Prompt(
        String kind,
        @Nullable ValueType type,
        String hint,
        String example,
        boolean optional,
        List<Offer> options,
        String layout,
        boolean many,
        @Nullable BigDecimal min,
        @Nullable BigDecimal max,
        @Nullable BigDecimal by,
        @Nullable String earliest,
        @Nullable String latest,
        List<String> weekdays,
        String look,
        List<String> fileTypes,
        int megabytes,
        boolean typing) {

    /** Endings of files that are taken where the designer has not said. */
    public static final List<String> USUAL_FILES =
            List.of("jpg", "jpeg", "png", "gif", "webp", "pdf", "txt", "csv", "docx", "xlsx", "odt", "ods");

    /** Size in megabytes where the designer has not said. */
    public static final int USUAL_MEGABYTES = 10;

    /** What a conversation waits for; null where nothing particular is. */
    public static @Nullable Prompt of(Playbook playbook, State state, LocalDate today) {
        Awaiting awaiting = state.awaiting();
        if (awaiting == null) {
            return null;
        }
        Step step = playbook.step(state.at());
        Wanted wanted = wanted(step, awaiting);
        Limits limits = wanted == null ? Limits.NONE : wanted.limits();
        ValueType type = awaiting.kind() == Awaiting.Kind.ANSWER
                ? ValueType.TEXT
                : wanted == null ? awaiting.type() : wanted.type();
        boolean marks = type == ValueType.RATING && wanted != null;
        boolean slider = type == ValueType.SLIDER;
        boolean rating = awaiting.kind() == Awaiting.Kind.RATING;
        return new Prompt(
                kind(awaiting.kind()),
                rating ? ValueType.RATING : awaiting.kind() == Awaiting.Kind.COMMENT ? ValueType.TEXT : type,
                step instanceof Question question ? question.hint() : "",
                wanted == null ? "" : wanted.example(),
                wanted != null && wanted.optional(),
                awaiting.offers(),
                step instanceof Choice choice ? choice.layout().key() : "buttons",
                step instanceof Choice choice && choice.many(),
                marks
                        ? BigDecimal.valueOf(Offers.lowest(wanted))
                        : slider && limits.min() == null ? BigDecimal.ZERO : limits.min(),
                marks
                        ? BigDecimal.valueOf(Offers.highest(wanted))
                        : slider && limits.max() == null ? BigDecimal.valueOf(100) : limits.max(),
                limits.by(),
                bound(limits.earliest(), type, today),
                bound(limits.latest(), type, today),
                limits.weekdays(),
                rating || marks && limits.look().isBlank() ? "stars" : limits.look(),
                limits.fileTypes().isEmpty() && type == ValueType.FILE ? USUAL_FILES : limits.fileTypes(),
                limits.megabytes() == null ? USUAL_MEGABYTES : limits.megabytes(),
                !state.silent());
    }

    private static @Nullable Wanted wanted(@Nullable Step step, Awaiting awaiting) {
        if (awaiting.kind() == Awaiting.Kind.QUESTION && step instanceof Question question) {
            return question;
        }
        if (awaiting.kind() == Awaiting.Kind.INTERVIEW
                && step instanceof Interview interview
                && awaiting.facts().size() == 1) {
            for (Fact fact : interview.facts()) {
                if (fact.variable().equals(awaiting.facts().getFirst())) {
                    return fact;
                }
            }
        }
        return null;
    }

    private static String kind(Awaiting.Kind kind) {
        return switch (kind) {
            case QUESTION, ANSWER, COMMENT -> "question";
            case CHOICE, SUGGESTION, WHICH, CONFIRM, RATING, NEXT -> "choice";
            case INTERVIEW -> "interview";
            case TIME -> "time";
            case SIGNAL -> "signal";
            case AGENT -> "agent";
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
