package com.shuttle.core.channel;

import com.shuttle.core.conversation.Message.Offer;
import java.util.ArrayList;
import java.util.List;

/**
 * What of a message does not fit on a channel as it stands, and what would.
 *
 * @param option id of the option it is about; empty for the whole
 * @param why    a sentence for designers
 * @param fix    a label that would fit; empty where there is none to propose
 */
public record Misfit(String option, String why, String fix) {

    /** All of a message, in its order; empty where it fits. Links are no options. */
    public static List<Misfit> of(PhoneKind kind, Rendering.Shown shown) {
        List<Misfit> found = new ArrayList<>();
        List<Offer> answers = shown.answers();
        if (kind == PhoneKind.MESSENGER) {
            if (shown.many()) {
                found.add(new Misfit("", "Several cannot be ticked; their numbers are typed instead.", ""));
            } else if (!answers.isEmpty() && !Rendering.asButtons(answers)) {
                list(answers, found);
            }
        } else {
            text(shown, found);
        }
        return List.copyOf(found);
    }

    private static void list(List<Offer> answers, List<Misfit> found) {
        boolean few = answers.size() <= PhoneKind.BUTTONS;
        int room = few ? PhoneKind.BUTTON_LETTERS : PhoneKind.ROW_LETTERS;
        for (Offer offer : answers) {
            int letters = Shortened.letters(offer.label());
            if (letters > room) {
                found.add(new Misfit(
                        offer.id(),
                        "“%s” has %d letters. %s"
                                .formatted(
                                        offer.label(),
                                        letters,
                                        few
                                                ? "A button takes %d, so these become a list.".formatted(room)
                                                : "A row takes %d; the whole label stands in the line beneath."
                                                        .formatted(room)),
                        Shortened.to(room, offer.label())));
            }
            if (Shortened.letters(offer.text()) > PhoneKind.LINE_LETTERS) {
                found.add(new Misfit(
                        "",
                        "The line beneath “%s” is cut after %d letters."
                                .formatted(offer.label(), PhoneKind.LINE_LETTERS),
                        ""));
            }
        }
        int pages = new Pages(answers, PhoneKind.ROWS).many();
        if (pages > 1) {
            found.add(new Misfit(
                    "", "A list has %d rows, so these stand on %d pages.".formatted(PhoneKind.ROWS, pages), ""));
        }
    }

    private static void text(Rendering.Shown shown, List<Misfit> found) {
        int parts = 0;
        StringBuilder foreign = new StringBuilder();
        for (Piece piece : Rendering.of(PhoneKind.TEXT, shown, 0, PhoneWords.ENGLISH)) {
            TextParts counted = TextParts.of(piece.text());
            parts += counted.parts();
            counted.foreign()
                    .codePoints()
                    .filter(one -> foreign.indexOf(Character.toString(one)) < 0)
                    .forEach(foreign::appendCodePoint);
        }
        if (parts > 1) {
            found.add(new Misfit("", "It is paid as %d text messages.".formatted(parts), ""));
        }
        if (!foreign.isEmpty() && parts > 1) {
            found.add(new Misfit(
                    "",
                    "With %s in it each holds 70 letters instead of 160."
                            .formatted(String.join(
                                    " ",
                                    foreign.codePoints()
                                            .limit(8)
                                            .mapToObj(Character::toString)
                                            .toList())),
                    ""));
        }
    }
}
