package com.shuttle.core.scoring;

import static com.shuttle.core.scoring.Cards.HIRE;
import static com.shuttle.core.scoring.Cards.by;
import static com.shuttle.core.scoring.Cards.criterion;
import static com.shuttle.core.scoring.Cards.group;
import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Band;
import com.shuttle.core.flow.Scorecard.Case;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.Scorecard.Is;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** What a scorecard comes to, why, and what a change of it does. */
class ScoringTest {

    private static final Scoring SCORING = Scoring.of(HIRE);

    private static Scored score(Map<String, Value> known) {
        return SCORING.score(criterion -> known.get(criterion.about()));
    }

    private static Value number(long number) {
        return Value.Numeric.of(number);
    }

    private static Value text(String text) {
        return new Value.Text(text);
    }

    @Test
    void pointsAreCountedWithReasonsInPlainWords() {
        Scored scored = score(Map.of(
                "guests", number(60),
                "what", text("Jubilee"),
                "budget / guests", number(12),
                "catering", new Value.YesNo(true)));
        assertThat(scored.points()).isEqualTo(30);
        assertThat(scored.bandName()).isEqualTo("middle");
        assertThat(scored.reasons())
                .containsExactly(
                        "+20: 60 guests, more than 40",
                        "+10: occasion Jubilee, is one of wedding, jubilee",
                        "+5: catering: yes",
                        "\u22125: The party gives 25 at the most");
    }

    @Test
    void whatIsNotKnownCountsAsTheCardSays() {
        Scored scored = score(Map.of());
        assertThat(scored.points()).isEqualTo(-5);
        assertThat(scored.bandId()).as("below every band is the lowest").isEqualTo("b1");
        assertThat(scored.reasons()).contains("\u22125: guests not known", "0: catering not known");
    }

    @Test
    void whoIsRuledOutIsInNoBandWhateverTheSum() {
        Scored scored = score(Map.of("guests", number(4), "budget / guests", number(900)));
        assertThat(scored.out()).isTrue();
        assertThat(scored.bandId()).isEmpty();
        assertThat(scored.bandName()).isEqualTo("ruled out");
        assertThat(scored.reasons()).contains("ruled out: 4 guests, less than 8", "+15: 900 a head, at least 50");
    }

    @Test
    void everyComparisonTakesTheValuesItIsFor() {
        assertThat(holds(Is.MORE, "40", "", number(40))).isFalse();
        assertThat(holds(Is.AT_LEAST, "1,200", "", new Value.Money(new BigDecimal("1200"), "GBP")))
                .isTrue();
        assertThat(holds(Is.WITHIN, "10", "20", number(20))).isTrue();
        assertThat(holds(Is.WITHIN, "2026-05-01", "2026-05-31", new Value.Day(LocalDate.of(2026, 5, 12))))
                .isTrue();
        assertThat(holds(Is.AT_MOST, "2", "", new Value.Many(List.of("a", "b", "c"))))
                .isFalse();
        assertThat(holds(Is.SAME, "b", "", new Value.Many(List.of("A", "B")))).isTrue();
        assertThat(holds(Is.SAME, "3.0", "", number(3))).isTrue();
        assertThat(holds(Is.HAS, "/hire", "", text("https://x.example/Hire/dome")))
                .isTrue();
        assertThat(holds(Is.HAS, "", "", text("anything")))
                .as("nothing is in everything")
                .isFalse();
        assertThat(holds(Is.NO, "", "", new Value.YesNo(false))).isTrue();
        assertThat(holds(Is.KNOWN, "", "", text(""))).isTrue();
        assertThat(holds(Is.MORE, "many", "", number(9))).as("no number").isFalse();
        assertThat(holds(Is.AT_LEAST, "5", "", text("12"))).isTrue();
        assertThat(holds(Is.AT_LEAST, "5", "", text("twelve"))).isFalse();
        assertThat(holds(Is.KNOWN, "", "", new Value.Secret("sealed")))
                .as("secrets are never looked at")
                .isFalse();
    }

    private static boolean holds(Is is, String value, String to, Value of) {
        Scorecard card = new Scorecard(
                "k",
                "",
                List.of(group("g", "", null, criterion("x", "", 0, new Case("c", is, value, to, 1, false)))),
                List.of());
        return Scoring.of(card).score(criterion -> of).points() == 1;
    }

    @Test
    void aCardWithoutAnythingScoresNothing() {
        Scored scored =
                Scoring.of(new Scorecard("k", "Empty", List.of(), List.of())).score(criterion -> null);
        assertThat(scored.points()).isZero();
        assertThat(scored.bandId()).isEmpty();
        assertThat(scored.reasons()).isEmpty();
    }

