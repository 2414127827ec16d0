package com.shuttle.core.channel;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.channel.Rendering.Shown;
import com.shuttle.core.conversation.Message.Offer;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Chars;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What fits on a phone and what becomes of what does not. */
class RenderingTest {

    private static Shown shown(String text, String... labels) {
        List<Offer> offers = new ArrayList<>();
        for (String label : labels) {
            offers.add(new Offer("o" + (offers.size() + 1), label));
        }
        return new Shown(text, offers, false, "", "");
    }

    private static Shown many(int options) {
        return shown(
                "Which?",
                IntStream.range(0, options).mapToObj(i -> "No " + (i + 1)).toArray(String[]::new));
    }

    @Test
    void upToThreeShortOptionsAreButtons() {
        assertThat(Rendering.of(
                        PhoneKind.MESSENGER, shown("Which?", "Visit", "Hire the dome", "Ask"), 0, PhoneWords.ENGLISH))
                .containsExactly(new Piece.Buttons(
                        "Which?",
                        List.of(
                                new Piece.Button("o1", "Visit"),
                                new Piece.Button("o2", "Hire the dome"),
                                new Piece.Button("o3", "Ask"))));
    }

    @Test
    void aLongLabelOrALineBeneathMakesAList() {
        assertThat(Rendering.of(
                        PhoneKind.MESSENGER, shown("Which?", "A visit with the whole class"), 0, PhoneWords.ENGLISH))
                .containsExactly(new Piece.Rows(
                        "Which?",
                        "Choose",
                        List.of(new Piece.Group(
                                "",
                                List.of(new Piece.Row(
                                        "o1", "Visit with whole class", "A visit with the whole class"))))));
    }

    @Test
    void groupsBearTitlesAndThoseWithoutAreTheOthers() {
        Shown shown = new Shown(
                "Which?",
                List.of(
                        new Offer("a", "Saturn", "with rings", "Planets", "", "", ""),
                        new Offer("b", "Europa", "", "Moons", "", "", ""),
                        new Offer("c", "Mars", "", "Planets", "", "", ""),
                        new Offer("d", "The Sun", "", "", "", "", "")),
                false,
                "",
                "");
        assertThat(Rendering.of(PhoneKind.MESSENGER, shown, 0, PhoneWords.ENGLISH))
                .first()
                .isInstanceOfSatisfying(Piece.Rows.class, rows -> {
                    assertThat(rows.groups())
                            .extracting(Piece.Group::title)
                            .containsExactly("Planets", "Moons", "Others");
                    assertThat(rows.groups().getFirst().rows())
                            .extracting(Piece.Row::id)
                            .containsExactly("a", "c");
                });
        assertThat(Rendering.of(PhoneKind.TEXT, shown, 0, PhoneWords.ENGLISH))
                .extracting(Piece::text)
                .containsExactly("""
                        Which?
                        Planets
                        1 Saturn - with rings
                        Moons
                        2 Europa
                        Planets
                        3 Mars

                        4 The Sun""");
    }

    @Test
    void linksAreSaidInWordsAndPicturesComeFirst() {
        Shown shown = new Shown(
                "Look.",
                List.of(new Offer("a", "Yes"), new Offer("b", "Our page", "", "", "", "", "https://tarnfell.example/")),
                false,
                "https://tarnfell.example/dome.png",
                "The dome");
        assertThat(Rendering.of(PhoneKind.MESSENGER, shown, 0, PhoneWords.ENGLISH))
                .containsExactly(
                        new Piece.Picture("https://tarnfell.example/dome.png", "The dome"),
                        new Piece.Buttons(
                                "Look.\nOur page: https://tarnfell.example/", List.of(new Piece.Button("a", "Yes"))));
        assertThat(Rendering.of(PhoneKind.TEXT, shown, 0, PhoneWords.ENGLISH))
                .containsExactly(new Piece.Text("Look.\nOur page: https://tarnfell.example/\n1 Yes"));
    }

