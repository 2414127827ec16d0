package com.shuttle.core.acts;

import com.shuttle.core.listening.Span;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How well messages of a file are cut by what was learnt from all others.
 *
 * @param one     messages of one clause, and how many of them are left whole
 * @param several messages of several, and how many of them are cut where they should be and nowhere else
 * @param right   cuts that are right
 * @param made    all that were made
 * @param wanted  all that should have been made
 */
record CutFigures(String file, int one, int whole, int several, int all, int right, int made, int wanted) {

    static List<CutFigures> byFile() {
        List<Samples.Message> messages = Samples.all();
        return Samples.FILES.stream()
                .map(file -> of(
                        file,
                        new Cutting(CutTraining.fit(messages.stream()
                                .filter(message -> !message.file().equals(file))
                                .toList())),
                        messages.stream()
                                .filter(message -> message.file().equals(file))
                                .toList()))
                .toList();
    }

    private static CutFigures of(String file, Cutting cutting, List<Samples.Message> messages) {
        int[] counts = new int[7];
        for (Samples.Message message : messages) {
            Set<Integer> wanted = CutTraining.starts(message);
            Set<Integer> made = cutting.cut(message.text()).stream()
                    .map(Span::start)
                    .filter(start -> start > 0)
                    .collect(Collectors.toSet());
            boolean one = wanted.isEmpty();
            counts[one ? 0 : 2]++;
            counts[one ? 1 : 3] += made.equals(wanted) ? 1 : 0;
            counts[4] += (int) made.stream().filter(wanted::contains).count();
            counts[5] += made.size();
            counts[6] += wanted.size();
        }
        return new CutFigures(file, counts[0], counts[1], counts[2], counts[3], counts[4], counts[5], counts[6]);
    }

    private static String share(int some, int of) {
        return of == 0
                ? ""
                : String.format(Locale.ROOT, "%.3f", some / (double) of).replaceFirst("^0", "");
    }

    /** For the page. */
    String row() {
        return "| %s | %d | %s | %d | %s | %s | %s |"
                .formatted(
                        file,
                        one,
                        share(whole, one),
                        several,
                        share(all, several),
                        share(right, made),
                        share(right, wanted));
    }
}
