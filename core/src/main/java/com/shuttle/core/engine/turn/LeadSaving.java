package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.flow.Step;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Makes the visitor a lead, and keeps the lead true to what is corrected later. For one turn. */
public final class LeadSaving {

    private final TurnRun run;
    private final List<Effect> effects;
    private @Nullable Place at;

    /** @param at the step that saved the lead last; null for none */
    LeadSaving(TurnRun run, List<Effect> effects, @Nullable Place at) {
        this.run = run;
        this.effects = effects;
        this.at = at;
    }

    /** Makes a lead as a step says. @return whether it is known how to reach the visitor */
    public boolean save(Step step) {
        Optional<Deed.SaveLead> lead = Leads.of(step, run);
        lead.ifPresent(deed -> {
            run.carryOut(deed);
            at = run.at();
        });
        run.trace(
                lead.isPresent() ? "saved the lead" : "no lead",
                lead.map(deed -> String.join(", ", deed.fields().values()))
                        .orElse("neither an email nor a phone number is known"));
        return lead.isPresent();
    }

    /** What became known or was corrected after a lead was saved goes to the lead. */
    void saveAgain() {
        boolean saved = effects.stream().anyMatch(Deed.SaveLead.class::isInstance);
        if (at != null && run.facts.changed() && !saved) {
            Leads.of(run.playbook.step(at), run).ifPresent(effects::add);
        }
    }

    /** The step that saved the lead last; null for none. */
    @Nullable
    Place at() {
        return at;
    }
}
