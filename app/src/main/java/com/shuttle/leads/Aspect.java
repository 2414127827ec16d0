package com.shuttle.leads;

import com.shuttle.leads.Segment.How;
import com.shuttle.web.Listing.Option;
import java.util.List;

/**
 * Something of leads by which segments single them out.
 *
 * @param key     as terms name it; {@code field:key} for the organisation's own fields
 * @param options what can be chosen; empty where it is written
 */
public record Aspect(String key, String label, Sort sort, List<Option> options) {

    /** What sort of values it has, and so how they are compared. */
    public enum Sort {
        TEXT(How.IS, How.IS_NOT, How.HAS, How.FILLED, How.EMPTY),
        NUMBER(How.AT_LEAST, How.AT_MOST, How.IS, How.FILLED, How.EMPTY),
        DATE(How.WITHIN, How.BEFORE, How.AT_LEAST, How.AT_MOST, How.FILLED, How.EMPTY),
        CHOICE(How.IS, How.IS_NOT, How.FILLED, How.EMPTY),
        FLAG(How.FILLED, How.EMPTY);

        private final List<How> ways;

        Sort(How... ways) {
            this.ways = List.of(ways);
        }

        public List<How> ways() {
            return ways;
        }
    }

    public Aspect {
        options = List.copyOf(options);
    }

    /** Whether values can be compared so. */
    boolean takes(How how) {
        return sort.ways().contains(how);
    }

    /** Keys of the ways to compare, for the page. */
    public String wayKeys() {
        return String.join(" ", sort.ways().stream().map(How::key).toList());
    }
}
