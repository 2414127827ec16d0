package com.shuttle.core.scoring;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Case;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.Scorecard.Group;

/**
 * What something of a card can come to, for whomever. A bound and not always reached: two criteria about the same may exclude
 * one another.
 *
 * @param least not above {@code most}
 */
public record Reach(int least, int most) {

    private static final Reach NOTHING = new Reach(0, 0);

    /** Of a criterion: no case need hold, unless its last takes anything. */
    public static Reach of(Criterion criterion) {
        boolean always = criterion.cases().stream().anyMatch(by -> by.is() == Scorecard.Is.ELSE);
        int least = always ? criterion.unknown() : Math.min(0, criterion.unknown());
        int most = always ? criterion.unknown() : Math.max(0, criterion.unknown());
        for (Case by : criterion.cases()) {
            least = Math.min(least, by.points());
            most = Math.max(most, by.points());
        }
        return new Reach(least, most);
    }

    /** Of a group, with no more than its most. */
    public static Reach of(Group group) {
        Reach sum = NOTHING;
        for (Criterion criterion : group.criteria()) {
            sum = sum.plus(of(criterion));
        }
        Integer most = group.most();
        return most == null ? sum : new Reach(Math.min(sum.least, most), Math.min(sum.most, most));
    }

    public static Reach of(Scorecard card) {
        Reach sum = NOTHING;
        for (Group group : card.groups()) {
            sum = sum.plus(of(group));
        }
        return sum;
    }

    private Reach plus(Reach other) {
        return new Reach(least + other.least, most + other.most);
    }
}
