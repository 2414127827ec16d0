package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.flow.Media;
import java.util.List;

/** A message for a channel that shows nothing but text: options numbered, media by name and address. Pure functions. */
public final class PlainText {

    private PlainText() {}

    public static String of(String text, List<Offer> offers, Look look) {
        StringBuilder plain = new StringBuilder(text);
        Media media = look.media();
        if (media != null) {
            line(plain, (media.alt().isBlank() ? media.type().label() : media.alt()) + ": " + media.address());
        }
        String group = "";
        int number = 0;
        for (Offer offer : offers) {
            if (!offer.group().equals(group)) {
                group = offer.group();
                line(plain, group);
            }
            String detail = offer.text().isBlank() ? "" : " – " + offer.text();
            line(
                    plain,
                    offer.link().isBlank()
                            ? ++number + ". " + offer.label() + detail
                            : offer.label() + detail + ": " + offer.link());
        }
        if (look.many()) {
            line(plain, "You can name several.");
        }
        return plain.toString();
    }

    private static void line(StringBuilder plain, String line) {
        plain.append(plain.isEmpty() ? "" : "\n").append(line);
    }
}
