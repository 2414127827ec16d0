package com.shuttle.studio;

import com.shuttle.core.engine.Effect;

/** What a turn would do outside the conversation, in words. */
final class EffectWords {

    private EffectWords() {}

    /** Empty for effects that are seen in the conversation itself. */
    static String of(Effect effect) {
        return switch (effect) {
            case Effect.Say ignored -> "";
            case Effect.Queue(String team) -> "would wait for a person" + (team.isEmpty() ? "" : " of the team");
            case Effect.LeaveQueue ignored -> "would no longer wait for a person";
            case Effect.KeepLead(String name, String email, String phone) ->
                "would keep a lead: " + name + ", " + email;
            case Effect.NoteGap(String question) -> "would note a gap: “" + question + "”";
            case Effect.Finish ignored -> "the conversation ends";
        };
    }
}
