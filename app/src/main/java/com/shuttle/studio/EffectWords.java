package com.shuttle.studio;

import com.shuttle.core.flow.shape.Spans;
import com.shuttle.core.conversation.Effect;

/** What a turn would do outside the conversation, in words. */
final class EffectWords {

    private EffectWords() {}

    /** Empty for effects that are seen in the conversation itself. */
    static String of(Effect effect) {
        return switch (effect) {
            case Effect.Say ignored -> "";
            case Effect.Queue(String team, String brief) ->
                "would wait for a person" + (team.isEmpty() ? "" : " of the team")
                        + (brief.isBlank() ? "" : ", who reads: " + brief);
            case Effect.LeaveQueue ignored -> "would no longer wait for a person";
            case Effect.KeepLead(String name, String email, String phone) ->
                "would keep a lead: " + name + ", " + email;
            case Effect.NoteGap(String question) -> "would note a gap: “" + question + "”";
            case Effect.Answered ignored -> "";
            case Effect.SetTimer(String key, long seconds) -> "would go on after " + Spans.of(seconds);
            case Effect.Remember(String variable, var value) -> "would remember " + variable + " for next time";
            case Effect.Reach(String milestone, var worth) ->
                "would count the milestone “" + milestone + "”"
                        + (worth.signum() == 0 ? "" : ", worth " + worth.toPlainString());
            case Effect.Assign(String experiment, String arm) -> "would share the visitor out to arm " + arm;
            case Effect.Rate(int stars, String comment) -> "would keep the rating " + stars + " of 5";
            case Effect.Finish ignored -> "the conversation ends";
        };
    }
}
