package com.shuttle.core.acts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.shuttle.core.acts.Situation.Pending;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.knowledge.Meaning;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MarksTest {

    private static final Meaning MEANING = Learn.keeping(Meaning.shipped());

    private static final Situation NAME = asked(ValueType.PERSON_NAME, "Who is it for?");
    private static final Situation DAY = asked(ValueType.DATE, "Which day?");

    private static Situation asked(ValueType type, String question) {
        return new Situation(Pending.VALUE, type, question, List.of(), Map.of());
    }

    private static Odds after(String clause, Situation situation, Mark... marks) {
        double[] odds = new double[Kind.values().length];
        odds[Kind.ANSWER.ordinal()] = 0.9;
        odds[Kind.CHAT.ordinal()] = 0.1;
        return Marks.after(new Odds(odds), clause, situation, List.of(marks), MEANING);
    }

    @Test
    void theSameWordsAreSurelyHeardAsMarkedAndNearOnesLikely() {
        Mark mark = Mark.of("the usual suspects", NAME, Kind.KNOWLEDGE);
        assertThat(after("The usual suspects!", NAME, mark).of(Act.ASK)).isGreaterThan(0.9);
        assertThat(after("just the usual suspects", NAME, mark).of(Act.ASK)).isBetween(0.5, 0.97);
        assertThat(after("a crate of oranges", NAME, mark).of(Act.ASK)).isZero();
    }

    @Test
    void whereSomethingElseIsAskedAMarkSaysLess() {
        Mark mark = Mark.of("whatever you have", NAME, Kind.ANY);
        double there = after("whatever you have", NAME, mark).of(Act.UNSURE);
        double elsewhere = after("whatever you have", DAY, mark).of(Act.UNSURE);
        assertThat(elsewhere).isLessThan(there).isGreaterThan(0.5);
    }

    @Test
    void theNearestMarkCountsAndWithoutMarksNothingChanges() {
        Mark refuses = Mark.of("not telling", NAME, Kind.REFUSE);
        Mark greets = Mark.of("hello hello", NAME, Kind.GREETING);
        assertThat(after("not telling", NAME, greets, refuses).act()).isEqualTo(Act.REFUSE);
        assertThat(after("not telling", NAME).of(Kind.ANSWER)).isEqualTo(0.9);
    }

    @Test
    void oddsStayOdds() {
        for (Kind kind : Kind.values()) {
            Odds moved = after("not telling", NAME, Mark.of("not telling", NAME, kind));
            assertThat(Arrays.stream(moved.kinds()).sum()).isCloseTo(1, within(1e-9));
            assertThat(Odds.UNKNOWN.towards(kind, 0.5).of(kind)).isGreaterThan(0.5);
        }
    }
}