    @Property(tries = 200)
    void theScoreDoesNotDependOnTheOrderInWhichThingsBecameKnownAndStaysWithinReach(
            @ForAll @IntRange(min = 0, max = 120) int guests,
            @ForAll @IntRange(min = 0, max = 99) int head,
            @ForAll boolean catering,
            @ForAll @IntRange(min = 0, max = 15) int mask,
            @ForAll Random chance) {
        List<Map.Entry<String, Value>> learnt = new ArrayList<>(new LinkedHashMap<>(Map.of(
                        "guests", number(guests),
                        "budget / guests", number(head),
                        "catering", (Value) new Value.YesNo(catering),
                        "what", text(chance.nextBoolean() ? "wedding" : "talk")))
                .entrySet());
        learnt.removeIf(entry -> (mask
                        & 1
                                << List.of("guests", "budget / guests", "catering", "what")
                                        .indexOf(entry.getKey()))
                != 0);
        Map<String, Value> first = new LinkedHashMap<>();
        learnt.forEach(one -> first.put(one.getKey(), one.getValue()));
        Collections.shuffle(learnt, chance);
        Map<String, Value> second = new HashMap<>();
        learnt.forEach(one -> second.put(one.getKey(), one.getValue()));
        Scored scored = score(first);
        assertThat(score(second)).isEqualTo(scored);
        Reach reach = Reach.of(HIRE);
        assertThat(scored.points()).isBetween(reach.least(), reach.most());
        assertThat(scored.lines().stream().mapToInt(Scored.Line::points).sum()
                        + scored.cuts().stream().mapToInt(Scored.Cut::points).sum())
                .as("the reasons add up")
                .isEqualTo(scored.points());
    }

    @Test
    void theReachOfACardIsThatOfItsGroups() {
        assertThat(Reach.of(HIRE)).isEqualTo(new Reach(-5 + 0 - 10, 25 + 20));
        assertThat(Reach.of(criterion("x", "", 3, by(Is.MORE, "1", 7)))).isEqualTo(new Reach(0, 7));
        assertThat(Reach.of(criterion("x", "", 3, by(Is.MORE, "1", 7), by(Is.ELSE, "", 5))))
                .as("some case holds always")
                .isEqualTo(new Reach(3, 7));
    }

    @Test
    void aChangedCardTellsWhoWouldMove() {
        Scorecard harder = new Scorecard(
                HIRE.id(),
                HIRE.name(),
                HIRE.groups(),
                List.of(new Band("b1", "small", 0), new Band("b2", "middle", 28)));
        List<Map<String, Value>> past = List.of(
                Map.of("guests", number(50)),
                Map.of("guests", number(50), "catering", new Value.YesNo(true)),
                Map.of());
        CardChange<Map<String, Value>> change = CardChange.between(
                SCORING, Scoring.of(harder), past, (known, criterion) -> known.get(criterion.about()));
        assertThat(change.from()).isEqualTo(Map.of("middle", 2, "small", 1));
        assertThat(change.to()).isEqualTo(Map.of("small", 3));
        assertThat(change.movers()).hasSize(2);
    }

    @Test
    void faultsAreNamedAtTheirPlace() {
        Scorecard faulty = new Scorecard(
                "k",
                "",
                List.of(group(
                        "g",
                        "",
                        null,
                        new Criterion("r1", "gone", "", List.of(by(Is.MORE, "10", 1)), 0),
                        new Criterion("r2", "guests /", "", List.of(), 0),
                        new Criterion(
                                "r3",
                                "guests",
                                "",
                                List.of(
                                        new Case("a", Is.AT_LEAST, "10", "", 1, false),
                                        new Case("b", Is.WITHIN, "20", "30", 2, false),
                                        new Case("c", Is.WITHIN, "9", "3", 2, false),
                                        new Case("d", Is.LESS, "few", "", 2, false)),
                                0))),
                List.of(new Band("x", "one", 0), new Band("y", "two", 0), new Band("z", "far", 900)));
        List<CardCheck.Fault> faults = CardCheck.of(faulty, Map.of("guests", ValueType.NUMBER));
        assertThat(faults).extracting(CardCheck.Fault::place).contains("r1", "r2", "b", "c", "d", "y", "z");
        assertThat(faults).extracting(CardCheck.Fault::place).doesNotContain("a", "r3", "x");
        assertThat(CardCheck.of(
                        HIRE,
                        Map.of(
                                "guests",
                                ValueType.NUMBER,
                                "what",
                                ValueType.TEXT,
                                "budget",
                                ValueType.NUMBER,
                                "catering",
                                ValueType.YES_NO)))
                .isEmpty();
    }
}
