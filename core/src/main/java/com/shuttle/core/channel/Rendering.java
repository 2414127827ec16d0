package com.shuttle.core.channel;

import com.shuttle.core.conversation.Message.Offer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.SequencedMap;

/**
 * How a message of a bot's or a person's looks on a phone. What does not fit is never lost: a label that is cut stands whole in the
 * line beneath it, options beyond the last row stand on the next page, and long words are several messages.
 */
public final class Rendering {

    private Rendering() {}

    /**
     * What is shown.
     *
     * @param text    without marks; may be empty beside a picture
     * @param offers  options; those with a link are said in words
     * @param many    whether several may be picked
     * @param picture address of a picture shown before the words; empty for none
     * @param alt     what it shows
     */
    public record Shown(String text, List<Offer> offers, boolean many, String picture, String alt) {
        public Shown {
            offers = List.copyOf(offers);
        }

        /** Words only. */
        public static Shown of(String text) {
            return new Shown(text, List.of(), false, "", "");
        }

        /** The options that are answers. */
        List<Offer> answers() {
            return offers.stream().filter(offer -> offer.link().isEmpty()).toList();
        }
    }

    /**
     * The messages to a phone, in their order.
     *
     * @param page  of the options, from 0 on; on a later page the words are not said again
     * @param words what the channel itself says
     */
    public static List<Piece> of(PhoneKind kind, Shown shown, int page, PhoneWords words) {
        List<Piece> pieces = new ArrayList<>();
        if (page == 0 && !shown.picture().isEmpty()) {
            pictured(kind, shown, pieces);
        }
        List<Offer> answers = shown.answers();
        String text = page == 0 ? withLinks(shown) : "";
        if (answers.isEmpty()) {
            chunks(text, kind.longest()).forEach(chunk -> pieces.add(new Piece.Text(chunk)));
        } else if (kind == PhoneKind.MESSENGER && !shown.many()) {
            interactive(text, answers, page, words, pieces);
        } else {
            chunks(numbered(text, answers, shown.many(), page, words), kind.longest())
                    .forEach(chunk -> pieces.add(new Piece.Text(chunk)));
        }
        return List.copyOf(pieces);
    }

    /** Words only leave pictures out, unless there is nothing else. */
    private static void pictured(PhoneKind kind, Shown shown, List<Piece> pieces) {
        if (kind == PhoneKind.MESSENGER) {
            pieces.add(new Piece.Picture(shown.picture(), shown.alt()));
        } else if (shown.text().isBlank() && shown.offers().isEmpty()) {
            pieces.add(new Piece.Text((shown.alt() + " " + shown.picture()).strip()));
        }
    }

    private static String withLinks(Shown shown) {
        StringBuilder words = new StringBuilder(shown.text().strip());
        for (Offer offer : shown.offers()) {
            if (!offer.link().isEmpty()) {
                words.append(words.isEmpty() ? "" : "\n")
                        .append(offer.label())
                        .append(": ")
                        .append(offer.link());
            }
        }
        return words.toString();
    }

    private static void interactive(String text, List<Offer> answers, int page, PhoneWords words, List<Piece> pieces) {
        // The words of a list or of buttons hold less than a message alone.
        List<String> chunks = chunks(text, 1000);
        String last = chunks.isEmpty() ? (page == 0 ? words.choose() : words.further()) : chunks.getLast();
        chunks.stream().limit(Math.max(0, chunks.size() - 1)).forEach(chunk -> pieces.add(new Piece.Text(chunk)));
        pieces.add(
                asButtons(answers)
                        ? buttons(last, answers)
                        : rows(last, new Pages(answers, PhoneKind.ROWS), page, words));
    }

    /** Whether options fit on buttons. */
    static boolean asButtons(List<Offer> answers) {
        return answers.size() <= PhoneKind.BUTTONS
                && answers.stream()
                        .allMatch(one -> Shortened.fits(one.label(), PhoneKind.BUTTON_LETTERS)
                                && one.text().isEmpty());
    }

    private static Piece buttons(String words, List<Offer> answers) {
        return new Piece.Buttons(
                words,
                answers.stream()
                        .map(one -> new Piece.Button(one.id(), one.label()))
                        .toList());
    }

    private static Piece rows(String text, Pages pages, int page, PhoneWords words) {
        SequencedMap<String, List<Piece.Row>> groups = new LinkedHashMap<>();
        for (Offer offer : pages.of(page)) {
            groups.computeIfAbsent(Shortened.to(PhoneKind.GROUP_LETTERS, offer.group()), title -> new ArrayList<>())
                    .add(row(offer));
        }
        if (pages.leadsOn(page)) {
            groups.lastEntry().getValue().add(new Piece.Row(Pages.MORE + (page + 1), words.onward(), ""));
        }
        return new Piece.Rows(
                text,
                words.choose(),
                groups.entrySet().stream()
                        .map(group -> new Piece.Group(
                                group.getKey().isEmpty() && groups.size() > 1 ? words.others() : group.getKey(),
                                group.getValue()))
                        .toList());
    }

    private static Piece.Row row(Offer offer) {
        boolean cut = !Shortened.fits(offer.label(), PhoneKind.ROW_LETTERS);
        String line = !cut ? offer.text() : (offer.label() + (offer.text().isEmpty() ? "" : " – " + offer.text()));
        return new Piece.Row(
                offer.id(),
                Shortened.to(PhoneKind.ROW_LETTERS, offer.label()),
                Shortened.fits(line, PhoneKind.LINE_LETTERS)
                        ? line
                        : line.substring(0, line.offsetByCodePoints(0, PhoneKind.LINE_LETTERS - 1)) + "…");
    }

    /** Options by their numbers, which go on over the pages. */
    private static String numbered(String asked, List<Offer> answers, boolean many, int page, PhoneWords words) {
        Pages pages = new Pages(answers, PhoneKind.ROWS);
        StringBuilder text = new StringBuilder(asked);
        int number = pages.many() == 1 ? 0 : pages.first(page);
        String group = "";
        for (Offer offer : pages.of(page)) {
            if (!offer.group().equals(group)) {
                group = offer.group();
                text.append("\n").append(group);
            }
            text.append(text.isEmpty() ? "" : "\n").append(++number).append(" ").append(offer.label());
            if (!offer.text().isEmpty()) {
                text.append(" - ").append(offer.text());
            }
        }
        if (pages.leadsOn(page)) {
            text.append("\n").append(words.moreHint());
        }
        if (many) {
            text.append("\n").append(words.severally());
        }
        return text.toString();
    }

    /** Words cut where a paragraph, line, sentence or word ends, in this order; none where there are none. */
    static List<String> chunks(String words, int longest) {
        List<String> chunks = new ArrayList<>();
        String rest = words.strip();
        while (Shortened.letters(rest) > longest) {
            int end = rest.offsetByCodePoints(0, longest);
            int cut = end;
            for (String mark : List.of("\n\n", "\n", ". ", " ")) {
                int at = rest.lastIndexOf(mark, end - mark.length());
                if (at > end / 2) {
                    cut = at + mark.length();
                    break;
                }
            }
            chunks.add(rest.substring(0, cut).strip());
            rest = rest.substring(cut).strip();
        }
        if (!rest.isEmpty()) {
            chunks.add(rest);
        }
        return chunks;
    }
}
