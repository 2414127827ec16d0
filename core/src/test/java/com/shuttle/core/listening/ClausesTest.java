package com.shuttle.core.listening;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ClausesTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Is there parking?                                  | Is there parking?
            six of us, is it step-free?                        | is it step-free?
            can we swim, and can we pay in cash?               | can we swim?;can we pay in cash?
            It's for 4. Do you take cards? Where do I park?    | Do you take cards?;Where do I park?
            when we come by bus, where do we get off?          | when we come by bus, where do we get off?
            mail me at ida@example.org. Do you have lockers?   | Do you have lockers?
            ok?                                                | ''
            no question at all                                 | ''
            my name is Will can you tell me the price          | can you tell me the price?
            six of us. where do we park                        | where do we park?
            the blue one, how much is it to hire!              | how much is it to hire?
            I am Ida and what time do you open                 | what time do you open?
            do you have lockers                                | ''
            if there is room we come, there are six of us      | ''
            """)
    void questionsStandAlone(String text, String questions) {
        assertThat(String.join(
                        ";",
                        Clauses.questions(text).stream()
                                .map(Clauses.Clause::words)
                                .toList()))
                .isEqualTo(questions);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Two of us. Is there parking?   | Two of us.
            Is there parking?              | Is there parking?
            just this                      | just this
            """)
    void whatIsToldStandsBesideThem(String text, String told) {
        assertThat(Clauses.statements(text)).isEqualTo(told);
    }

    @Test
    void placesStayWhereTheyWere() {
        String text = "six of us, is it step-free?";
        String only = Clauses.onlyQuestions(text);
        assertThat(only).hasSameSizeAs(text).endsWith("is it step-free?").doesNotContain("six");
        assertThat(Span.words(text, Span.taken(text, only))).isEqualTo("six of us,");
        assertThat(Clauses.onlyQuestions("six of us")).isEmpty();
    }

    @Test
    void stretchesAreTakenFromOneAnother() {
        List<Span> left = Span.minus(List.of(new Span(0, 10)), List.of(new Span(2, 4), new Span(6, 20)));
        assertThat(left).containsExactly(new Span(0, 2), new Span(4, 6));
        assertThat(Span.all("")).isEmpty();
    }
}
