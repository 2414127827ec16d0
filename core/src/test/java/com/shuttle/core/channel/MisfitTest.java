package com.shuttle.core.channel;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.channel.Rendering.Shown;
import com.shuttle.core.conversation.Message.Offer;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Designers are told what does not fit, and what would. */
class MisfitTest {

    private static Shown shown(List<Offer> offers, boolean many) {
        return new Shown("Which?", offers, many, "", "");
    }

    private static Shown labels(String... labels) {
        return shown(
                IntStream.range(0, labels.length)
                        .mapToObj(i -> new Offer("o" + i, labels[i]))
                        .toList(),
                false);
    }

    @Test
    void whatFitsIsNotSpokenOf() {
        assertThat(Misfit.of(PhoneKind.MESSENGER, labels("Visit", "Hire"))).isEmpty();
        assertThat(Misfit.of(PhoneKind.TEXT, labels("Visit", "Hire"))).isEmpty();
        assertThat(Misfit.of(PhoneKind.MESSENGER, labels("A", "B", "C", "D"))).isEmpty();
    }

    @Test
    void aLongButtonAndWhatWouldFit() {
        assertThat(Misfit.of(PhoneKind.MESSENGER, labels("Hire", "A visit with the whole class")))
                .containsExactly(new Misfit(
                        "o1",
                        "“A visit with the whole class” has 28 letters. A button takes 20, so these become a list.",
                        "Visit with whole"));
    }

    @Test
    void theFixFits() {
        Misfit misfit = Misfit.of(PhoneKind.MESSENGER, labels("Hire", "A visit with the whole class"))
                .getFirst();
        assertThat(Misfit.of(PhoneKind.MESSENGER, labels("Hire", misfit.fix()))).isEmpty();
    }

    @Test
    void longListsAreTold() {
        Shown twelve = shown(
                Stream.concat(
                                IntStream.range(0, 11).mapToObj(i -> new Offer("o" + i, "No " + i)),
                                Stream.of(new Offer("x", "Last", "y".repeat(80), "", "", "", "")))
                        .toList(),
                false);
        assertThat(Misfit.of(PhoneKind.MESSENGER, twelve))
                .extracting(Misfit::why)
                .containsExactly(
                        "The line beneath “Last” is cut after 72 letters.",
                        "A list has 10 rows, so these stand on 2 pages.");
    }

    @Test
    void severalAreTypedInAMessenger() {
        assertThat(Misfit.of(PhoneKind.MESSENGER, shown(List.of(new Offer("a", "A")), true)))
                .extracting(Misfit::why)
                .containsExactly("Several cannot be ticked; their numbers are typed instead.");
    }

    @Test
    void theCostOfTextMessagesIsTold() {
        assertThat(Misfit.of(PhoneKind.TEXT, labels("x".repeat(200))))
                .extracting(Misfit::why)
                .containsExactly("It is paid as 2 text messages.");
        assertThat(Misfit.of(PhoneKind.TEXT, labels("–".repeat(80))))
                .extracting(Misfit::why)
                .containsExactly(
                        "It is paid as 2 text messages.", "With – in it each holds 70 letters instead of 160.");
    }
}
