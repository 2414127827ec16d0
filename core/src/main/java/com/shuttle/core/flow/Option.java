package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.When;
import java.util.List;

/**
 * One option of a {@link Choice} or a {@link Fact}.
 *
 * @param id      unique within its step, lower-case letters, digits and dashes
 * @param label   what the visitor reads
 * @param also    other words that visitors type for it; may be empty
 * @param text    a line beneath the label; may be empty
 * @param group   heading it stands under in a list; may be empty
 * @param picture address of a picture for tiles; may be empty
 * @param alt     what the picture shows; may be empty where the label says it
 * @param link    https address it opens instead of being an answer; may be empty
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Option(
        @JsonInclude String id,
        @JsonInclude String label,
        @JsonInclude List<String> also,
        String text,
        String group,
        String picture,
        String alt,
        String link) {

    private static final When TYPED_IN = When.stepIs("kind", "choice");

    /** The options of a step. */
    static final Items OPTIONS = new Items(
            "options",
            "an option",
            "Options",
            "an option",
            "id",
            "o",
            "option:",
            100,
            Forms.schema("{'label':''}"),
            List.of(
                    Field.of("label", Forms.LINE, "", "Option").inSight().needed(),
                    Field.of("also", Forms.WORDS, "", "also typed as…").inSight(),
                    Field.of("text", Forms.LINE, "line beneath", "none").when(TYPED_IN),
                    Field.of("group", Forms.LINE, "in the group", "none").when(When.stepIs("layout", "list")),
                    Field.of("picture", Forms.MEDIA, "picture", "/media/… or https://…")
                            .when(When.stepIs("layout", "tiles")),
                    Field.of("alt", Forms.LINE, "it shows", "described for those who cannot see it")
                            .when(When.stepIs("layout", "tiles")),
                    Field.of("link", Forms.ADDRESS, "opens instead", "https://…")
                            .when(TYPED_IN)),
            Items.Stands.OWN);

    public Option {
        also = also == null ? List.of() : List.copyOf(also);
        text = Parts.text(text);
        group = Parts.text(group);
        picture = Parts.text(picture);
        alt = Parts.text(alt);
        link = Parts.text(link);
    }

    public Option(String id, String label, List<String> also) {
        this(id, label, also, "", "", "", "", "");
    }

    /** The id of the exit that picking this option takes. */
    public String exit() {
        return "option:" + id;
    }
}
