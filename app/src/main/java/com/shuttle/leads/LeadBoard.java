package com.shuttle.leads;

import com.shuttle.leads.LeadColumns.Row;
import com.shuttle.web.Listing;
import com.shuttle.web.Wanted;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Leads by their state. Thread-safe. */
@Component
class LeadBoard {

    /** Leads in a column; the others are in the list. */
    private static final int SHOWN = 30;

    private final LeadSearchStore search;
    private final LeadList list;
    private final LeadSetUp setUp;

    LeadBoard(LeadSearchStore search, LeadList list, LeadSetUp setUp) {
        this.search = search;
        this.list = list;
        this.setUp = setUp;
    }

    /** A column. @param rows the first of so many @param rest where the others are; empty where there are none */
    record Column(LeadState state, int many, List<Row> rows, String rest) {}

    List<Column> columns(Segment in) {
        Map<String, Integer> counts = search.inStates(in);
        return setUp.states().stream()
                .map(state -> column(state, counts.getOrDefault(state.id(), 0), in))
                .toList();
    }

    boolean any() {
        return search.any();
    }

    private Column column(LeadState state, int many, Segment in) {
        Wanted rest = new Wanted("", Map.of("state", state.id(), "segment", in.id()), "", 1);
        return new Column(
                state,
                many,
                many == 0 ? List.of() : list.rows(search.inState(state.id(), in, SHOWN)),
                many > SHOWN ? Listing.address("/leads", rest) : "");
    }
}
