package com.shuttle.core.channel;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;

/** One message as it goes to a phone. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Piece.Text.class, name = "text"),
    @JsonSubTypes.Type(value = Piece.Picture.class, name = "picture"),
    @JsonSubTypes.Type(value = Piece.Buttons.class, name = "buttons"),
    @JsonSubTypes.Type(value = Piece.Rows.class, name = "list"),
    @JsonSubTypes.Type(value = Piece.Template.class, name = "template")
})
public sealed interface Piece {

    String text();

    /** Words. */
    record Text(String text) implements Piece {}

    /** @param address of the picture @param text what it shows; may be empty */
    record Picture(String address, String text) implements Piece {}

    /** A message with up to {@link PhoneKind#BUTTONS} buttons. */
    record Buttons(String text, List<Button> buttons) implements Piece {
        public Buttons {
            buttons = List.copyOf(buttons);
        }
    }

    /** @param id of the option, or what leads to the next page */
    record Button(String id, String title) {}

    /** A message with a list that opens. @param open what opens it */
    record Rows(String text, String open, List<Group> groups) implements Piece {
        public Rows {
            groups = List.copyOf(groups);
        }
    }

    /** @param title may be empty where there is only one */
    record Group(String title, List<Row> rows) {
        public Group {
            rows = List.copyOf(rows);
        }
    }

    /** @param line beneath the title; may be empty */
    record Row(String id, String title, String line) {}

    /** Words that were agreed on beforehand, for whoever may not be written to freely. */
    record Template(String text) implements Piece {}
}
