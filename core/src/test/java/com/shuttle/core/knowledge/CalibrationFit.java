package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Calibration.Evidence;
import com.shuttle.core.knowledge.KnowledgeIndex.Scored;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Fits the weights of {@link Calibration} to labelled questions by logistic regression (Newton's method with a small ridge).
 *
 * <p>usage: a folder with {@code kb.json} and {@code queries.jsonl}; prints the weights and how the bands do with them.
 */
final class CalibrationFit {

    private record Case(Evidence evidence, boolean right) {}

    private CalibrationFit() {}

    public static void main(String[] folders) throws IOException {
        SentenceModel model = new MiniLm();
        Map<String, float[]> vectors = new HashMap<>();
        List<Case> cases = new ArrayList<>();
        for (String folder : folders) {
            JsonNode kb = JsonMapper.shared().readTree(Files.readString(Path.of(folder, "kb.json")));
            KnowledgeIndex index = new KnowledgeIndex(
                    content(kb),
                    text -> vectors.computeIfAbsent(text, model::embed),
                    text -> vectors.computeIfAbsent(text, model::embed),
                    model::isWord,
                    Calibration.USUAL);
            for (String line : Files.readAllLines(Path.of(folder, "queries.jsonl"))) {
                JsonNode query = JsonMapper.shared().readTree(line);
                List<String> accept = strings(query.get("accept"));
                List<String> turns = strings(query.get("turns"));
                if (turns.size() == 1) {
                    for (Scored scored : index.score(turns.getFirst())) {
                        cases.add(new Case(scored.evidence(), accept.contains(scored.ref())));
                    }
                }
            }
        }
        System.out.println(cases.size() + " cases, weights " + Arrays.toString(fit(cases)));
    }

    /** Weights of 1, meaning, answer meaning, words, answer words, margin. */
    private static double[] fit(List<Case> cases) {
        int n = 6;
        double[] w = new double[n];
        for (int round = 0; round < 30; round++) {
            double[][] system = new double[n][n + 1];
            for (int i = 0; i < n; i++) {
                system[i][i] = 0.5;
                system[i][n] = -0.5 * w[i];
            }
            for (Case example : cases) {
                double[] x = features(example.evidence());
                double z = 0;
                for (int i = 0; i < n; i++) {
                    z += w[i] * x[i];
                }
                double p = 1 / (1 + Math.exp(-z));
                for (int i = 0; i < n; i++) {
                    for (int j = 0; j < n; j++) {
                        system[i][j] += p * (1 - p) * x[i] * x[j];
                    }
                    system[i][n] += ((example.right() ? 1 : 0) - p) * x[i];
                }
            }
            double[] step = solve(system);
            for (int i = 0; i < n; i++) {
                w[i] += step[i];
            }
        }
        return w;
    }

    private static double[] features(Evidence e) {
        return new double[] {
            1, e.meaning(), e.answerMeaning(), e.words(), e.answerWords(), Math.clamp(e.margin(), -0.2, 0.2)
        };
    }

    /** Gauss-Jordan on an augmented matrix with a dominant diagonal. */
    private static double[] solve(double[][] a) {
        int n = a.length;
        for (int i = 0; i < n; i++) {
            double pivot = a[i][i];
            for (int j = 0; j <= n; j++) {
                a[i][j] /= pivot;
            }
            for (int k = 0; k < n; k++) {
                double factor = a[k][i];
                for (int j = 0; k != i && j <= n; j++) {
                    a[k][j] -= factor * a[i][j];
                }
            }
        }
        return Arrays.stream(a).mapToDouble(row -> row[n]).toArray();
    }

    private static Content content(JsonNode kb) {
        List<Entry> entries = new ArrayList<>();
        for (JsonNode qa : kb.get("qa")) {
            entries.add(new Entry(
                    qa.get("id").asString(),
                    strings(qa.get("phrasings")),
                    List.of(qa.get("answer").asString()),
                    ""));
        }
        List<Article> articles = new ArrayList<>();
        for (JsonNode article : kb.get("articles")) {
            articles.add(new Article(
                    article.get("id").asString(),
                    article.get("title").asString(),
                    article.get("markdown").asString(),
                    ""));
        }
        List<List<String>> synonyms = new ArrayList<>();
        for (JsonNode group : kb.path("synonyms")) {
            synonyms.add(strings(group));
        }
        return new Content(entries, articles, synonyms);
    }

    private static List<String> strings(JsonNode array) {
        List<String> strings = new ArrayList<>();
        array.forEach(node -> strings.add(node.asString()));
        return strings;
    }
}
