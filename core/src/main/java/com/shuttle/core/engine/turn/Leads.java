package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.flow.SaveLead;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What makes a lead of a visitor: the step Save lead, or a milestone that is marked so. Changes nothing. */
public final class Leads {

    /** Keys of the fields that every lead has. */
    public static final String NAME = "name";

    public static final String EMAIL = "email";
    public static final String PHONE = "phone";
    public static final String COMPANY = "company";

    private static final Map<ValueType, String> FIELDS = Map.of(
            ValueType.PERSON_NAME, NAME, ValueType.EMAIL, EMAIL, ValueType.PHONE, PHONE, ValueType.COMPANY, COMPANY);

    private Leads() {}

    /** The lead that a step makes of what is known; nothing where nobody could be reached, or the step makes none. */
    static Optional<Deed.SaveLead> of(@Nullable Step step, TurnRun run) {
        if (step instanceof SaveLead save) {
            return lead(
                    written(save, run),
                    consent(save, run),
                    save.team(),
                    run.visit().arrival());
        }
        boolean makes = step instanceof Step.Milestone milestone && milestone.lead();
        return makes
                ? lead(
                        byType(run.facts.all(), run.playbook.variables()),
                        null,
                        "",
                        run.visit().arrival())
                : Optional.empty();
    }

    private static Optional<Deed.SaveLead> lead(
            Map<String, String> fields, Deed.SaveLead.@Nullable Consent consent, String team, Arrival arrival) {
        if (!arrival.sender().isEmpty()) {
            fields.putIfAbsent(PHONE, arrival.sender());
        }
        if (!arrival.name().isEmpty()) {
            fields.putIfAbsent(NAME, arrival.name());
        }
        return fields.containsKey(EMAIL) || fields.containsKey(PHONE)
                ? Optional.of(new Deed.SaveLead(fields, consent, team, arrival.campaign()))
                : Optional.empty();
    }

    private static Map<String, String> written(SaveLead step, TurnRun run) {
        Map<String, String> fields = new LinkedHashMap<>();
        for (SaveLead.Cell cell : step.fields()) {
            String value = cell.field().isEmpty() ? "" : WrittenCell.of(cell.value(), run);
            if (!value.isEmpty()) {
                fields.put(cell.field(), value);
            }
        }
        return fields;
    }

    private static Deed.SaveLead.@Nullable Consent consent(SaveLead step, TurnRun run) {
        if (step.consent().isBlank()) {
            return null;
        }
        boolean given = run.facts.value(step.agreed()) instanceof Value.YesNo(boolean yes) && yes;
        String wording = Texts.unescaped(run.filled(step.consent())).strip();
        return new Deed.SaveLead.Consent(wording, given);
    }

    private static Map<String, String> byType(Map<String, Value> known, Map<String, ValueType> types) {
        Map<String, String> fields = new LinkedHashMap<>();
        known.forEach((variable, value) -> {
            String field = FIELDS.get(types.getOrDefault(variable, ValueType.TEXT));
            if (field != null) {
                fields.putIfAbsent(field, value.shown());
            }
        });
        return fields;
    }
}
