package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import com.shuttle.core.flow.shape.When;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Offers free times of a kind of appointment, understands wishes for others, and books the one that is picked; or finds a booking
 * by its reference and moves it or calls it off.
 *
 * @param does      whether it books, or changes what is booked
 * @param of        where it books: id of the kind of appointment
 * @param named     where it changes: the reference of what is booked, with placeholders
 * @param ask       what it says with the times that it offers
 * @param party     how many come, with placeholders; empty for one
 * @param who       name of who comes, with placeholders, as are {@code email}, {@code phone} and {@code about}
 * @param with      name of a person or room, or something that they can or speak, with placeholders; empty for any
 * @param choose    whether visitors are asked whom they want it with
 * @param reference variable that the booking's reference goes to; empty for none
 * @param waits     whether it offers a waiting list where nothing is free
 * @param time      variable that its time goes to, in words; empty for none
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Appointment(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        Does does,
        @JsonInclude String of,
        String named,
        List<String> ask,
        String party,
        String who,
        String email,
        String phone,
        String about,
        String with,
        boolean choose,
        String reference,
        String time,
        boolean waits,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot BOOKED = ExitSlot.on("booked", "booked");
    public static final ExitSlot NOTHING_FREE = ExitSlot.own("nothing_free", "nothing free");
    public static final ExitSlot CHANGED = ExitSlot.on("changed", "changed");
    public static final ExitSlot CANCELLED = ExitSlot.own("cancelled", "cancelled");
    public static final ExitSlot NOT_FOUND = ExitSlot.own("not_found", "not found");
    public static final ExitSlot DECLINED = ExitSlot.own("declined", "declined");

    /** What it is there for. */
    public enum Does implements Keyed {
        BOOK("books"),
        CHANGE("changes or cancels what is booked");

        static final Form FORM = Forms.oneOf(
                Arrays.stream(values())
                        .map(does -> new Form.Value(does.key(), does.label()))
                        .toList(),
                "Please choose what it does.");

        private final String label;

        Does(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** @throws IllegalArgumentException if there is no such choice */
        @JsonCreator
        public static Does of(String key) {
            return Keyed.of(Does.class, key, "use of an appointment");
        }
    }

    private static final When CHANGES = When.is("does", "change");
    private static final When BOOKS = CHANGES.not();

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Wordings.of("ask", "When would suit you?"),
                    Field.of("does", Does.FORM, "it").inSight().reshaping().called("what it does"),
                    Field.of("of", Forms.reference("appointment"), "", "choose a kind of appointment")
                            .inSight()
                            .needed()
                            .when(BOOKS)
                            .called("the kind of appointment"),
                    Field.of("named", Forms.LINE, "reference", "{{reference}}")
                            .inSight()
                            .when(CHANGES)
                            .called("the reference"),
                    Field.of("party", Forms.LINE, "for how many", "1").when(BOOKS),
                    Field.of("who", Forms.LINE, "name", "{{name}}")
                            .inSight()
                            .when(BOOKS)
                            .called("the name"),
                    Field.of("email", Forms.LINE, "email", "{{email}}")
                            .inSight()
                            .called("the email"),
                    Field.of("phone", Forms.LINE, "phone", "{{phone}}").when(BOOKS),
                    Field.of("about", Forms.LINE, "about", "{{fault}}").when(BOOKS),
                    Field.of("with", Forms.LINE, "with (a name, a skill or a language)", "whoever is free")
                            .when(BOOKS),
                    Field.of("choose", Forms.FLAG, "asks whom they want it with")
                            .when(BOOKS),
                    Field.of("reference", Forms.VARIABLE, "keep its reference in", "nothing")
                            .when(BOOKS),
                    Field.of("waits", Forms.FLAG, "offers a waiting list where nothing is free")
                            .when(BOOKS),
                    Field.of("time", Forms.VARIABLE, "its time in", "nothing"))
            .beside(step -> new Aside("", "", step.path("of").asString("")))
            .beginning("{\"of\":\"\",\"ask\":[\"When would suit you?\"],\"who\":\"{{name}}\",\"email\":\"{{email}}\"}");

    public Appointment {
        title = Parts.text(title);
        note = Parts.text(note);
        does = does == null ? Does.BOOK : does;
        of = Parts.text(of);
        named = Parts.text(named);
        ask = Parts.atLeastOne(ask);
        party = Parts.text(party);
        who = Parts.text(who);
        email = Parts.text(email);
        phone = Parts.text(phone);
        about = Parts.text(about);
        with = Parts.text(with);
        reference = Parts.text(reference);
        time = Parts.text(time);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        return does == Does.BOOK
                ? List.of(BOOKED, NOTHING_FREE, DECLINED)
                : List.of(CHANGED, CANCELLED, NOT_FOUND, DECLINED);
    }

    @Override
    public List<String> wordings() {
        return ask;
    }

    private static final Pattern ONLY = Pattern.compile("\\s*\\{\\{\\s*(\\w+)\\s*}}\\s*");

    /** The variable that is all of a text with placeholders; empty where there is anything else in it. */
    private static String variable(String text) {
        Matcher only = ONLY.matcher(text);
        return only.matches() ? only.group(1) : "";
    }

    /** The variables that it asks for itself where they are not known, with what they hold. */
    public Map<String, ValueType> details() {
        Map<String, ValueType> details = new LinkedHashMap<>();
        if (does == Does.BOOK) {
            details.put(variable(who), ValueType.PERSON_NAME);
            details.put(variable(email), ValueType.EMAIL);
            details.remove("");
        }
        return details;
    }

    @Override
    public Map<String, ValueType> fills() {
        Map<String, ValueType> fills = new LinkedHashMap<>(details());
        fills.put(reference, ValueType.TEXT);
        fills.put(time, ValueType.TEXT);
        fills.remove("");
        return fills;
    }
}
