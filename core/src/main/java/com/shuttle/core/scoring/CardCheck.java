package com.shuttle.core.scoring;

import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Band;
import com.shuttle.core.flow.Scorecard.Case;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.Scorecard.Is;
import com.shuttle.core.flow.ValueType;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** What is wrong with a scorecard, in words. A card with faults can be kept and scored all the same. Pure functions. */
public final class CardCheck {

    /** @param place id of the criterion, case or band it is about; empty for the card as a whole */
    public record Fault(String place, String words) {}

    private CardCheck() {}

    /** @param variables those of the bots that use the card, with their types */
    public static List<Fault> of(Scorecard card, Map<String, ValueType> variables) {
        List<Fault> faults = new ArrayList<>();
        if (card.criteria().isEmpty()) {
            faults.add(new Fault("", "There is nothing to score by yet: add a criterion."));
        }
        Expressions expressions = new Expressions(variables);
        for (Criterion criterion : card.criteria()) {
            about(criterion, variables, expressions, faults);
            cases(criterion, faults);
        }
        bands(card, faults);
        return List.copyOf(faults);
    }

    private static void about(
            Criterion criterion, Map<String, ValueType> variables, Expressions expressions, List<Fault> faults) {
        String about = criterion.about();
        if (about.isEmpty()) {
            faults.add(new Fault(criterion.id(), "Choose what this is about."));
        } else if (criterion.ofVariable()) {
            if (!variables.containsKey(about) && !Expressions.SYSTEM.containsKey(about)) {
                faults.add(new Fault(
                        criterion.id(), "No bot that uses this card has “" + about + "”, so it is never known."));
            }
        } else if (expressions.compile(about) instanceof Expressions.Compiled.Bad(Expressions.Problem problem)) {
            faults.add(new Fault(criterion.id(), "This cannot be computed: " + problem.message()));
        }
    }

    private static void cases(Criterion criterion, List<Fault> faults) {
        if (criterion.cases().isEmpty()) {
            faults.add(new Fault(criterion.id(), "It gives no points yet: add a case."));
        }
        for (int i = 0; i < criterion.cases().size(); i++) {
            Case by = criterion.cases().get(i);
            String fault = fault(by);
            if (!fault.isEmpty()) {
                faults.add(new Fault(by.id(), fault));
                continue;
            }
            for (Case earlier : criterion.cases().subList(0, i)) {
                if (covers(earlier, by)) {
                    faults.add(
                            new Fault(by.id(), "Never comes to this: “" + Scored.words(earlier) + "” is before it."));
                    break;
                }
            }
        }
    }

    private static String fault(Case by) {
        if (!by.is().compares()) {
            return "";
        }
        if (by.value().isEmpty() || by.is() == Is.WITHIN && by.to().isEmpty()) {
            return "Give what it is compared with.";
        }
        return switch (by.is()) {
            case MORE, AT_LEAST, AT_MOST, LESS -> orderable(by.value()) ? "" : "This has to be a number or a date.";
            case WITHIN -> within(by);
            case SAME, ONE_OF, HAS, YES, NO, KNOWN, ELSE -> "";
        };
    }

    private static String within(Case by) {
        if (!orderable(by.value()) || !orderable(by.to())) {
            return "Both ends have to be numbers or dates.";
        }
        BigDecimal from = Scoring.number(by.value());
        BigDecimal to = Scoring.number(by.to());
        return from != null && to != null && from.compareTo(to) > 0
                ? "The range ends before it begins, so it never holds."
                : "";
    }

    private static boolean orderable(String written) {
        return Scoring.number(written) != null || isDay(written) || written.matches("\\d\\d:\\d\\d");
    }

    private static boolean isDay(String written) {
        try {
            LocalDate.parse(written);
            return true;
        } catch (DateTimeParseException none) {
            return false;
        }
    }

    /** Whether everything for which {@code late} holds is taken by {@code early}. */
    private static boolean covers(Case early, Case late) {
        if (early.is() == Is.ELSE || early.is() == Is.KNOWN) {
            return true;
        }
        Interval wide = Interval.of(early);
        Interval narrow = Interval.of(late);
        return wide != null && narrow != null && wide.holds(narrow);
    }

    /** The numbers for which a case holds. @param least null for none, as {@code most} */
    private record Interval(
            @Nullable BigDecimal least,
            boolean leastIn,
            @Nullable BigDecimal most,
            boolean mostIn) {

        static @Nullable Interval of(Case by) {
            BigDecimal value = Scoring.number(by.value());
            BigDecimal to = Scoring.number(by.to());
            return value == null
                    ? null
                    : switch (by.is()) {
                        case MORE -> new Interval(value, false, null, false);
                        case AT_LEAST -> new Interval(value, true, null, false);
                        case AT_MOST -> new Interval(null, false, value, true);
                        case LESS -> new Interval(null, false, value, false);
                        case SAME -> new Interval(value, true, value, true);
                        case WITHIN -> to == null ? null : new Interval(value, true, to, true);
                        case ONE_OF, HAS, YES, NO, KNOWN, ELSE -> null;
                    };
        }

        boolean holds(Interval in) {
            return (least == null || in.least != null && within(in.least.compareTo(least), leastIn, in.leastIn))
                    && (most == null || in.most != null && within(most.compareTo(in.most), mostIn, in.mostIn));
        }

        /** @param order of the inner end to the outer one, above nought where it lies inside */
        private static boolean within(int order, boolean outerIn, boolean innerIn) {
            return order > 0 || order == 0 && (outerIn || !innerIn);
        }
    }

    private static void bands(Scorecard card, List<Fault> faults) {
        if (card.bands().isEmpty()) {
            faults.add(new Fault("", "There are no bands yet, so a step cannot go by them."));
        }
        Reach reach = Reach.of(card);
        for (int i = 0; i < card.bands().size(); i++) {
            Band band = card.bands().get(i);
            Band next = i + 1 < card.bands().size() ? card.bands().get(i + 1) : null;
            if (next != null && next.from() == band.from()) {
                faults.add(new Fault(next.id(), "“" + band.name() + "” begins at the same sum and is taken instead."));
            } else if (band.from() > reach.most()) {
                faults.add(new Fault(
                        band.id(), "Nobody gets here: the card gives " + reach.most() + " points at the most."));
            } else if (next != null && next.from() <= reach.least()) {
                faults.add(new Fault(
                        band.id(), "Nobody gets here: the card gives " + reach.least() + " points at the least."));
            }
            if (band.name().isBlank()) {
                faults.add(new Fault(band.id(), "Give the band a name."));
            }
        }
    }
}
