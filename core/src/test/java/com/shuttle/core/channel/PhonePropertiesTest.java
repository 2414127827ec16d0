package com.shuttle.core.channel;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.channel.Rendering.Shown;
import com.shuttle.core.conversation.Message.Offer;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** Whatever is offered, no limit of a phone is broken, and every option is picked by what stands for it there. */
class PhonePropertiesTest {

    @Provide
    Arbitrary<Shown> shown() {
        Arbitrary<String> words =
                Arbitraries.strings().withChars("abc deé🔭(),").ofMinLength(0).ofMaxLength(60);
        Arbitrary<String> label = words.map(text -> "L" + text.strip());
        Arbitrary<String> group = Arbitraries.of("", "Inside", "Out on the terrace, at night and by day");
        Arbitrary<List<Offer>> offers = Combinators.combine(label, words, group)
                .as((l, w, g) -> new Offer("", l, w.strip(), g, "", "", ""))
                .list()
                .ofMinSize(1)
                .ofMaxSize(40)
                .map(PhonePropertiesTest::named);
        return Combinators.combine(words, offers).as((text, all) -> new Shown(text, all, false, "", ""));
    }

    private static List<Offer> named(List<Offer> offers) {
        return IntStream.range(0, offers.size())
                .mapToObj(i -> {
                    Offer one = offers.get(i);
                    return new Offer("o" + i, one.label(), one.text(), one.group(), "", "", "");
                })
                .toList();
    }

    private static List<Piece> pages(PhoneKind kind, Shown shown) {
        List<Piece> all = new ArrayList<>();
        int pages = new Pages(shown.answers(), PhoneKind.ROWS).many();
        for (int page = 0; page < pages; page++) {
            all.addAll(Rendering.of(kind, shown, page, PhoneWords.ENGLISH));
        }
        return all;
    }

    @Property(tries = 400)
    void aMessengersLimitsHold(@ForAll("shown") Shown shown) {
        for (Piece piece : pages(PhoneKind.MESSENGER, shown)) {
            switch (piece) {
                case Piece.Buttons buttons ->
                    assertThat(buttons.buttons())
                            .hasSizeBetween(1, PhoneKind.BUTTONS)
                            .allSatisfy(one -> fits(one.title(), PhoneKind.BUTTON_LETTERS));
                case Piece.Rows rows -> {
                    assertThat(rows.groups().stream()
                                    .mapToInt(one -> one.rows().size())
                                    .sum())
                            .isBetween(1, PhoneKind.ROWS);
                    rows.groups().forEach(PhonePropertiesTest::holds);
                    assertThat(rows.groups().stream().filter(one -> one.title().isEmpty()))
                            .as("of several groups each has a title")
                            .hasSizeLessThanOrEqualTo(rows.groups().size() > 1 ? 0 : 1);
                }
                default -> assertThat(piece.text()).isNotBlank();
            }
        }
    }

    private static void holds(Piece.Group group) {
        assertThat(Shortened.letters(group.title())).isLessThanOrEqualTo(PhoneKind.GROUP_LETTERS);
        group.rows().forEach(row -> {
            fits(row.title(), PhoneKind.ROW_LETTERS);
            assertThat(Shortened.letters(row.line())).isLessThanOrEqualTo(PhoneKind.LINE_LETTERS);
        });
    }

    private static void fits(String title, int most) {
        assertThat(Shortened.letters(title)).isBetween(1, most);
    }

    @Property(tries = 400)
    void whatIsPressedIsPicked(@ForAll("shown") Shown shown) {
        List<String> picked = new ArrayList<>();
        for (Piece piece : pages(PhoneKind.MESSENGER, shown)) {
            ids(piece).forEach(id -> {
                if (Replied.pressed(id) instanceof Replied.Picks(List<String> options)) {
                    picked.addAll(options);
                }
            });
        }
        assertThat(picked)
                .containsExactlyInAnyOrderElementsOf(
                        shown.offers().stream().map(Offer::id).toList());
    }

    private static List<String> ids(Piece piece) {
        return switch (piece) {
            case Piece.Buttons buttons ->
                buttons.buttons().stream().map(Piece.Button::id).toList();
            case Piece.Rows rows ->
                rows.groups().stream()
                        .flatMap(group -> group.rows().stream())
                        .map(Piece.Row::id)
                        .toList();
            default -> List.of();
        };
    }

    @Property(tries = 400)
    void textMessagesAreWordsOnlyAndWithinTheirLength(@ForAll("shown") Shown shown) {
        assertThat(pages(PhoneKind.TEXT, shown)).allSatisfy(piece -> {
            assertThat(piece).isInstanceOf(Piece.Text.class);
            assertThat(Shortened.letters(piece.text())).isBetween(1, PhoneKind.TEXT.longest());
        });
    }

    @Property(tries = 400)
    void whatIsProposedFits(@ForAll("shown") Shown shown) {
        for (Misfit misfit : Misfit.of(PhoneKind.MESSENGER, shown)) {
            assertThat(misfit.why()).isNotBlank();
            assertThat(Shortened.letters(misfit.fix())).isLessThanOrEqualTo(PhoneKind.ROW_LETTERS);
            assertThat(misfit.fix().isEmpty()).isEqualTo(misfit.option().isEmpty());
        }
    }
}
