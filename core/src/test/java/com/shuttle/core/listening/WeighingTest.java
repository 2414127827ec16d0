package com.shuttle.core.listening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

class WeighingTest {

    private static final String SAID = "alpha beta gamma delta epsilon zeta";

    private static Claim<String> claim(Source source, double strength, String text, String... words) {
        List<Span> spans = new ArrayList<>();
        for (String word : words) {
            int at = text.indexOf(word);
            spans.add(new Span(at, at + word.length()));
        }
        return new Claim<>(source, spans, strength, "", "");
    }

    @Test
    void whatDoesNotCompeteAllWins() {
        String text = "six of us, is it step-free?";
        Claim<String> answer = claim(Source.ANSWER, 0.9, text, "six of us");
        Claim<String> question = claim(Source.QUESTION, 0.6, text, "is it step-free?");
        Weighing.Weighed<String> weighed = Weighing.of(text, List.of(question, answer));
        assertThat(weighed.won()).containsExactly(answer, question);
        assertThat(weighed.lost()).isEmpty();
    }

    @Test
    void whatExplainsMoreWins() {
        String text = "no, make it six";
        Claim<String> answer = claim(Source.ANSWER, 0.95, text, "six");
        Claim<String> change = claim(Source.CHANGE, 0.9, text, text);
        Weighing.Weighed<String> weighed = Weighing.of(text, List.of(answer, change));
        assertThat(weighed.won()).containsExactly(change);
        assertThat(weighed.lost()).containsEntry(answer, change);
    }

    @Test
    void twoSmallClaimsMayOutweighALargeOne() {
        Claim<String> all = claim(Source.QUESTION, 0.3, SAID, SAID);
        Claim<String> one = claim(Source.FACT, 0.8, SAID, "alpha", "zeta");
        Claim<String> other = claim(Source.FACT, 0.8, SAID, "gamma delta");
        assertThat(Weighing.of(SAID, List.of(all, one, other)).won()).containsExactly(one, other);
    }

    @Test
    void idleWordsCountHalf() {
        assertThat(Weighing.weight("is it the wheel", claim(Source.ANSWER, 1, "is it the wheel", "is it the wheel")))
                .isEqualTo(2.5);
    }

    @Test
    void ofEqualClaimsTheEarlierSourceWins() {
        Claim<String> fact = claim(Source.FACT, 0.8, SAID, "beta");
        Claim<String> answer = claim(Source.ANSWER, 0.8, SAID, "beta");
        assertThat(Weighing.of(SAID, List.of(fact, answer)).won()).containsExactly(answer);
    }

    @Test
    void whatClaimsNoWordsIsInNobodysWay() {
        Claim<String> fact = new Claim<>(Source.FACT, List.of(), 0.8, "", "");
        Claim<String> all = claim(Source.CHANGE, 0.9, SAID, SAID);
        assertThat(Weighing.of(SAID, List.of(all, fact)).won()).containsExactly(all, fact);
        assertThat(Weighing.of("", List.of()).won()).isEmpty();
    }

    @Provide
    Arbitrary<List<Claim<String>>> claims() {
        Arbitrary<Span> spans = Arbitraries.integers()
                .between(0, SAID.length() - 1)
                .flatMap(from -> Arbitraries.integers()
                        .between(from + 1, Math.min(SAID.length(), from + 14))
                        .map(to -> new Span(from, to)));
        return Combinators.combine(
                        Arbitraries.of(Source.class),
                        spans.list().ofMinSize(0).ofMaxSize(2),
                        Arbitraries.doubles().between(0, 1))
                .as((source, words, strength) -> new Claim<>(source, words, strength, "", ""))
                .list()
                .ofMaxSize(9);
    }

    /** Against every subset. */
    @Property
    void noSetWeighsMore(@ForAll("claims") List<Claim<String>> claims) {
        double most = 0;
        for (int set = 0; set < 1 << claims.size(); set++) {
            List<Claim<String>> some = new ArrayList<>();
            for (int i = 0; i < claims.size(); i++) {
                if ((set >> i & 1) == 1) {
                    some.add(claims.get(i));
                }
            }
            most = apart(some) ? Math.max(most, weight(some)) : most;
        }
        Weighing.Weighed<String> weighed = Weighing.of(SAID, claims);
        assertThat(apart(weighed.won())).isTrue();
        assertThat(weight(weighed.won())).isCloseTo(most, within(1e-6));
        weighed.lost().forEach((lost, to) -> {
            assertThat(lost.rivals(to)).isTrue();
            assertThat(weighed.won()).contains(to);
        });
    }

    private static double weight(List<Claim<String>> claims) {
        return claims.stream()
                .mapToDouble(claim -> Weighing.weight(SAID, claim))
                .sum();
    }

    private static boolean apart(List<Claim<String>> claims) {
        for (int i = 0; i < claims.size(); i++) {
            for (int j = i + 1; j < claims.size(); j++) {
                if (claims.get(i).rivals(claims.get(j))) {
                    return false;
                }
            }
        }
        return true;
    }
}
