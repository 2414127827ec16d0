package com.shuttle.core.scoring;

import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;

/**
 * What a changed card does to those who were scored before: each is scored by both from what was known of them.
 *
 * @param who  in the order they were given
 * @param from band's name to the number of those in it, before; {@code to} after; in the order they are met
 */
public record CardChange<T>(List<Both<T>> who, Map<String, Integer> from, Map<String, Integer> to) {

    /** Somebody under both cards. */
    public record Both<T>(T who, Scored before, Scored after) {

        public boolean moves() {
            return !before.bandName().equals(after.bandName());
        }
    }

    /** @param known what a criterion is about for somebody, null where it is not known */
    public static <T> CardChange<T> between(
            Scoring before, Scoring after, List<T> who, BiFunction<T, Criterion, @Nullable Value> known) {
        List<Both<T>> all = new ArrayList<>();
        Map<String, Integer> from = new LinkedHashMap<>();
        Map<String, Integer> to = new LinkedHashMap<>();
        for (T one : who) {
            Both<T> both = new Both<>(
                    one,
                    before.score(criterion -> known.apply(one, criterion)),
                    after.score(criterion -> known.apply(one, criterion)));
            all.add(both);
            from.merge(both.before().bandName(), 1, Integer::sum);
            to.merge(both.after().bandName(), 1, Integer::sum);
        }
        return new CardChange<>(List.copyOf(all), from, to);
    }

    /** Those who change band. */
    public List<Both<T>> movers() {
        return who.stream().filter(Both::moves).toList();
    }
}