    @Test
    void severalArePickedByTheirNumbers() {
        Shown shown = new Shown("Which?", List.of(new Offer("a", "Tea"), new Offer("b", "Cake")), true, "", "");
        for (PhoneKind kind : PhoneKind.values()) {
            assertThat(Rendering.of(kind, shown, 0, PhoneWords.ENGLISH))
                    .containsExactly(new Piece.Text("Which?\n1 Tea\n2 Cake\nReply with the numbers, such as 1, 2"));
        }
    }

    @Test
    void nothingToSayIsNoMessage() {
        assertThat(Rendering.of(PhoneKind.TEXT, Shown.of("  "), 0, PhoneWords.ENGLISH))
                .isEmpty();
        assertThat(Rendering.of(PhoneKind.MESSENGER, shown("", "Yes"), 0, PhoneWords.ENGLISH))
                .containsExactly(new Piece.Buttons("Choose", List.of(new Piece.Button("o1", "Yes"))));
    }

    /** Over all pages each option stands once, in its order, and no limit is broken. */
    @Property
    void everyOptionIsReached(@ForAll @IntRange(min = 4, max = 100) int options) {
        List<String> reached = new ArrayList<>();
        int page = 0;
        boolean more = true;
        while (more) {
            Piece.Rows rows = (Piece.Rows) Rendering.of(PhoneKind.MESSENGER, many(options), page, PhoneWords.ENGLISH)
                    .getFirst();
            List<String> ids = rows.groups().stream()
                    .flatMap(group -> group.rows().stream())
                    .map(Piece.Row::id)
                    .toList();
            assertThat(ids).hasSizeLessThanOrEqualTo(PhoneKind.ROWS);
            more = Replied.pressed(ids.getLast()) instanceof Replied.More;
            reached.addAll(more ? ids.subList(0, ids.size() - 1) : ids);
            page++;
        }
        assertThat(reached)
                .containsExactlyElementsOf(
                        IntStream.rangeClosed(1, options).mapToObj(i -> "o" + i).toList());
    }

    @Property
    void numbersGoOnOverThePages(@ForAll @IntRange(min = 11, max = 60) int options) {
        Shown shown = many(options);
        StringBuilder all = new StringBuilder();
        for (int page = 0; page <= options / 9; page++) {
            Rendering.of(PhoneKind.TEXT, shown, page, PhoneWords.ENGLISH)
                    .forEach(piece -> all.append(piece.text()).append('\n'));
        }
        for (int i = 1; i <= options; i++) {
            assertThat(all.toString()).contains("\n" + i + " No " + i + "\n");
            assertThat(Replied.words(String.valueOf(i), shown.offers(), false, 0, PhoneWords.ENGLISH))
                    .isEqualTo(new Replied.Picks(List.of("o" + i)));
        }
    }

    @ParameterizedTest
    @EnumSource
    void longWordsAreSeveralMessages(PhoneKind kind) {
        String words = "Bring something warm. ".repeat(400).strip();
        List<Piece> pieces = Rendering.of(kind, Shown.of(words), 0, PhoneWords.ENGLISH);
        assertThat(pieces).hasSizeGreaterThan(1).allSatisfy(piece -> {
            assertThat(piece.text().length()).isLessThanOrEqualTo(kind.longest());
            assertThat(piece.text()).startsWith("Bring").endsWith("warm.");
        });
    }

    @Property
    void noLetterIsLost(
            @ForAll @Chars({'a', 'b', '.', ' ', '\n'}) @StringLength(max = 400) String words,
            @ForAll @IntRange(min = 2, max = 60) int longest) {
        List<String> chunks = Rendering.chunks(words, longest);
        assertThat(String.join("", chunks).replaceAll("\\s", ""))
                .isEqualTo(words.strip().replaceAll("\\s", ""));
        assertThat(chunks)
                .allSatisfy(chunk -> assertThat(Shortened.letters(chunk)).isBetween(1, longest));
    }
}
