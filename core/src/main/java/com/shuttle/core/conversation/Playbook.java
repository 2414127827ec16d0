package com.shuttle.core.conversation;

import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Appointment;
import com.shuttle.core.flow.Branches;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Compute;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import com.shuttle.core.scoring.Scoring;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A release made ready for the engine: steps by place, phrases by their words. Immutable and thread-safe. */
public final class Playbook {

    /** What visitors type to get to a flow. */
    public record Phrase(String normal, String flow) {}

    /** A choice whose options are written down and kept in a variable. */
    public record Chosen(Place place, Choice step, Slot slot) {}

    private final Release release;
    private final Map<Place, Step> steps = new HashMap<>();
    private final Map<String, Place> starts = new HashMap<>();
    private final Map<String, ValueType> variables = new LinkedHashMap<>();
    private final List<Phrase> phrases = new ArrayList<>();
    private final Expressions expressions;
    private final List<Slot> slots;
    private final Map<String, Slot> slotsByName = new HashMap<>();
    private final List<Chosen> choices = new ArrayList<>();
    private final Map<String, Set<String>> askedIn = new HashMap<>();
    private final Map<String, Wanted> wanted = new LinkedHashMap<>();
    private final boolean books;
    private final Map<String, Scoring> scorings = new HashMap<>();

    public Playbook(Release release) {
        this.release = release;
        release.variables().forEach(variable -> variables.put(variable.name(), variable.type()));
        release.flows().forEach(flow -> flow.variables().forEach(variables::putIfAbsent));
        computed(release);
        this.expressions = new Expressions(variables);
        this.slots = slots(release);
        for (Flow flow : release.flows()) {
            List<Step> all = flow.allSteps();
            askedIn.put(
                    flow.id(),
                    all.stream()
                            .flatMap(step -> step.wants().stream())
                            .map(Wanted::variable)
                            .collect(Collectors.toSet()));
            for (Step step : all) {
                Place place = new Place(flow.id(), step.id());
                steps.put(place, step);
                step.wants().forEach(one -> wanted.putIfAbsent(one.variable(), one));
                if (step instanceof Choice choice && !choice.variable().isBlank() && !choice.drawn()) {
                    ValueType type = choice.many() ? ValueType.MULTI_CHOICE : ValueType.CHOICE;
                    choices.add(new Chosen(place, choice, new Slot(choice.variable(), "", type, choice.options())));
                }
            }
            if (!all.isEmpty()) {
                starts.put(flow.id(), new Place(flow.id(), all.getFirst().id()));
            }
            for (String phrase : flow.phrases()) {
                String normal = Words.normal(phrase);
                if (!normal.isEmpty()) {
                    phrases.add(new Phrase(normal, flow.id()));
                }
            }
        }
        release.cards().forEach(card -> scorings.put(card.id(), Scoring.of(card)));
        books = steps.values().stream().anyMatch(Appointment.class::isInstance);
        slots.forEach(slot -> slotsByName.put(slot.name(), slot));
        choices.forEach(choice -> slotsByName.putIfAbsent(choice.slot().name(), choice.slot()));
    }

    /** Variables that only a Compute step sets have the type its expression comes to; text where that is unclear. */
    private void computed(Release release) {
        for (int round = 0; round < 2; round++) {
            Expressions known = null;
            for (Flow flow : release.flows()) {
                for (Step step : flow.allSteps()) {
                    if (!(step instanceof Compute compute)) {
                        continue;
                    }
                    for (Branches.Assignment set : compute.sets()) {
                        if (!set.variable().isBlank() && !variables.containsKey(set.variable())) {
                            known = known == null ? new Expressions(variables) : known;
                            ValueType type = known.typeOf(set.value());
                            type = type == null ? typeOfCounter(set) : type;
                            if (type != null || round == 1) {
                                variables.put(set.variable(), type == null ? ValueType.TEXT : type);
                            }
                        }
                    }
                }
            }
        }
    }

    /** A number, for a variable that is counted on from itself ("known(n) ? n + 1 : 1"); otherwise null. */
    private @Nullable ValueType typeOfCounter(Branches.Assignment set) {
        Map<String, ValueType> counted = new LinkedHashMap<>(variables);
        counted.put(set.variable(), ValueType.NUMBER);
        return new Expressions(counted).typeOf(set.value()) == ValueType.NUMBER ? ValueType.NUMBER : null;
    }

    /** What may be read from a message that answers something else. */
    private static List<Slot> slots(Release release) {
        Map<String, Slot> slots = new LinkedHashMap<>();
        for (Flow flow : release.flows()) {
            for (Step step : flow.allSteps()) {
                for (Wanted one : step.wants()) {
                    if (!one.variable().isBlank() && one.type().givenAside()) {
                        slots.putIfAbsent(one.variable(), Slot.of(one));
                    }
                }
            }
        }
        return List.copyOf(slots.values());
    }

