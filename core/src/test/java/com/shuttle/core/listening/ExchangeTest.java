package com.shuttle.core.listening;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ExchangeTest {

    private static final Context CONTEXT = new Context("GB", LocalDateTime.of(2026, 4, 15, 10, 0));

    private static final List<Option> ROOMS = List.of(
            new Option("a", "Vault 9", List.of()),
            new Option("b", "Pirate Cove", List.of()),
            new Option("c", "Mad Library", List.of()));

    private static final List<Known> KNOWN = List.of(
            new Known(
                    new Slot("players", "players", ValueType.NUMBER, List.of()),
                    new Value.Numeric(BigDecimal.valueOf(6))),
            new Known(new Slot("day", "day", ValueType.DATE, List.of()), new Value.Day(LocalDate.of(2026, 6, 12))),
            new Known(new Slot("room", "room", ValueType.CHOICE, ROOMS), new Value.Text("Vault 9")),
            new Known(new Slot("from", "pick-up", ValueType.TEXT, List.of()), new Value.Text("Town hall")));

    private static Optional<Repair> read(String text) {
        return Exchange.read(text, KNOWN, CONTEXT);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "instead of 6 let's say eight | players | 8",
                "did I put six? seven. | players | 7",
                "the 10th and not the 12th | day | Wednesday 10 June 2026",
                "you've written vault, whereas I chose cove | room | Pirate Cove",
                "switch vault to library | room | Mad Library",
                "pick us up at the scout hut, not the town hall | from | scout hut",
                "town hall is wrong, we'll be at Kiln House | from | Kiln House",
            })
    void whatElseOfItsKindIsSaidTakesItsPlace(String text, String variable, String after) {
        assertThat(read(text)).hasValueSatisfying(repair -> {
            assertThat(repair.variable()).isEqualTo(variable);
            assertThat(repair.after().shown()).isEqualTo(after);
        });
    }

    @ParameterizedTest
    @CsvSource({"the scout hut is better", "not the town hall", "it is six", "we loved the vault last time"})
    void whereOneOfTheTwoIsNotSaidNothingIsExchanged(String text) {
        assertThat(read(text)).isEmpty();
    }

    @Property(tries = 300)
    void whateverStandsAroundWhatIsKnownStaysOrGetsAnotherValue(
            @ForAll @StringLength(max = 80) String before, @ForAll @StringLength(max = 80) String after) {
        read(before + " six " + after)
                .ifPresent(repair -> assertThat(KNOWN)
                        .noneMatch(one -> one.slot().name().equals(repair.variable())
                                && one.value().equals(repair.after())));
    }
}
