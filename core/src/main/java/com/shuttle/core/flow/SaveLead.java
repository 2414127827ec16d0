package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import java.util.List;
import java.util.Map;

/**
 * Makes the visitor a lead, or adds to the lead that they are. An email or a phone number is needed, where the channel does not
 * know the visitor's number.
 *
 * @param fields  what goes where
 * @param consent the wording that the visitor was asked to agree to, with placeholders; empty where none was asked for
 * @param agreed  variable that is yes where they did
 * @param team    id of the team whose people take new leads in turn; empty for nobody
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record SaveLead(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        List<Cell> fields,
        String consent,
        String agreed,
        String team,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot SAVED = ExitSlot.on("saved", "saved");
    public static final ExitSlot FAILED =
            new ExitSlot("failed", "too little is known", ExitSlot.Role.SIDE, "goes on as when saved");

    /** What goes into a field. @param field its key @param value with placeholders; nothing leaves the field as it is */
    public record Cell(String id, String field, String value) {

        static final Items FIELDS = new Items(
                "fields",
                "a field",
                "Keeps",
                "a field",
                "id",
                "f",
                "",
                40,
                Forms.schema("{}"),
                List.of(
                        Field.of("field", Forms.reference("lead_field"), "", "a field")
                                .inSight(),
                        Field.of("value", Forms.LINE, "", "{{name}}").inSight().called("a field")),
                Items.Stands.AFTER);

        public Cell {
            field = Parts.text(field);
            value = Parts.text(value);
        }
    }

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Cell.FIELDS,
                    Field.of(
                                    "consent",
                                    Forms.TEXT.edited(Form.Control.LINE),
                                    "consent, as it was asked for",
                                    "May we write to you about this?")
                            .called("the wording of the consent"),
                    Field.of("agreed", Forms.VARIABLE, "given where this is yes", "no variable"),
                    Field.of("team", Forms.reference("team"), "new ones go in turn to", "nobody")
                            .inSight())
            .beside(step -> Aside.of("a lead"))
            .beginning("{'fields':[{'id':'f1','field':'name','value':''},{'id':'f2','field':'email','value':''}]}"
                    .replace('\'', '"'));

    public SaveLead {
        title = Parts.text(title);
        note = Parts.text(note);
        fields = fields == null ? List.of() : List.copyOf(fields);
        consent = Parts.text(consent);
        agreed = Parts.text(agreed);
        team = Parts.text(team);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(SAVED, FAILED);
    }
}
