package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Wordings;
import com.shuttle.core.flow.shape.Shape;
import java.util.List;
import java.util.Map;

/** Answers the visitor's words from the knowledge: those that led here, or else what is typed after {@code ask}.
 *
 * @param collections ids of the collections to answer from; empty for all of the bot's
 * @param sources     {@code entries}, {@code articles}; empty for both
 * @param of          a variable whose text is the question; empty for the visitor's words
 * @param lead        said before an answer; may be empty
 * @param more        said after an answer; may be empty
 * @param answerFrom  confidence in per cent from which it answers; 0 for the usual
 * @param suggestFrom confidence in per cent from which it suggests; 0 for the usual
 * @param unknown     what to say when nothing is found; empty for the usual words
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Answer(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude List<String> ask,
        List<String> collections,
        List<String> sources,
        String of,
        String lead,
        String more,
        int answerFrom,
        int suggestFrom,
        String unknown,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    public static final ExitSlot ANSWERED = ExitSlot.on("answered", "answered");
    public static final ExitSlot SUGGESTED = ExitSlot.side("suggested", "picked a suggestion", "as answered");
    public static final ExitSlot NOT_FOUND = ExitSlot.own("not_found", "not found");

    private static final Form SOURCES = Forms.someOf(
            List.of(
                    new Form.Value("", "entries, articles and tables"),
                    new Form.Value("entries", "entries"),
                    new Form.Value("articles", "articles"),
                    new Form.Value("tables", "tables")),
            "There are entries, articles and tables.");

    private static final Form CONFIDENCE = Forms.countOrNone(0, 100, "Confidence is 0 to 100 per cent.");

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
            Wordings.of("ask", "What it asks first, such as: What would you like to know?"),
            Field.of(
                    "unknown",
                    Forms.TEXT,
                    "When it does not know, it says",
                    "I don't know that one, and I'd rather not guess…"),
            Field.of("lead", Forms.TEXT, "Before the answer, it says", "nothing"),
            Field.of("more", Forms.TEXT, "After the answer, it says", "nothing"),
            Field.of("of", Forms.VARIABLE, "answers what is in", "the visitor's words"),
            Field.of("collections", Forms.references("collection"), "looks in", "all of the bot's collections"),
            Field.of("sources", SOURCES, "from"),
            Field.of("answerFrom", CONFIDENCE, "answers from", "usual").before("% confidence"),
            Field.of("suggestFrom", CONFIDENCE, "suggests from", "usual").before("% confidence"));

    public Answer {
        title = Parts.text(title);
        note = Parts.text(note);
        ask = Parts.atLeastOne(ask);
        collections = collections == null ? List.of() : List.copyOf(collections);
        sources = sources == null ? List.of() : List.copyOf(sources);
        of = Parts.text(of);
        lead = Parts.text(lead);
        more = Parts.text(more);
        unknown = Parts.text(unknown);
        exits = Parts.frozen(exits);
    }

    @Override
    public List<String> wordings() {
        return ask;
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(ANSWERED, SUGGESTED, NOT_FOUND);
    }
}
