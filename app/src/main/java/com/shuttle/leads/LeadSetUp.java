package com.shuttle.leads;

import com.shuttle.core.reading.Words;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import com.shuttle.web.Remembered;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The states that leads go through, and the organisation's own fields. Thread-safe. */
@Service
public class LeadSetUp {

    private static final int MOST_STATES = 12;
    private static final int MOST_FIELDS = 40;

    private final LeadStateStore store;
    private final Remembered<List<LeadState>> states;
    private final Remembered<List<LeadField>> fields;

    LeadSetUp(LeadStateStore store) {
        this.store = store;
        this.states = new Remembered<>(store::states);
        this.fields = new Remembered<>(store::fields);
    }

    /** In their order; there is always one. */
    public List<LeadState> states() {
        return states.get();
    }

    /** The state that new leads are in. */
    public LeadState first() {
        return states().getFirst();
    }

    /** A state by its id; the first where there is none such. */
    public LeadState state(String id) {
        return states().stream()
                .filter(state -> state.id().equals(id))
                .findFirst()
                .orElseGet(this::first);
    }

    public boolean isState(String id) {
        return states().stream().anyMatch(state -> state.id().equals(id));
    }

    /** The organisation's own fields, in their order. */
    public List<LeadField> own() {
        return fields.get();
    }

    /** The fields that everybody has, then the organisation's own. */
    public List<LeadField> fields() {
        List<LeadField> all = new ArrayList<>(LeadField.ALWAYS);
        all.addAll(own());
        return all;
    }

    /** Sets the states. One that leads are in cannot go. @param wanted those with an empty id are new */
    @Transactional
    Checked<List<LeadState>> keepStates(List<LeadState> wanted) {
        Set<String> names = new HashSet<>();
        List<LeadState> kept = new ArrayList<>();
        for (LeadState state : wanted) {
            String name = state.name().strip();
            if (!Words.shows(name) || !Length.SHORT_NAME.holds(name) || !names.add(name.toLowerCase(Locale.ROOT))) {
                return Checked.bad(
                        "states",
                        "Each state needs a name of its own of up to " + Length.SHORT_NAME.most() + " characters.");
            }
            String id = state.id().isEmpty() ? unused(name, kept, wanted) : state.id();
            kept.add(new LeadState(id, name, state.outcome()));
        }
        if (kept.isEmpty() || kept.size() > MOST_STATES) {
            return Checked.bad("states", "There are between one and " + MOST_STATES + " states.");
        }
        for (LeadState before : states()) {
            boolean goes = kept.stream().noneMatch(state -> state.id().equals(before.id()));
            if (goes && store.used(before.id())) {
                return Checked.bad(
                        "states", "There are leads in “" + before.name() + "”; give them another state first.");
            }
        }
        store.keepStates(kept);
        states.changed();
        return Checked.good(kept);
    }

    private static String unused(String name, List<LeadState> kept, List<LeadState> wanted) {
        String key = LeadSetUp.key(name);
        String base = key.isEmpty() ? "state" : key.substring(0, Math.min(key.length(), 24));
        String id = base;
        Set<String> taken = new HashSet<>();
        kept.forEach(state -> taken.add(state.id()));
        wanted.forEach(state -> taken.add(state.id()));
        for (int n = 2; taken.contains(id); n++) {
            id = base + "_" + n;
        }
        return id;
    }

    /** Sets the organisation's own fields. @param wanted those with an empty id are new */
    @Transactional
    public Checked<List<LeadField>> keepFields(List<LeadField> wanted) {
        List<LeadField> kept = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        LeadField.ALWAYS.forEach(field -> taken.add(field.id()));
        wanted.forEach(field -> taken.add(field.id()));
        for (LeadField field : wanted) {
            String name = field.name().strip();
            if (!Words.shows(name) || !Length.SHORT_NAME.holds(name)) {
                return Checked.bad(
                        "fields", "Each field needs a name of up to " + Length.SHORT_NAME.most() + " characters.");
            }
            String id = field.id();
            if (id.isEmpty()) {
                String key = key(name);
                String base = key.isEmpty() ? "field" : key.substring(0, Math.min(key.length(), 32));
                id = base;
                for (int n = 2; !taken.add(id); n++) {
                    id = base + "_" + n;
                }
            }
            kept.add(new LeadField(id, name, field.kind()));
        }
        if (kept.size() > MOST_FIELDS) {
            return Checked.bad("fields", "There can be up to " + MOST_FIELDS + " fields.");
        }
        store.keepFields(kept);
        fields.changed();
        return Checked.good(kept);
    }

    private static String key(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "_").replaceAll("^[_0-9]+|_+$", "");
    }
}
