package com.shuttle.core.listening;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Decides between claims: of all sets of claims no two of which want the same word, the one of the greatest weight wins, and
 * all of it is acted on. The weight of a claim is its strength times the words it explains, idle words counting half; the
 * weight of a set is the sum. Were all claims single stretches this would be weighted interval scheduling (Kleinberg and
 * Tardos, Algorithm Design, 6.1); since an answer may stand in several places ("lunch for the 12 of us, and the clay") it is
 * weighted set packing, solved exactly by branch and bound: claims by falling weight, each taken or left, and a branch is cut
 * where all that is left in it would not reach the best so far. At most {@value #MOST} claims are weighed, the weightiest, so
 * that the bound on steps is 2<sup>16</sup>; a message in practice makes two to six. Pure function.
 *
 * @param <W> of what kind that is what claims understood
 */
public final class Weighing<W> {

    /** More claims than this are not weighed. */
    static final int MOST = 16;

    private static final double IDLE = 0.5;
    /** Sets that weigh as much as this alike are told apart by the order of sources. */
    private static final double ALIKE = 1e-9;

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}]++(?:['’.@-][\\p{L}\\p{N}]++)*+|\\p{So}");

    private static final Set<String> IDLE_WORDS = Set.of(
            ("a an the and or so to of for at on in is it it's i i'm we we're us me my our you your be would like please"
                            + " thanks thank well ok okay oh um just that this there here then")
                    .split(" "));

    private static final Set<String> AUXILIARIES = Set.of(
            ("can could do does did have has had are was were will would shall should may might need want get got take"
                            + " make book any some i'd we'd he she they with by from name email mail number phone address called")
                    .split(" "));

    /** A word of a message, and whether it says little by itself. */
    private record Said(Span span, boolean idle) {}

    /**
     * What came of weighing.
     *
     * @param won  by source, then by place
     * @param lost those that lost, each with the winner that has some of its words
     */
    public record Weighed<W>(List<Claim<W>> won, Map<Claim<W>, Claim<W>> lost) {
        public Weighed {
            won = List.copyOf(won);
            lost = Map.copyOf(lost);
        }
    }

    private final List<Claim<W>> claims;
    private final double[] weights;
    /** What the claims from each on weigh together. */
    private final double[] left;

    private final boolean[][] rivals;
    private final boolean[] taken;
    private boolean[] best;
    private double most = -1;

    private Weighing(String text, List<Claim<W>> claims) {
        List<Said> said = said(text);
        Map<Claim<W>, Double> weighed = new IdentityHashMap<>();
        claims.forEach(claim -> weighed.put(claim, weight(said, claim)));
        this.claims = claims.stream()
                .sorted(Comparator.comparingDouble((Claim<W> claim) -> -requireNonNull(weighed.get(claim)))
                        .thenComparing(Claim::source))
                .limit(MOST)
                .toList();
        int size = this.claims.size();
        this.weights = this.claims.stream()
                .mapToDouble(claim -> requireNonNull(weighed.get(claim)))
                .toArray();
        this.left = new double[size + 1];
        this.rivals = new boolean[size][size];
        for (int i = size - 1; i >= 0; i--) {
            left[i] = left[i + 1] + weights[i];
            for (int j = 0; j < size; j++) {
                rivals[i][j] = i != j && this.claims.get(i).rivals(this.claims.get(j));
            }
        }
        this.taken = new boolean[size];
        this.best = new boolean[size];
    }

    /** The weightiest set of claims of a message. */
    public static <W> Weighed<W> of(String text, List<Claim<W>> claims) {
        if (claims.size() < 2) {
            return new Weighed<>(claims, Map.of());
        }
        Weighing<W> weighing = new Weighing<>(text, claims);
        weighing.branch(0, 0);
        return weighing.weighed();
    }

    private static List<Said> said(String text) {
        List<Said> said = new ArrayList<>();
        Matcher word = WORD.matcher(text);
        while (word.find()) {
            said.add(new Said(new Span(word.start(), word.end()), IDLE_WORDS.contains(plain(word.group()))));
        }
        return said;
    }

    private static String plain(String word) {
        return word.toLowerCase(Locale.ROOT).replace('’', '\'');
    }

    /** How much of a message a claim explains, and how surely; never nothing, so that it is better than none. */
    private static double weight(List<Said> said, Claim<?> claim) {
        double words = 0;
        for (Said word : said) {
            if (claim.explains(word.span())) {
                words += word.idle() ? IDLE : 1;
            }
        }
        return Math.max(claim.strength() * Math.max(words, IDLE), ALIKE * 2);
    }

    /** @see #weight(List, Claim) */
    static double weight(String text, Claim<?> claim) {
        return weight(said(text), claim);
    }

    /** Whether some stretches of a message hold words that say something of themselves. */
    public static boolean say(String text, List<Span> spans) {
        return WORD.matcher(Span.words(text, spans))
                .results()
                .map(word -> plain(word.group()))
                .anyMatch(word -> !IDLE_WORDS.contains(word) && !AUXILIARIES.contains(word));
    }

    private void branch(int at, double weight) {
        if (weight > most + ALIKE) {
            most = weight;
            best = taken.clone();
        }
        if (at == claims.size() || weight + left[at] <= most + ALIKE) {
            return;
        }
        if (free(at)) {
            taken[at] = true;
            branch(at + 1, weight + weights[at]);
            taken[at] = false;
        }
        branch(at + 1, weight);
    }

    private boolean free(int at) {
        for (int i = 0; i < at; i++) {
            if (taken[i] && rivals[i][at]) {
                return false;
            }
        }
        return true;
    }

    private Weighed<W> weighed() {
        List<Claim<W>> won = new ArrayList<>();
        Map<Claim<W>, Claim<W>> lost = new HashMap<>();
        for (int i = 0; i < claims.size(); i++) {
            if (best[i]) {
                won.add(claims.get(i));
            }
        }
        for (int i = 0; i < claims.size(); i++) {
            for (int j = 0; j < claims.size() && !best[i]; j++) {
                if (best[j] && rivals[i][j]) {
                    lost.putIfAbsent(claims.get(i), claims.get(j));
                }
            }
        }
        won.sort(Comparator.comparing((Claim<W> claim) -> claim.source())
                .thenComparing(claim ->
                        claim.words().isEmpty() ? 0 : claim.words().getFirst().start()));
        return new Weighed<>(won, lost);
    }
}
