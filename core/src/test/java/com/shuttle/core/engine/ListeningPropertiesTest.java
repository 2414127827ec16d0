package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What changes the words of a message and not its sense changes nothing that is noted. */
class ListeningPropertiesTest {

    private static final Set<String> NOTHING = Set.of();

    private static Visitors.Outcome said(String step, String words, Map<String, String> noted, Set<String> given) {
        return ClayBarn.VISITORS.play(new Visitors.Script("", words, Map.of(step, List.of(words)), noted, given));
    }

    /** Facts in any order give the same as one after the other, and none is asked for again. */
    @Test
    void theOrderOfFactsChangesNothing() {
        List<String> facts =
                List.of("Wheel", "4 people", "on 11 December", "at 3pm", "my name is Tom Reed", "tom@example.org");
        Map<String, String> noted = new HashMap<>(NOTED);
        noted.remove("budget");
        noted.put("name", "Tom Reed");
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

    private static final Map<String, String> ANSWERS = Map.of(
            "class",
            "Wheel",
            "people",
            "4 people",
            "day",
            "11 December",
            "time",
            "3pm",
            "budget",
            "£80",
            "email",
            "tom@example.org");

    private static final Map<String, String> NOTED = Map.of(
            "class",
            "Wheel",
            "people",
            "4",
            "day",
            "2026-12-11",
            "time",
            "15:00",
            "budget",
            "80",
            "email",
            "tom@example.org");

    @ParameterizedTest
    @ValueSource(strings = {"class", "people", "day", "time", "budget"})
    void upperAndLowerCaseChangeNothing(String step) {
        for (UnaryOperator<String> written : List.<UnaryOperator<String>>of(String::toUpperCase, String::toLowerCase)) {
            String answer = written.apply(Objects.requireNonNull(ANSWERS.get(step)));
            assertThat(said(step, answer, Map.of(step, Objects.requireNonNull(NOTED.get(step))), NOTHING)
                            .fault())
                    .as(answer)
                    .isEmpty();
        }
    }

    /** Two facts in one message are noted as the same two in two messages are. */
    @Test
    void aMessageSplitInTwoGivesTheSame() {
        List<String> steps = List.of("class", "people", "day", "time", "budget", "email");
        for (int first = 0; first < steps.size(); first++) {
            for (int second = first + 1; second < steps.size(); second++) {
                String one = Objects.requireNonNull(ANSWERS.get(steps.get(first)));
                String other = Objects.requireNonNull(ANSWERS.get(steps.get(second)));
                Map<String, String> noted = Map.of(
                        steps.get(first),
                        Objects.requireNonNull(NOTED.get(steps.get(first))),
                        steps.get(second),
                        Objects.requireNonNull(NOTED.get(steps.get(second))));
                Visitors.Script split = new Visitors.Script(
                        "",
                        "",
                        Map.of(steps.get(first), List.of(one), steps.get(second), List.of(other)),
                        noted,
                        NOTHING);
                assertThat(List.of(
                                said(steps.get(first), one + ", " + other, noted, NOTHING)
                                        .fault(),
                                ClayBarn.VISITORS.play(split).fault()))
                        .as(one + ", " + other)
                        .containsOnly("");
            }
        }
    }
}
