package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whole conversations of made-up visitors, each of whom says something that people say. */
class ListeningTest {

    private static final Set<String> NOTHING = Set.of();

    /** What share of each kind must come out right; every second line of a kind was not looked at while this was built. */
    private static final Map<String, Double> FLOORS = Map.ofEntries(
            Map.entry("rich", 0.9),
            Map.entry("correct", 0.9),
            Map.entry("negate", 0.95),
            Map.entry("alike", 0.9),
            Map.entry("count", 0.9),
            Map.entry("date", 0.85),
            Map.entry("time", 0.9),
            Map.entry("money", 0.9),
            Map.entry("polite", 1.0),
            Map.entry("yesno", 0.95),
            Map.entry("choice", 0.85),
            Map.entry("aside", 0.85),
            Map.entry("hurried", 0.9));

    @Test
    void whatVisitorsSayIsNotedInTheEnd() throws IOException {
        Map<String, List<String>> wrong = new TreeMap<>();
        Map<String, Integer> all = new HashMap<>();
        Map<String, Visitors> bots = Map.of("clay", ClayBarn.VISITORS, "bikes", BikeShed.VISITORS);
        for (Map.Entry<String, Visitors> bot : bots.entrySet()) {
            for (Visitors.Script script : Visitors.scripts("/listening/" + bot.getKey() + ".txt")) {
                all.merge(script.kind(), 1, Integer::sum);
                Visitors.Outcome outcome = bot.getValue().play(script);
                if (!outcome.fault().isEmpty()) {
                    wrong.computeIfAbsent(script.kind(), kind -> new ArrayList<>())
                            .add(script.line() + ": " + outcome.fault());
                }
            }
        }
        assertThat(all.keySet()).isEqualTo(FLOORS.keySet());
        all.forEach((kind, number) -> assertThat(
                        1 - (double) wrong.getOrDefault(kind, List.of()).size() / number)
                .as(kind + " " + wrong.get(kind))
                .isGreaterThanOrEqualTo(FLOORS.get(kind)));
    }

    private static Visitors.Outcome said(String step, String words, Map<String, String> noted, Set<String> given) {
        return ClayBarn.VISITORS.play(new Visitors.Script("", words, Map.of(step, List.of(words)), noted, given));
    }

    /** Facts in any order give the same as one after the other, and none is asked for again. */
    @Test
    void theOrderOfFactsChangesNothing() {
        List<String> facts =
                List.of("Wheel", "4 people", "on 11 December", "at 3pm", "my name is Tom Reed", "tom@example.org");
        Map<String, String> noted = Map.of(
                "class",
                "Wheel",
                "people",
                "4",
                "day",
                "2026-12-11",
                "time",
                "15:00",
                "name",
                "Tom Reed",
                "email",
                "tom@example.org");
        Random random = new Random(13);
        for (int i = 0; i < 100; i++) {
            List<String> order = new ArrayList<>(facts);
            Collections.shuffle(order, random);
            String words = String.join(", ", order);
            assertThat(said("class", words, noted, Set.of("people", "day", "time", "name", "email"))
                            .fault())
                    .as(words)
                    .isEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource({"3, 5", "2, 8", "10, 1"})
    void aCorrectionGivesWhatSayingItAtFirstGives(String first, String right) {
        for (String later : List.of("day", "time", "budget", "email")) {
            for (String words :
                    List.of("no, make it %s people", "sorry, we'll be %s people", "I meant %s people, not " + first)) {
                Visitors.Script script = new Visitors.Script(
                        "",
                        words,
                        Map.of("people", List.of(first), later, List.of(words.formatted(right))),
                        Map.of("people", right),
                        NOTHING);
                assertThat(ClayBarn.VISITORS.play(script).fault())
                        .as(later + ": " + words.formatted(right))
                        .isEmpty();
            }
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "class|Wheel|class=Wheel",
                "people|4|people=4",
                "day|11 December|day=2026-12-11",
                "time|3pm|time=15:00",
                "extras|Apron|extras=Apron",
                "budget|£80|budget=80",
                "name|Tom Reed|name=Tom Reed",
                "email|tom@example.org|email=tom@example.org",
            })
    void politenessChangesNothing(String step, String answer, String noted) {
        Map<String, String> known = Map.of(noted.split("=")[0], noted.split("=")[1]);
        for (String around : List.of(
                "%s please",
                "%s, thanks", "hello, %s", "oh, %s", "well, %s I think", "%s. Thank you so much!", "ok %s", "%s :)")) {
            assertThat(said(step, around.formatted(answer), known, NOTHING).fault())
                    .as(around.formatted(answer))
                    .isEmpty();
        }
    }
}
