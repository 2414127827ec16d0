package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
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
    public StepKind kind() {
        return StepKind.ANSWER;
    }

    @Override
    public List<String> wordings() {
        return ask;
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(
                new ExitSlot("answered", "answered", true),
                new ExitSlot("suggested", "picked a suggestion", false),
                new ExitSlot("not_found", "not found", true));
    }
}
