package com.shuttle.core.scoring;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Band;
import com.shuttle.core.flow.Scorecard.Case;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.Scorecard.Group;
import com.shuttle.core.flow.Scorecard.Is;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Scorecards for tests. */
public final class Cards {

    private Cards() {}

    /** Who hires a hall: guests and money weigh most, weekdays are worth a little, tiny parties are ruled out. */
    public static final Scorecard HIRE = new Scorecard(
            "k1",
            "Hall hire",
            List.of(
                    group(
                            "g1",
                            "The party",
                            25,
                            criterion(
                                    "guests",
                                    "guests",
                                    -5,
                                    out(Is.LESS, "8"),
                                    by(Is.MORE, "40", 20),
                                    by(Is.AT_LEAST, "20", 10)),
                            criterion(
                                    "what", "occasion", 0, by(Is.ONE_OF, "wedding, jubilee", 10), by(Is.ELSE, "", 2))),
                    group(
                            "g2",
                            "The means",
                            null,
                            criterion(
                                    "budget / guests", "a head", 0, by(Is.AT_LEAST, "50", 15), by(Is.LESS, "10", -10)),
                            criterion("catering", "catering", 0, by(Is.YES, "", 5)))),
            List.of(new Band("b3", "best", 35), new Band("b1", "small", 0), new Band("b2", "middle", 15)));

    private static int cases;

    public static Group group(String id, String name, @Nullable Integer most, Criterion... criteria) {
        return new Group(id, name, most, List.of(criteria));
    }

    public static Criterion criterion(String about, String called, int unknown, Case... cases) {
        List<Case> all = new ArrayList<>(List.of(cases));
        return new Criterion("of " + about, about, called, all, unknown);
    }

    public static Case by(Is is, String value, int points) {
        return new Case("c" + ++cases, is, value, "", points, false);
    }

    public static Case out(Is is, String value) {
        return new Case("c" + ++cases, is, value, "", 0, true);
    }
}
