package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.knowledge.Evidence.Kind;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import com.shuttle.core.knowledge.Meaning.Model;
import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class CalibrationTest {

    private static Evidence evidence(double each) {
        double[] values = new double[Evidence.SIZE];
        Arrays.fill(values, each);
        return new Evidence(values);
    }

    @Property
    void aConfidenceIsAProbability(
            @ForAll @DoubleRange(min = -1, max = 1) double each,
            @ForAll @DoubleRange(min = -60, max = 60) double rival) {
        assertThat(Calibration.confidence(evidence(each), rival)).isBetween(0.0, 1.0);
    }

    @Property
    void itFallsAsTheRivalRises(
            @ForAll @DoubleRange(min = -1, max = 1) double each,
            @ForAll @DoubleRange(min = -60, max = 60) double rival,
            @ForAll @DoubleRange(min = 0, max = 60) double more) {
        assertThat(Calibration.confidence(evidence(each), rival + more))
                .isLessThanOrEqualTo(Calibration.confidence(evidence(each), rival));
    }

    @Property
    void moreOfAnyEvidenceIsNoLess(
            @ForAll @DoubleRange(min = 0, max = 0.9) double each,
            @ForAll @DoubleRange(min = 0, max = 0.1) double more) {
        Evidence less = evidence(each);
        double confidence = Calibration.confidence(less, 30);
        for (int i = 0; i < Evidence.SIZE; i++) {
            double[] stronger = less.values().clone();
            stronger[i] += more;
            assertThat(Calibration.confidence(new Evidence(stronger), 30)).isGreaterThanOrEqualTo(confidence);
        }
    }

    @Test
    void whatIsFarInMeaningIsNeverSure() {
        double[] far = evidence(0.9).values();
        far[Evidence.at(Model.SENTENCES, Kind.WHOLE)] = 0.01;
        far[Evidence.SENTENCE] = 0.01;
        assertThat(Calibration.confidence(new Evidence(far), -50)).isLessThan(0.01);
    }

    @Test
    void otherBandsLeaveTheConfidenceAlone() {
        Match match = new Match("a", Source.ENTRY, "A?", 0.5, List.of("Yes."), new Why("A?", 0.5, 0.5, List.of()));
        Finding finding = new Finding(Outcome.SUGGEST, 0.5, List.of(match), List.of(match));
        assertThat(finding.in(new Calibration(0.5, 0.1)).outcome()).isEqualTo(Outcome.ANSWER);
        assertThat(finding.in(new Calibration(0.5, 0.1)).also()).containsExactly(match);
        assertThat(finding.in(new Calibration(0.9, 0.5)).outcome()).isEqualTo(Outcome.SUGGEST);
        assertThat(finding.in(new Calibration(0.9, 0.6))).isEqualTo(new Finding(Outcome.NONE, 0.5, List.of(match)));
        assertThat(Finding.NOTHING.in(new Calibration(0, 0)).outcome()).isEqualTo(Outcome.NONE);
    }
}
