package com.shuttle.core.knowledge;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.apache.lucene.util.VectorUtil;

/**
 * Finds the {@link Projection} of each shipped model from the made-up collections and writes it among the resources. To be run
 * with {@code -Dshuttle.projection=none}, so that the models give their vectors whole.
 */
final class ProjectionFit {

    private static final int ROUNDS = 40;

    private ProjectionFit() {}

    public static void main(String[] none) throws IOException {
        for (Map.Entry<Meaning.Model, SentenceModel> model : Meaning.shipped().entrySet()) {
            double[][] moments = moments(model.getValue());
            float[][] directions = directions(moments, Projection.TO);
            String name = model.getValue().name();
            Files.write(
                    Path.of("src/main/resources/com/shuttle/core/knowledge/" + name + ".projection"),
                    new Projection(directions).bytes());
            System.out.println(name + " keeps " + kept(moments, directions) + " of the squared length");
        }
    }

    /** The mean outer product of the unit vectors of all pieces in texts and questions. */
    private static double[][] moments(SentenceModel model) throws IOException {
        List<Embedding> read = new ArrayList<>();
        for (Labelled labelled : Labelled.shipped()) {
            for (Unit unit : Unit.of(labelled.content())) {
                read.add(model.ofText(unit.whole()));
                unit.wordings().forEach(wording -> read.add(model.ofText(wording)));
            }
            labelled.questions()
                    .forEach(question ->
                            read.add(model.ofQuestion(question.turns().getLast())));
        }
        int size = read.getFirst().whole().length;
        double[][] moments = new double[size][size];
        for (Embedding embedding : read) {
            Tokens tokens = embedding.tokens();
            for (int t = 0; t < tokens.size(); t++) {
                byte[] vector = tokens.vectors()[t];
                double square = (double) tokens.steps()[t] * tokens.steps()[t];
                for (int i = 0; i < size; i++) {
                    for (int j = 0; j < size; j++) {
                        moments[i][j] += square * vector[i] * vector[j];
                    }
                }
            }
        }
        return moments;
    }

    /** The eigenvectors of the largest eigenvalues, by orthogonal iteration (Golub and Van Loan, section 8.2). */
    private static float[][] directions(double[][] moments, int count) {
        int size = moments.length;
        Random random = new Random(1);
        double[][] found = new double[count][size];
        for (double[] direction : found) {
            for (int i = 0; i < size; i++) {
                direction[i] = random.nextGaussian();
            }
        }
        for (int round = 0; round < ROUNDS; round++) {
            for (int d = 0; d < count; d++) {
                found[d] = times(moments, found[d]);
            }
            for (int d = 0; d < count; d++) {
                for (int before = 0; before < d; before++) {
                    double along = dot(found[d], found[before]);
                    for (int i = 0; i < size; i++) {
                        found[d][i] -= along * found[before][i];
                    }
                }
                double length = Math.sqrt(dot(found[d], found[d]));
                for (int i = 0; i < size; i++) {
                    found[d][i] /= length;
                }
            }
        }
        float[][] directions = new float[count][size];
        for (int d = 0; d < count; d++) {
            for (int i = 0; i < size; i++) {
                directions[d][i] = (float) found[d][i];
            }
        }
        return directions;
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    private static double[] times(double[][] matrix, double[] vector) {
        double[] product = new double[vector.length];
        for (int i = 0; i < product.length; i++) {
            product[i] = dot(matrix[i], vector);
        }
        return product;
    }

    private static double kept(double[][] moments, float[][] directions) {
        double kept = 0;
        double all = 0;
        for (int i = 0; i < moments.length; i++) {
            all += moments[i][i];
        }
        for (float[] direction : directions) {
            float[] image = new float[direction.length];
            for (int i = 0; i < image.length; i++) {
                for (int j = 0; j < image.length; j++) {
                    image[i] += (float) (moments[i][j] * direction[j]);
                }
            }
            kept += VectorUtil.dotProduct(direction, image);
        }
        return kept / all;
    }
}
