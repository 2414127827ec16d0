package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Offers free times of a kind of appointment, understands wishes for others, and books the one that is picked.
 *
 * @param of        id of the kind of appointment
 * @param ask       what it says with the times that it offers
 * @param party     how many come, with placeholders; empty for one
 * @param who       name of who comes, with placeholders, as are {@code email}, {@code phone} and {@code about}
 * @param reference variable that the booking's reference goes to; empty for none
 * @param time      variable that its time goes to, in words; empty for none
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Appointment(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude String of,
        List<String> ask,
        String party,
        String who,
        String email,
        String phone,
        String about,
        String reference,
        String time,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot BOOKED = ExitSlot.on("booked", "booked");
    public static final ExitSlot NOTHING_FREE = ExitSlot.own("nothing_free", "nothing free");
    public static final ExitSlot DECLINED = ExitSlot.own("declined", "declined");

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Wordings.of("ask", "When would suit you?"),
                    Field.of("of", Forms.reference("appointment"), "books", "choose a kind of appointment")
                            .inSight()
                            .needed()
                            .called("the kind of appointment"),
                    Field.of("party", Forms.LINE, "for how many", "1"),
                    Field.of("who", Forms.LINE, "name", "{{name}}").inSight().called("the name"),
                    Field.of("email", Forms.LINE, "email", "{{email}}")
                            .inSight()
                            .called("the email"),
                    Field.of("phone", Forms.LINE, "phone", "{{phone}}"),
                    Field.of("about", Forms.LINE, "about", "{{fault}}"),
                    Field.of("reference", Forms.VARIABLE, "keep its reference in", "nothing"),
                    Field.of("time", Forms.VARIABLE, "its time in", "nothing"))
            .beside(step -> new Aside("", "", step.path("of").asString("")))
            .beginning("{\"of\":\"\",\"ask\":[\"When would suit you?\"],\"who\":\"{{name}}\",\"email\":\"{{email}}\"}");

    public Appointment {
        title = Parts.text(title);
        note = Parts.text(note);
        of = Parts.text(of);
        ask = Parts.atLeastOne(ask);
        party = Parts.text(party);
        who = Parts.text(who);
        email = Parts.text(email);
        phone = Parts.text(phone);
        about = Parts.text(about);
        reference = Parts.text(reference);
        time = Parts.text(time);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(BOOKED, NOTHING_FREE, DECLINED);
    }

    @Override
    public List<String> wordings() {
        return ask;
    }

    @Override
    public Map<String, ValueType> fills() {
        Map<String, ValueType> fills = new LinkedHashMap<>();
        fills.put(reference, ValueType.TEXT);
        fills.put(time, ValueType.TEXT);
        fills.remove("");
        return fills;
    }
}
