package com.shuttle.leads;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Band;
import com.shuttle.core.flow.Scorecard.Group;
import com.shuttle.core.scoring.Reach;
import com.shuttle.core.scoring.Scored;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A scorecard drawn as one sum. Points run from left to right on one scale; each criterion is a rung that begins where the sum
 * stands when it is counted, with all it could give or take in outline and what somebody got filled in; a line leads down from
 * rung to rung, and ends in the band that it falls in. Coordinates are those of the drawing, pixels.
 *
 * @param bands along the top and bottom
 * @param sum   where the sum of whoever is shown ends; null where nobody is
 */
record CardPicture(
        int width,
        int height,
        int left,
        List<BandSpan> bands,
        List<Rung> rungs,
        List<Heading> headings,
        double zero,
        @Nullable Double sum,
        int foot) {

    private static final int LEFT = 210;
    private static final int RIGHT = 150;
    private static final int WIDE = 1040;
    private static final int TOP = 46;
    private static final int RUNG = 26;
    private static final int HEAD = 26;

    /** The mark below the sum. */
    public String mark() {
        double x = sum == null ? zero : sum;
        return "M%s %d L%s %d L%s %d Z".formatted(x - 6, foot + 14, x + 6, foot + 14, x, foot + 5);
    }

    /** A band on the scale. @param from its least sum, in words */
    record BandSpan(String name, String from, double x, double width, int shade) {}

    /**
     * A criterion.
     *
     * @param x      of what it can give, {@code width} its extent
     * @param gotX   of what somebody got, {@code gotWidth} its extent; nought for nothing
     * @param before where the sum stood, {@code after} where it stands then
     * @param look   {@code gives}, {@code takes}, {@code out} or {@code unknown}
     * @param told   what somebody got, with a sign; empty where nobody is shown
     */
    record Rung(
            String name,
            String about,
            int y,
            double x,
            double width,
            double gotX,
            double gotWidth,
            double before,
            double after,
            String look,
            String told,
            String words) {}

    /** A group. @param cut by how much somebody's points in it were cut; empty for not at all */
    record Heading(String name, int y, String most, String cut) {}

    /** @param scored what somebody got; null for nobody */
    static CardPicture of(Scorecard card, @Nullable Scored scored) {
        Scale scale = Scale.of(card);
        List<Rung> rungs = new ArrayList<>();
        List<Heading> headings = new ArrayList<>();
        int y = TOP;
        int sum = 0;
        int line = 0;
        for (Group group : card.groups()) {
            headings.add(new Heading(group.name(), y + 17, most(group), cut(group, scored)));
            y += HEAD;
            for (Scorecard.Criterion criterion : group.criteria()) {
                Scored.Line got = scored == null ? null : scored.lines().get(line);
                rungs.add(rung(criterion, got, scale, sum, y));
                sum += got == null ? 0 : got.points();
                line++;
                y += RUNG;
            }
            sum -= cutBy(group, scored);
            y += 6;
        }
        Double at = scored == null ? null : scale.x(scored.points());
        return new CardPicture(WIDE, y + 40, LEFT, bands(card, scale), rungs, headings, scale.x(0), at, y + 6);
    }

    private static Rung rung(Scorecard.Criterion criterion, Scored.@Nullable Line got, Scale scale, int sum, int y) {
        Reach reach = Reach.of(criterion);
        double x = scale.x(sum + Math.min(0, reach.least()));
        double end = scale.x(sum + Math.max(0, reach.most()));
        int points = got == null ? 0 : got.points();
        double before = scale.x(sum);
        double after = scale.x(sum + points);
        String look =
                got == null ? "" : got.out() ? "out" : got.value() == null ? "unknown" : points < 0 ? "takes" : "gives";
        return new Rung(
                criterion.name(),
                criterion.about(),
                y,
                x,
                Math.max(2, end - x),
                Math.min(before, after),
                Math.abs(after - before),
                before,
                after,
                look,
                got == null ? "" : got.out() ? "out" : Scored.signed(points),
                got == null ? "" : got.words());
    }

    private static String most(Group group) {
        return group.most() == null ? "" : "up to " + group.most();
    }

    private static int cutBy(Group group, @Nullable Scored scored) {
        return scored == null
                ? 0
                : scored.cuts().stream()
                        .filter(cut -> cut.group().id().equals(group.id()))
                        .mapToInt(cut -> -cut.points())
                        .sum();
    }

    private static String cut(Group group, @Nullable Scored scored) {
        int by = cutBy(group, scored);
        return by == 0 ? "" : "cut by " + by;
    }

    private static List<BandSpan> bands(Scorecard card, Scale scale) {
        List<BandSpan> spans = new ArrayList<>();
        for (int i = 0; i < card.bands().size(); i++) {
            Band band = card.bands().get(i);
            double x = i == 0 ? LEFT : scale.x(band.from());
            double end = i + 1 < card.bands().size()
                    ? scale.x(card.bands().get(i + 1).from())
                    : WIDE - RIGHT;
            spans.add(new BandSpan(
                    band.name(), i == 0 ? "" : String.valueOf(band.from()), x, Math.max(0, end - x), i % 4));
        }
        return spans;
    }

    /** Points to pixels. */
    private record Scale(int least, int most) {

        static Scale of(Scorecard card) {
            Reach reach = Reach.of(card);
            int least = Math.min(0, reach.least());
            int most = Math.max(10, reach.most());
            for (Band band : card.bands()) {
                least = Math.min(least, band.from());
                most = Math.max(most, band.from() + 5);
            }
            int uncut = card.groups().stream()
                    .flatMap(group -> group.criteria().stream())
                    .mapToInt(criterion -> Reach.of(criterion).most())
                    .sum();
            return new Scale(least, Math.max(most, Math.min(uncut, most + 40)));
        }

        double x(int points) {
            double share = (points - least) / (double) Math.max(1, most - least);
            return Math.round((LEFT + Math.clamp(share, 0, 1) * (WIDE - LEFT - RIGHT)) * 10) / 10.0;
        }
    }
}
