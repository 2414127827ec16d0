package com.shuttle.studio;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.conversation.Way;
import com.shuttle.core.flow.shape.Spans;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What a turn would do outside the conversation, in words. */
final class EffectWords {

    private EffectWords() {}

    /** One line for each thing; nothing for what is seen in the conversation itself. */
    static List<String> of(Turn.Taken turn) {
        return Stream.concat(
                        turn.effects().stream().map(EffectWords::of),
                        turn.way().stream().map(way -> of(way, turn.state().team())))
                .filter(words -> !words.isEmpty())
                .toList();
    }

    private static String of(Effect effect) {
        return switch (effect) {
            case Effect.Say ignored -> "";
            case Errand.Consult consult -> "would ask the language model about “" + consult.question() + "”";
            case Errand.Call ignored -> "";
            case Deed deed -> of(deed);
        };
    }

    private static String of(Deed deed) {
        return switch (deed) {
            case Deed.SaveRow row ->
                "would save a row: "
                        + row.writes().stream().map(Deed.SaveRow.Write::value).collect(Collectors.joining(", "));
            case Deed.Tell.Mail mail ->
                "would mail " + String.join(", ", mail.to()) + (mail.team().isEmpty() ? "" : " the team") + " “"
                        + mail.subject() + "”: " + mail.text();
            case Deed.Tell.Callback callback ->
                "would post “" + callback.event() + "” to " + callback.address() + " with "
                        + String.join(", ", callback.data().keySet());
            case Deed.Book book ->
                "would book " + book.start() + " for " + book.party() + " under " + book.reference()
                        + (book.email().isEmpty() ? ", without a mail" : ", and mail " + book.email());
            case Deed.Hold hold -> "would hold " + hold.start() + " for " + Spans.of(hold.seconds());
            case Deed.LetGo ignored -> "would let go of what is held";
            case Deed.WaitFor one -> "would put " + one.email() + " on the waiting list";
            case Deed.Rebook move -> "would move the booking to " + move.start();
            case Deed.CallOff ignored -> "would cancel the booking";
            case Deed.Note(String text) -> "would note for whoever takes over: " + text;
            case Deed.SaveLead lead ->
                "would save the lead: " + String.join(", ", lead.fields().values()) + consent(lead.consent());
            case Deed.KeepScore score ->
                "would keep the score " + score.points() + ", " + score.bandName() + ": "
                        + String.join("; ", score.reasons());
            case Deed.NoteGap(String question) -> "would note a gap: “" + question + "”";
            case Deed.Answered ignored -> "";
            case Deed.SetTimer timer -> "would go on after " + Spans.of(timer.seconds());
            case Deed.Remember remember -> "would remember " + remember.variable() + " for next time";
            case Deed.Reach(String milestone, var worth) ->
                "would count the milestone “" + milestone + "”"
                        + (worth.signum() == 0 ? "" : ", worth " + worth.toPlainString());
            case Deed.Rate rate -> "would keep the rating " + rate.stars() + " of 5";
        };
    }

    private static String consent(Deed.SaveLead.@Nullable Consent consent) {
        return consent == null ? "" : consent.given() ? ", who agrees to mail" : ", who does not agree to mail";
    }

    private static String of(Way way, String team) {
        return switch (way.what()) {
            case ARM -> "would share the visitor out to arm " + way.mark();
            case PASSED ->
                switch (Speaker.of(way.mark())) {
                    case QUEUED -> "would wait for a person" + (team.isEmpty() ? "" : " of the team");
                    case BOT -> "would no longer wait for a person";
                    case ENDED -> "the conversation ends";
                    case PERSON -> "";
                };
            case ENTERED, LEFT -> "";
        };
    }
}
