package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Meaning.Model;
import java.util.ArrayList;
import java.util.List;

/**
 * Groups questions that ask for the same. Each joins the group whose mean direction is nearest, if near enough, or begins one
 * (the leader algorithm, Hartigan 1975, with means in the place of leaders); so groups depend on the order of the questions,
 * and those who come first hold theirs together. Takes time with questions times groups. Pure functions.
 */
public final class GapGroups {

    /** Cosine to the group's mean from which a question belongs to it. */
    private static final double TOGETHER = 0.7;

    private static final class Group {
        private final List<Integer> members = new ArrayList<>();
        private float[] sum = new float[0];

        void add(int question, float[] vector) {
            members.add(question);
            float[] added = sum.length == 0 ? new float[vector.length] : sum;
            for (int i = 0; i < vector.length; i++) {
                added[i] += vector[i];
            }
            sum = added;
        }

        double near(float[] vector) {
            double length = Math.sqrt(Vector.cosine(sum, sum));
            return length == 0 ? 0 : Vector.cosine(sum, vector) / length;
        }
    }

    private GapGroups() {}

    /** Groups of indexes into {@code questions}, in the order of their first members; every index is in one of them. */
    public static List<List<Integer>> of(List<String> questions, Meaning meaning) {
        List<Group> groups = new ArrayList<>();
        for (int q = 0; q < questions.size(); q++) {
            float[] vector = meaning.ofQuestion(Model.SENTENCES, questions.get(q));
            Group nearest = null;
            double most = TOGETHER;
            for (Group group : groups) {
                double near = group.near(vector);
                if (near >= most) {
                    most = near;
                    nearest = group;
                }
            }
            if (nearest == null) {
                nearest = new Group();
                groups.add(nearest);
            }
            nearest.add(q, vector);
        }
        return groups.stream().map(group -> List.copyOf(group.members)).toList();
    }
}
