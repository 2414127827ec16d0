package com.shuttle.bots;

import com.shuttle.tables.TableUse.Place;
import java.util.List;
import org.springframework.stereotype.Component;

/** Tells which flows, as they are drafted, refer to something outside of them. Thread-safe. */
@Component
public class FlowUses {

    private final FlowUseStore store;

    FlowUses(FlowUseStore store) {
        this.store = store;
    }

    /** @param id of what may be referred to */
    public List<Place> of(String id) {
        return store.of(id);
    }
}
