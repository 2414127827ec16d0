package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.reading.Words;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;

/**
 * What a question leans on. "How much is it" says nothing of what it is about, "is there a cloakroom" all of it: how much a
 * question borrows from what the conversation is about hangs on how much it says itself, and that is told by how rare its words
 * are in the language ({@link Pieces#surprise}). With the rarest piece {@code a}, the next {@code b} and the sum {@code s} of all,
 *
 * <pre>
 *   share = 1 / (1 + exp(-(w0 + w1 a + w2 b + w3 s)))
 * </pre>
 *
 * <p>with weights that ship as data, fitted by conditional logit ({@code SubjectFit}) to questions within a subject and to questions
 * that say what they are about, each with a subject drawn at random; {@code docs/understanding.md} has the figures of collections
 * left out.
 *
 * @param on     what it is completed with
 * @param share  how much of the evidence is that for both together, above 0 and at most 1
 * @param before whether that is the question before it
 */
record Leaning(String on, double share, boolean before) {

    private static final String FILE = "leaning.weights";
    private static final String FORMAT = "shuttle-leaning/1";

    /** Of {@link #figures}. */
    private static final double[] WEIGHTS = weights();

    /** Of a question that leans on the one before it. */
    private static final double ON_BEFORE = 0.7;

    /** A question that says as little as this leans on the one before it, however it begins. */
    private static final double MOSTLY = 0.5;

    /** Less is not worth reading another text for. */
    static final double LEAST = 0.1;

    /** @throws IllegalStateException if there are none, or of another format */
    private static double[] weights() {
        try (InputStream in = Leaning.class.getResourceAsStream(FILE)) {
            if (in == null) {
                throw new IllegalStateException("missing resource " + FILE);
            }
            List<String> lines = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList();
            if (!lines.getFirst().equals(FORMAT)) {
                throw new IllegalStateException("expected " + FORMAT + " in " + FILE + ", but got " + lines.getFirst());
            }
            return lines.stream().skip(1).mapToDouble(Double::parseDouble).toArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Weights as they are kept. */
    static List<String> file(double[] weights) {
        return Stream.concat(Stream.of(FORMAT), Arrays.stream(weights).mapToObj(Double::toString))
                .toList();
    }

    /** All that a question may lean on; nothing for one that stands for itself. @param reads a question, in pieces */
    static List<Leaning> of(Inquiry inquiry, Meaning reads) {
        List<String> turns = inquiry.turns();
        String question = Words.readable(inquiry.question());
        boolean after = turns.size() > 1;
        if (question.isBlank() || !after && inquiry.about().isBlank()) {
            return List.of();
        }
        List<Leaning> all = new ArrayList<>();
        double share = borrowed(question, reads);
        String before = after ? Words.readable(turns.get(turns.size() - 2)) : "";
        boolean leans = after && (share >= MOSTLY || FollowUp.leansOnBefore(question));
        // What said nothing itself is nothing to lean on where there is something better.
        if (leans && (inquiry.about().isBlank() || borrowed(before, reads) < MOSTLY)) {
            all.add(new Leaning(before, ON_BEFORE, true));
        }
        if (share >= LEAST && !inquiry.about().isBlank()) {
            all.add(new Leaning(Words.readable(inquiry.about()), share, false));
        }
        return all;
    }

    /** How much a question borrows from its subject, 0 to 1. */
    private static double borrowed(String question, Meaning reads) {
        double[] figures =
                figures(reads.readQuestion(Model.SENTENCES, question).tokens().ids());
        double sum = 0;
        for (int i = 0; i < WEIGHTS.length; i++) {
            sum += WEIGHTS[i] * figures[i];
        }
        return 1 / (1 + Math.exp(-sum));
    }

    /** What tells how much a question says by itself: 1, its rarest piece, the next, and the sum of all. */
    static double[] figures(int[] pieces) {
        double[] surprise =
                Arrays.stream(pieces).mapToDouble(Pieces::surprise).sorted().toArray();
        int last = surprise.length - 1;
        double rarest = last < 0 ? 0 : surprise[last];
        double next = last < 1 ? 0 : surprise[last - 1];
        return new double[] {1, rarest, next, Arrays.stream(surprise).sum()};
    }
}
