package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Effect;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.conversation.State;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** What is known so far in a turn: the values of variables, and which of them the visitor did not want to give. For one turn. */
public final class Facts {

    private final Playbook playbook;
    private final Consumer<Effect> effects;
    private final Map<String, Value> variables;
    private final List<String> left;
    private final List<String> told;
    private boolean changed;

    /** What was worked out of messages while nothing more became known. */
    private final Map<String, Map<String, Reading.Given>> workedOut = new HashMap<>();

    public Facts(Playbook playbook, State state, Consumer<Effect> effects) {
        this.playbook = playbook;
        this.effects = effects;
        this.variables = new LinkedHashMap<>(state.variables());
        this.left = new ArrayList<>(state.left());
        this.told = new ArrayList<>(state.told());
    }

    /** Takes over what is known of the visitor from earlier conversations. */
    public void knownBefore(Map<String, Value> known) {
        playbook.variables().keySet().stream()
                .filter(known::containsKey)
                .forEach(name -> variables.put(name, known.get(name)));
    }

    @Nullable
    public Value value(String variable) {
        return variables.get(variable);
    }

    public boolean knows(String variable) {
        return variables.containsKey(variable);
    }

    public Map<String, Value> all() {
        return Collections.unmodifiableMap(variables);
    }

    /** What comes of reading a message, worked out once however many ask for it. */
    public Map<String, Reading.Given> workedOut(String message, Supplier<Map<String, Reading.Given>> work) {
        Map<String, Reading.Given> known = workedOut.get(message);
        if (known == null) {
            known = work.get();
            workedOut.put(message, known);
        }
        return known;
    }

    public void set(String variable, Value value) {
        workedOut.clear();
        Value before = variables.put(variable, value);
        left.remove(variable);
        if (value.equals(before)) {
            return;
        }
        changed = true;
        if (playbook.ofVisitor(variable)) {
            effects.accept(new Deed.Remember(variable, value));
        }
    }

    /** Whether anything became known or known otherwise in this turn. */
    public boolean changed() {
        return changed;
    }

    /** Sets what a choice to come will ask for. */
    public void tell(String variable, Value value) {
        set(variable, value);
        told.remove(variable);
        told.add(variable);
    }

    /** Whether a choice was answered before it was asked; it is asked the next time. */
    public boolean takeTold(String variable) {
        return told.remove(variable) && knows(variable);
    }

    public List<String> told() {
        return told;
    }

    public void forget(String variable) {
        workedOut.clear();
        variables.remove(variable);
        told.remove(variable);
    }

    /** Forgets all but what is the visitor's own. */
    public void forgetAll() {
        workedOut.clear();
        variables.keySet().removeIf(name -> !playbook.ofVisitor(name));
        left.clear();
        told.clear();
    }

    /** Notes that the visitor did not want to tell. */
    public void leaveOut(String variable) {
        left.remove(variable);
        left.add(variable);
    }

    public boolean wasLeft(String variable) {
        return left.contains(variable);
    }

    public List<String> left() {
        return left;
    }
}