    /** A flow by its id; null where there is none. */
    public @Nullable Flow flow(String id) {
        return release.flows().stream()
                .filter(flow -> flow.id().equals(id))
                .findFirst()
                .orElse(null);
    }

    /** Where the flow begins by which a person is asked for; null where the bot's own words do that. */
    public @Nullable Place personFlow() {
        return release.standing().stream()
                .filter(standing -> standing.request().equals(StandingWords.PERSON))
                .map(standing -> starts.get(standing.flow()))
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    /** A scorecard made ready; null where the release has none of this id. */
    public @Nullable Scoring scoring(String card) {
        return scorings.get(card);
    }

    /** Whether any step arranges appointments. */
    public boolean books() {
        return books;
    }

    public Expressions expressions() {
        return expressions;
    }

    /** What any step asks for and may be told aside, each variable once, in the designer's order. */
    public List<Slot> slots() {
        return slots;
    }

    /** What a variable is asked as: by a question, or else by a choice that is kept; null for neither. */
    public @Nullable Slot slot(String variable) {
        return slotsByName.get(variable);
    }

    /** The first question for a variable, in the designer's order; null for none. */
    public @Nullable Wanted wanted(String variable) {
        return wanted.get(variable);
    }

    /** The first question for each variable that any step asks for, in the designer's order. */
    public Collection<Wanted> wanted() {
        return Collections.unmodifiableCollection(wanted.values());
    }

    /** The variables that a flow's steps ask for. */
    public Set<String> askedIn(String flow) {
        return askedIn.getOrDefault(flow, Set.of());
    }

    /** Every choice that is kept, in the designer's order. */
    public List<Chosen> choices() {
        return Collections.unmodifiableList(choices);
    }

    /** The variables that the website tells. */
    public List<Variable> ofPage() {
        return release.variables().stream()
                .filter(v -> v.origin() == Variable.Origin.PAGE)
                .toList();
    }

    /** Whether a variable outlives the conversation. */
    public boolean ofVisitor(String variable) {
        return release.variables().stream()
                .anyMatch(v -> v.name().equals(variable) && v.origin() == Variable.Origin.VISITOR);
    }

    public Release release() {
        return release;
    }

    /** The step at a place, or null if the draft has lost it. */
    public @Nullable Step step(@Nullable Place place) {
        return place == null ? null : steps.get(place);
    }

    /** Where conversations start, or null if the main flow is empty. */
    public @Nullable Place start() {
        return starts.get(release.mainFlow());
    }

    /** The first known name of a person among values; empty where there is none. */
    public String personName(Map<String, Value> values) {
        for (Map.Entry<String, Value> value : values.entrySet()) {
            if (variables.get(value.getKey()) == ValueType.PERSON_NAME) {
                return value.getValue().shown();
            }
        }
        return "";
    }

    /** Every variable of every flow with its type. */
    public Map<String, ValueType> variables() {
        return variables;
    }

    public List<Phrase> phrases() {
        return phrases;
    }

    /** Where a flow begins, or else the conversation; null where that has no step. @param flow may be empty */
    @Nullable
    public Place startOr(String flow) {
        Place own = flow.isEmpty() ? null : startOf(flow);
        return own == null ? start() : own;
    }

    @Nullable
    public Place startOf(String flow) {
        return starts.get(flow);
    }

    /** Where the flow of a name begins; null where this bot has none of it. Capitals do not count. */
    @Nullable
    public Place startOfNamed(String name) {
        return release.flows().stream()
                .filter(flow -> flow.name().strip().equalsIgnoreCase(name.strip()))
                .map(flow -> startOf(flow.id()))
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    public String nameOf(String flow) {
        return release.flows().stream()
                .filter(f -> f.id().equals(flow))
                .map(Flow::name)
                .findFirst()
                .orElse(flow);
    }

    /** The place that a target names, seen from a flow; null for back, end and what does not exist. */
    @Nullable
    public Place place(@Nullable Target target, String fromFlow) {
        return switch (target) {
            case null -> null;
            case Target.ToStep(String step) -> {
                Place place = new Place(fromFlow, step);
                yield steps.containsKey(place) ? place : null;
            }
            case Target.ToFlow(String flow) -> starts.get(flow);
            case Target.Back ignored -> null;
            case Target.End ignored -> null;
        };
    }

    /** The first step of a kind, looking in {@code flow} first, then in the main flow, then in the others. */
    public <T extends Step> @Nullable Place first(Class<T> kind, String flow) {
        List<String> order = new ArrayList<>(List.of(flow, release.mainFlow()));
        release.flows().forEach(f -> order.add(f.id()));
        for (String id : order) {
            for (Flow candidate : release.flows()) {
                if (candidate.id().equals(id)) {
                    for (Step step : candidate.allSteps()) {
                        if (kind.isInstance(step)) {
                            return new Place(id, step.id());
                        }
                    }
                }
            }
        }
        return null;
    }
}
