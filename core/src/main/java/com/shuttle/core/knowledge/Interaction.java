package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Evidence.Kind;
import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.knowledge.Read.Texts;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Compares a question with a unit piece by piece: each word piece of the question, as a model reads it where it stands, finds
 * its nearest one in the unit, and the other way round (late interaction; Khattab and Zaharia, "ColBERT", 2020, there
 * unweighted and one way). With {@code m(t)} the highest cosine of a question's piece {@code t} to any piece of the unit's title,
 * answer and wordings, {@code w(t)} its rarity in the collection and {@code v(t)} its rarity in the language ({@link Pieces}):
 *
 * <ul>
 *   <li>covered: &Sigma; w m / &Sigma; w
 *   <li>telling: &Sigma; v m / &Sigma; v
 *   <li>beyond: &Sigma; w (m - mean of m over units) / &radic;&Sigma; w, with the mean over a fixed sample of the units
 *   <li>returned: the same as covered with question and title-and-answer exchanged
 *   <li>reworded: the same with question and the one wording for which it is highest
 * </ul>
 *
 * <p>Each is 0 where there are no pieces of weight. Work grows with pieces of the question times pieces of the unit.
 * Immutable; thread-safe.
 */
final class Interaction {

    /** Units that stand for all when it is asked how near any unit is. */
    private static final int SAMPLE = 48;

    private final Pieces pieces;
    private final List<Read> sample;

    Interaction(List<Read> reads) {
        Map<Integer, Integer> counts = new HashMap<>();
        for (Read read : reads) {
            for (int piece : read.pieces()) {
                counts.merge(piece, 1, Integer::sum);
            }
        }
        pieces = new Pieces(counts, reads.size());
        int step = Math.max(1, reads.size() / SAMPLE);
        sample = IntStream.range(0, Math.min(SAMPLE, reads.size()))
                .mapToObj(i -> reads.get(i * step))
                .toList();
    }

    /** A question as one model reads it, with how telling its pieces are and how near any unit has one. */
    record Question(Tokens tokens, double[] rarity, double[] surprise, float[] usual) {}

    Map<Model, Question> ask(Map<Model, Embedding> question) {
        Map<Model, Question> asked = new EnumMap<>(Model.class);
        question.forEach((model, reading) -> {
            Tokens tokens = reading.tokens();
            float[] usual = new float[tokens.size()];
            for (Read read : sample) {
                float[] near = nearest(tokens, read.by(model), -1, null);
                for (int t = 0; t < usual.length; t++) {
                    usual[t] += near[t] / sample.size();
                }
            }
            asked.put(
                    model,
                    new Question(
                            tokens,
                            Arrays.stream(tokens.ids())
                                    .mapToDouble(pieces::rarity)
                                    .toArray(),
                            Arrays.stream(tokens.ids())
                                    .mapToDouble(Pieces::surprise)
                                    .toArray(),
                            usual));
        });
        return asked;
    }

    /** Of each piece of a unit the cosine to the question's nearest; of title and answer, then of each wording. */
    private record Back(float[] whole, List<float[]> wordings) {
        static Back of(Texts unit) {
            return new Back(
                    new float[unit.wholeTokens().size()],
                    unit.wordingTokens().stream()
                            .map(tokens -> new float[tokens.size()])
                            .toList());
        }
    }

    /**
     * Writes what one model finds into a unit's evidence.
     *
     * @param without a wording that is left aside; -1 for none
     */
    void compare(Model model, Question question, Read read, int without, double[] evidence) {
        Texts unit = read.by(model);
        Back back = Back.of(unit);
        float[] near = nearest(question.tokens(), unit, without, back);
        double covered = 0;
        double telling = 0;
        double beyond = 0;
        double rarity = 0;
        double surprise = 0;
        for (int t = 0; t < near.length; t++) {
            covered += question.rarity()[t] * near[t];
            telling += question.surprise()[t] * near[t];
            beyond += question.rarity()[t] * (near[t] - question.usual()[t]);
            rarity += question.rarity()[t];
            surprise += question.surprise()[t];
        }
        evidence[Evidence.at(model, Kind.COVERED)] = share(covered, rarity);
        evidence[Evidence.at(model, Kind.TELLING)] = share(telling, surprise);
        evidence[Evidence.at(model, Kind.BEYOND)] = share(beyond, Math.sqrt(rarity));
        evidence[Evidence.at(model, Kind.RETURNED)] = returned(unit.wholeTokens(), back.whole());
        double reworded = 0;
        for (int w = 0; w < back.wordings().size(); w++) {
            if (w != without) {
                reworded = Math.max(
                        reworded,
                        returned(unit.wordingTokens().get(w), back.wordings().get(w)));
            }
        }
        evidence[Evidence.at(model, Kind.REWORDED)] = reworded;
    }

    private static double share(double sum, double of) {
        return of == 0 ? 0 : sum / of;
    }

    private double returned(Tokens tokens, float[] near) {
        double sum = 0;
        double rarity = 0;
        for (int s = 0; s < near.length; s++) {
            double own = pieces.rarity(tokens.ids()[s]);
            sum += own * near[s];
            rarity += own;
        }
        return share(sum, rarity);
    }

    /** Of each piece of a question the cosine to the unit's nearest. */
    private static float[] nearest(Tokens question, Texts unit, int without, @Nullable Back back) {
        float[] near = new float[question.size()];
        meet(question, unit.wholeTokens(), near, back == null ? null : back.whole());
        for (int w = 0; w < unit.wordingTokens().size(); w++) {
            if (w != without) {
                meet(
                        question,
                        unit.wordingTokens().get(w),
                        near,
                        back == null ? null : back.wordings().get(w));
            }
        }
        return near;
    }

    private static void meet(Tokens question, Tokens text, float[] near, float @Nullable [] back) {
        for (int s = 0; s < text.size(); s++) {
            float best = 0;
            for (int t = 0; t < near.length; t++) {
                float cosine = text.cosine(s, question, t);
                best = Math.max(best, cosine);
                near[t] = Math.max(near[t], cosine);
            }
            if (back != null) {
                back[s] = best;
            }
        }
    }
}
