package com.shuttle.core.edit;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.ValueType;
import java.util.HashSet;
import java.util.Set;

/**
 * Where an answer is kept while the designer has not said: a variable named for the type that is asked for, and for nothing else in
 * the flow. Whoever empties it is proposed no other. Pure functions.
 */
final class Proposals {

    private Proposals() {}

    /** A new question with a variable. Other kinds are as they are. */
    static Step begun(Flow flow, Step step) {
        return step instanceof Question question && question.variable().isBlank()
                ? StepJson.with(question, "variable", free(flow, question.id(), question.type()))
                : step;
    }

    /** A question of another type than before, with a variable for that where it had the one that was proposed. */
    static Step retyped(Flow flow, Step before, Step now) {
        boolean retyped = before instanceof Question was
                && now instanceof Question is
                && was.type() != is.type()
                && was.variable().matches(name(was.type()) + "(_\\d+)?");
        return retyped ? StepJson.with(now, "variable", free(flow, now.id(), ((Question) now).type())) : now;
    }

    private static String free(Flow flow, String step, ValueType type) {
        Set<String> taken = new HashSet<>();
        flow.allSteps().stream()
                .filter(other -> !other.id().equals(step))
                .forEach(other -> taken.addAll(other.fills().keySet()));
        String name = name(type);
        int n = 2;
        String free = name;
        while (taken.contains(free)) {
            free = name + "_" + n++;
        }
        return free;
    }

    private static String name(ValueType type) {
        return switch (type) {
            case TEXT -> "answer";
            case LONG_TEXT -> "message";
            case PERSON_NAME -> "name";
            case COMPANY -> "company";
            case EMAIL -> "email";
            case PHONE -> "phone";
            case NUMBER -> "number";
            case MONEY -> "amount";
            case DATE -> "day";
            case TIME -> "time";
            case DATE_TIME -> "moment";
            case URL -> "website";
            case PLACE -> "place";
            case YES_NO -> "agreed";
            case CHOICE, MULTI_CHOICE -> "choice";
            case RATING -> "rating";
            case SLIDER -> "level";
            case FILE -> "file";
            case SECRET -> "secret";
        };
    }
}
