package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GuardTest {

    private static final String SOURCE =
            "A dome show is **£9**, or £6 for under-16s; under-fours are free. Ask Piotr at desk@tarnfell.example or see"
                    + " [prices](/chat/vesper/articles/a-1). Shows at 11:00 and 12:30, twelve places for wheelchairs.";

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            A show costs £9, and £6 for those under 16; under-fours go free.   |
            You can ask Piotr at desk@tarnfell.example.                        |
            There are 12 places for wheelchairs, and shows at 12:30 and 11:00. |
            See [our prices](/chat/vesper/articles/a-1), please.               |
            A show costs £8.                                                   | the number 8
            Shows at 11:30.                                                    | the number 11:30
            There are seven places.                                            | the number 7
            Ask Piotr or Wilma.                                                | the name Wilma
            Wilma sells tickets.                                               | the name Wilma
            See https://elsewhere.example for prices.                          | the link https://elsewhere.example
            Write to prices@tarnfell.example.                                  | the link prices@tarnfell.example
            See [prices](/chat/vesper/articles/a-2).                           | the link /chat/vesper/articles/a-2
            A dome show is not £9.                                             | a “not” more or less
            """)
    void whatIsBroughtInIsTold(String rewording, String fault) {
        assertThat(Guard.faults(SOURCE, rewording)).isEqualTo(fault == null ? List.of() : List.of(fault));
    }

    @Test
    void whatIsEmptyOrEndlessIsRefused() {
        assertThat(Guard.faults(SOURCE, " ")).contains("it is empty");
        assertThat(Guard.faults("Yes.", "so ".repeat(200))).contains("it is much longer");
    }

    @Property(tries = 200)
    void theSourceItselfPassesAndOneNumberMoreDoesNot(@ForAll @IntRange(min = 100, max = 99_999) int number) {
        assertThat(Guard.faults(SOURCE + " Room " + number, SOURCE + " Room " + number))
                .isEmpty();
        assertThat(Guard.faults(SOURCE, SOURCE + " There are " + number)).contains("the number " + number);
    }
}
