package com.shuttle.core.flow;

import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Property.Part;
import com.shuttle.core.flow.shape.Property.Wordings;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** The properties of what is shown beside words. */
final class MediaShape {

    private static final JsonNode TYPES = Forms.schema("{'enum':['picture','animation','video','file']}");

    static final Form TYPING = Forms.countOrNone(0, 10_000, "The delay is 0 to 10,000 milliseconds.");

    /** Further bubbles of a message. */
    static final Items BUBBLES = new Items(
            "bubbles",
            "a bubble",
            "",
            "another bubble",
            "",
            "",
            "",
            20,
            Forms.schema("{'say':['']}"),
            List.of(Wordings.of("say", "Another bubble").left(), shown()),
            Items.Stands.AFTER);

    private MediaShape() {}

    /** A medium, or words only. */
    static Part shown() {
        List<Form.Value> types = new ArrayList<>(List.of(new Form.Value("", "words only")));
        for (Media.Type type : Media.Type.values()) {
            types.add(new Form.Value(type.key(), type.label()));
        }
        return Part.chosen(
                "media",
                "what is shown",
                Field.of("type", Forms.oneOf(types, "There is no such medium.").withSchema(TYPES), "shows")
                        .inSight()
                        .reshaping()
                        .needed(),
                List.of(
                        Field.of("address", Forms.MEDIA, "address", "/media/… or https://…")
                                .inSight(),
                        Field.of("alt", Forms.LINE, "it shows", "described for those who cannot see it")
                                .inSight()));
    }
}
