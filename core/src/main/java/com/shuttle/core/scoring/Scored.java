package com.shuttle.core.scoring;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Band;
import com.shuttle.core.flow.Scorecard.Case;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.Scorecard.Group;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What a scorecard came to for somebody. Immutable.
 *
 * @param points the sum, with no group above its most
 * @param band   null where the card has none
 * @param lines  one for each criterion, in the card's order
 * @param cuts   what groups were cut by, below nought; only groups that were
 */
public record Scored(int points, @Nullable Band band, List<Line> lines, List<Cut> cuts) {

    /**
     * What a criterion gave.
     *
     * @param by    the case that held; null where none did, or nothing is known
     * @param value null where it is not known
     */
    public record Line(
            Criterion criterion,
            @Nullable Case by,
            @Nullable Value value,
            int points) {

        public boolean out() {
            return by != null && by.out();
        }

        /** In plain words: "+20: 60 guests, more than 40". */
        public String words() {
            return (out() ? "ruled out" : signed(points)) + ": " + what();
        }

        private String what() {
            String name = criterion.name();
            return switch (value) {
                case null -> name + " not known";
                case Value.Numeric(BigDecimal number) -> rounded(number) + " " + name + held();
                case Value.YesNo yes -> name + ": " + yes.shown();
                case Value known -> name + " " + known.shown() + held();
            };
        }

        /** To two places at the most. */
        private static String rounded(BigDecimal number) {
            return number.scale() <= 2
                    ? number.toPlainString()
                    : number.setScale(2, RoundingMode.HALF_UP).toPlainString();
        }

        private String held() {
            return by == null ? "" : ", " + Scored.words(by);
        }
    }

    /** By how much a group was cut to its most. */
    public record Cut(Group group, int points) {

        /** "−5: The party gives 30 at the most". */
        public String words() {
            return signed(points) + ": " + group.name() + " gives " + group.most() + " at the most";
        }
    }

    /** Whether the visitor is ruled out. */
    public boolean out() {
        return lines.stream().anyMatch(Line::out);
    }

    /** Id of the band; empty where the visitor is ruled out, or the card has none. */
    public String bandId() {
        return out() || band == null ? "" : band.id();
    }

    /** As lists name it. */
    public String bandName() {
        return out() ? "ruled out" : band == null ? "" : band.name();
    }

    /** What counted, in plain words: what gave or took points, what rules out, and what is not known. */
    public List<String> reasons() {
        List<String> reasons = new ArrayList<>();
        lines.stream()
                .filter(line -> line.points() != 0 || line.out() || line.value() == null)
                .map(Line::words)
                .forEach(reasons::add);
        cuts.stream().map(Cut::words).forEach(reasons::add);
        return List.copyOf(reasons);
    }

    /** With a sign that reads well: "+20", "−5", "0". */
    public static String signed(int points) {
        return points > 0 ? "+" + points : points < 0 ? "\u2212" + -points : "0";
    }

    /** A card in words, a line for each criterion and band. */
    public static String cardInWords(Scorecard card) {
        List<String> lines = new ArrayList<>();
        for (Group group : card.groups()) {
            lines.add(group.name() + (group.most() == null ? "" : ", " + group.most() + " at the most"));
            for (Criterion criterion : group.criteria()) {
                String cases = criterion.cases().stream()
                        .map(by -> words(by) + " " + (by.out() ? "rules out" : signed(by.points())))
                        .collect(Collectors.joining("; "));
                lines.add(criterion.name() + ": " + cases + "; not known " + signed(criterion.unknown()));
            }
        }
        card.bands().forEach(band -> lines.add("“" + band.name() + "” from " + band.from()));
        return String.join("\n", lines);
    }

    /** A case in words: "more than 40", "from 10 to 20". */
    public static String words(Case by) {
        Scorecard.Is is = by.is();
        String with = is.compares() ? " " + by.value() : "";
        return is.label() + with + (is == Scorecard.Is.WITHIN ? " to " + by.to() : "");
    }
}
