package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What a question leans on. "How much is it" says nothing of what it is about, "is there a cloakroom" all of it: how much a
 * question borrows from what the conversation is about hangs on how much it says itself, and that is told by how rare its words
 * are in the language ({@link Pieces#surprise}). With the rarest piece {@code a}, the next {@code b} and the sum {@code s} of all,
 *
 * <pre>
 *   share = 1 / (1 + exp(-(4.89 - 5.48 a - 0.60 b - 1.25 s)))
 * </pre>
 *
 * <p>fitted ({@code SubjectFit}) by conditional logit to 121 questions within a subject of the made-up collections and to 355 that
 * say what they are about, each with a subject drawn at random. On collections left out the right source comes first for
 * .71 of the former (.50 without a subject) and .67 of the latter (.69); .57 are answered rightly and .11 wrongly (.36 and .25).
 *
 * @param on     what it is completed with
 * @param share  how much of the evidence is that for both together, above 0 and at most 1
 * @param before whether that is the question before it
 */
record Leaning(String on, double share, boolean before) {

    private static final double BASE = 4.89;
    private static final double OF_RAREST = -5.48;
    private static final double OF_NEXT = -0.6;
    private static final double OF_ALL = -1.25;

    /** Of a question that leans on the one before it. */
    private static final double ON_BEFORE = 0.7;

    /** A question that says as little as this leans on the one before it, however it begins. */
    private static final double MOSTLY = 0.5;

    /** Less is not worth reading another text for. */
    private static final double LEAST = 0.1;

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
        if (after && (share >= MOSTLY || FollowUp.leansOnBefore(question))) {
            all.add(new Leaning(Words.readable(turns.get(turns.size() - 2)), ON_BEFORE, true));
        }
        if (share >= LEAST && !inquiry.about().isBlank()) {
            all.add(new Leaning(Words.readable(inquiry.about()), share, false));
        }
        return all;
    }

    /** How much a question borrows from its subject, 0 to 1. */
    private static double borrowed(String question, Meaning reads) {
        double[] surprise = Arrays.stream(
                        reads.readQuestion(Model.SENTENCES, question).tokens().ids())
                .mapToDouble(Pieces::surprise)
                .sorted()
                .toArray();
        int last = surprise.length - 1;
        double rarest = last < 0 ? 0 : surprise[last];
        double next = last < 1 ? 0 : surprise[last - 1];
        double all = Arrays.stream(surprise).sum();
        return 1 / (1 + Math.exp(-(BASE + OF_RAREST * rarest + OF_NEXT * next + OF_ALL * all)));
    }
}
