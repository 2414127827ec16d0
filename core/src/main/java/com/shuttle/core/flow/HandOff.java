package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import java.util.List;
import java.util.Map;

/** Passes the visitor to a person of a team.
 *
 * @param say      to the visitor while they wait
 * @param team     id of the team; empty for any
 * @param brief    to the person, with placeholders; may be empty
 * @param patience seconds after which nobody is thought to come; 0 for ever
 * @param nobody   to the visitor when the team has nobody or nobody comes; empty for the usual words
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record HandOff(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude List<String> say,
        String team,
        String brief,
        long patience,
        String nobody,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot CLOSED = ExitSlot.side("closed", "taken and closed", "ends");
    public static final ExitSlot BACK = ExitSlot.side("back", "came back to the bot", "rests, open to any question");
    public static final ExitSlot NOBODY = ExitSlot.on("nobody", "nobody there");

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    Wordings.of("say", "What the bot says"),
                    Field.of("team", Forms.reference("team"), "to", "any team")
                            .inSight()
                            .called("the team"),
                    Field.of("brief", Forms.TEXT, "The person reads", "the conversation alone"),
                    Field.of(
                            "nobody",
                            Forms.TEXT,
                            "When nobody is there, it says",
                            "Nobody from the team is there to take over at the moment."),
                    Field.of("patience", Forms.spanOrNone(), "gives up waiting after", "never"))
            .beside(step -> new Aside("to", "", step.path("team").asString("")));

    public HandOff {
        title = Parts.text(title);
        note = Parts.text(note);
        say = Parts.atLeastOne(say);
        team = Parts.text(team);
        brief = Parts.text(brief);
        nobody = Parts.text(nobody);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<String> wordings() {
        return say;
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(CLOSED, BACK, NOBODY);
    }
}
