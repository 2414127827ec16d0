package com.shuttle.core.acts;

import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What was learnt of acts: a multinomial logistic regression over {@link Features}, rounded to eight bits. Immutable; thread-safe.
 * {@code ./shuttle learn} makes it from the samples and keeps their hash with it.
 */
final class ActWeights {

    private static final String FORMAT = "shuttle-acts/1";
    private static final String FILE = "acts.weights";
    private static final float STEPS = 127;

    /** Of the samples it was learnt from. */
    final String hash;

    /** What sums are multiplied with, so that of what is said to be so likely so much is right. */
    private final float sharpness;

    private final Map<String, Integer> marks;
    /** By kind: its base, then its weights for figures, then for marks. */
    private final byte[][] rounded;

    private final float[] steps;
    private final int figures;

    private ActWeights(
            String hash, float sharpness, Map<String, Integer> marks, byte[][] rounded, float[] steps, int figures) {
        this.hash = hash;
        this.sharpness = sharpness;
        this.marks = marks;
        this.rounded = rounded;
        this.steps = steps;
        this.figures = figures;
    }

    /** Rounds what was learnt. @param weights by kind: its base, then those of figures, then those of marks, in their order */
    static ActWeights of(String hash, float sharpness, List<String> marks, float[][] weights) {
        Map<String, Integer> index = new HashMap<>();
        marks.forEach(mark -> index.put(mark, index.size()));
        byte[][] rounded = new byte[weights.length][];
        float[] steps = new float[weights.length];
        for (int k = 0; k < weights.length; k++) {
            float most = 0;
            for (float weight : weights[k]) {
                most = Math.max(most, Math.abs(weight));
            }
            steps[k] = most == 0 ? 1 : most / STEPS;
            rounded[k] = new byte[weights[k].length];
            for (int i = 0; i < rounded[k].length; i++) {
                rounded[k][i] = (byte) Math.round(weights[k][i] / steps[k]);
            }
        }
        int figures = weights[0].length - 1 - marks.size();
        return new ActWeights(hash, sharpness, Map.copyOf(index), rounded, steps, figures);
    }

    /**
     * Those that ship.
     *
     * @throws IllegalStateException if they are missing, or of another format or other kinds than these
     */
    static ActWeights shipped() {
        try (InputStream in = ActWeights.class.getResourceAsStream(FILE)) {
            if (in == null) {
                throw new IllegalStateException(
                        "What was learnt of acts (" + FILE + ") is missing; ./shuttle learn makes it.");
            }
            return read(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static ActWeights read(InputStream in) throws IOException {
        DataInputStream data = new DataInputStream(in);
        String format = data.readUTF();
        if (!format.equals(FORMAT)) {
            throw new IllegalStateException("What was learnt of acts is of the format " + format + ", and " + FORMAT
                    + " is read; ./shuttle learn makes it anew.");
        }
        String hash = data.readUTF();
        float sharpness = data.readFloat();
        int kinds = data.readInt();
        int figures = data.readInt();
        int size = data.readInt();
        if (kinds != Kind.values().length) {
            throw new IllegalStateException(
                    "What was learnt of acts knows " + kinds + " kinds, and there are " + Kind.values().length + ".");
        }
        Map<String, Integer> marks = new HashMap<>();
        for (int i = 0; i < size; i++) {
            marks.put(data.readUTF(), i);
        }
        float[] steps = new float[kinds];
        byte[][] rounded = new byte[kinds][1 + figures + size];
        for (int k = 0; k < kinds; k++) {
            steps[k] = data.readFloat();
            data.readFully(rounded[k]);
        }
        return new ActWeights(hash, sharpness, Map.copyOf(marks), rounded, steps, figures);
    }

    void write(OutputStream out) throws IOException {
        DataOutputStream data = new DataOutputStream(out);
        data.writeUTF(FORMAT);
        data.writeUTF(hash);
        data.writeFloat(sharpness);
        data.writeInt(rounded.length);
        data.writeInt(figures);
        data.writeInt(marks.size());
        String[] names = new String[marks.size()];
        marks.forEach((mark, index) -> names[index] = mark);
        for (String mark : names) {
            data.writeUTF(mark);
        }
        for (int k = 0; k < rounded.length; k++) {
            data.writeFloat(steps[k]);
            data.write(rounded[k]);
        }
    }

    /** How likely a clause with these features is of each kind. */
    Odds odds(Features features) {
        if (features.figures().length != figures) {
            throw new IllegalArgumentException(
                    "expected " + figures + " figures, but got " + features.figures().length);
        }
        double[] sums = new double[rounded.length];
        int[] present = features.words().stream()
                .mapToInt(mark -> marks.getOrDefault(mark, -1))
                .filter(index -> index >= 0)
                .toArray();
        for (int k = 0; k < sums.length; k++) {
            byte[] own = rounded[k];
            double sum = own[0];
            for (int i = 0; i < figures; i++) {
                sum += own[1 + i] * features.figures()[i];
            }
            for (int index : present) {
                sum += own[1 + figures + index];
            }
            sums[k] = sum * steps[k] * sharpness;
        }
        return new Odds(softmax(sums));
    }

    static double[] softmax(double[] sums) {
        double most = Double.NEGATIVE_INFINITY;
        for (double sum : sums) {
            most = Math.max(most, sum);
        }
        double[] odds = new double[sums.length];
        double total = 0;
        for (int k = 0; k < sums.length; k++) {
            odds[k] = Math.exp(sums[k] - most);
            total += odds[k];
        }
        for (int k = 0; k < sums.length; k++) {
            odds[k] /= total;
        }
        return odds;
    }
}
