package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import com.shuttle.core.flow.shape.When;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * Tells somebody outside by mail, or a program by a web callback. What is told is kept with the turn and sent after it, as often
 * as it takes; the conversation does not wait.
 *
 * @param to        whom
 * @param email     of the visitor, with placeholders
 * @param addresses of others, with commas between
 * @param team      id of a team, all of whose people are told
 * @param subject   of a mail, with placeholders
 * @param text      of a mail, in small Markdown with placeholders
 * @param attached  whether the conversation so far goes with a mail
 * @param address   where a callback is posted
 * @param event     what a callback is about, such as {@code repair.requested}
 * @param data      variables that a callback carries
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Notify(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude To to,
        String email,
        String addresses,
        String team,
        String subject,
        String text,
        boolean attached,
        String address,
        String event,
        List<String> data,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot FAILED = ExitSlot.side("failed", "cannot be sent", "goes on");

    /** Whom. */
    public enum To implements Keyed {
        VISITOR("the visitor, by mail"),
        TEAM("a team, by mail"),
        ADDRESSES("others, by mail"),
        PROGRAM("a program, by web callback");

        static final Form FORM = Forms.oneOf(
                Arrays.stream(values())
                        .map(to -> new Form.Value(to.key(), to.label()))
                        .toList(),
                "Please choose who is told.");

        private final String label;

        To(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** @throws IllegalArgumentException if there is no such choice */
        @JsonCreator
        public static To of(String key) {
            return Keyed.of(To.class, key, "receiver");
        }
    }

    private static final When BY_MAIL = When.is("to", "program").not();

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Field.of("to", To.FORM, "tells").inSight().reshaping().called("who is told"),
                    Field.of("email", Forms.LINE, "at", "{{email}}").inSight().when(When.is("to", "visitor")),
                    Field.of("team", Forms.reference("team"), "", "choose a team")
                            .inSight()
                            .when(When.is("to", "team")),
                    Field.of("addresses", Forms.LINE, "at", "events@tarnfell.example, …")
                            .inSight()
                            .when(When.is("to", "addresses")),
                    Field.of("subject", Forms.LINE, "subject", "Your request {{reference}}")
                            .inSight()
                            .when(BY_MAIL)
                            .called("the subject"),
                    Field.of("text", Forms.TEXT, "", "What the mail says")
                            .inSight()
                            .when(BY_MAIL)
                            .called("the text of the mail"),
                    Field.of("attached", Forms.FLAG, "with the conversation")
                            .inSight()
                            .when(BY_MAIL),
                    Field.of("address", Forms.ADDRESS, "at", "https://…")
                            .inSight()
                            .when(When.is("to", "program")),
                    Field.of("event", Forms.NAME, "about", "repair.requested")
                            .inSight()
                            .when(When.is("to", "program")),
                    Field.of("data", Forms.ENDINGS, "carries", "name, email, reference")
                            .inSight()
                            .when(When.is("to", "program")))
            .beside(step -> Aside.of(To.of(step.path("to").asString("visitor")).label()))
            .beginning("{\"to\":\"visitor\",\"email\":\"{{email}}\"}");

    public Notify {
        title = Parts.text(title);
        note = Parts.text(note);
        to = to == null ? To.VISITOR : to;
        email = Parts.text(email);
        addresses = Parts.text(addresses);
        team = Parts.text(team);
        subject = Parts.text(subject);
        text = Parts.text(text);
        address = Parts.text(address);
        event = Parts.text(event);
        data = data == null ? List.of() : List.copyOf(data);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(ExitSlot.NEXT, FAILED);
    }
}
