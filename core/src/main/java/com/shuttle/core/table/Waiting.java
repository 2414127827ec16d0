package com.shuttle.core.table;

import com.shuttle.core.table.Adjectives.Adjective;
import com.shuttle.core.table.Condition.Op;
import java.math.BigDecimal;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What a question has said that waits for what it is said of. For one thread. */
final class Waiting {

    @Nullable
    Op op;

    @Nullable
    Adjective adjective;

    @Nullable
    Column column;

    /** "two" before "cheapest". */
    @Nullable
    BigDecimal howMany;

    boolean not;
    boolean or;
    boolean about;
    boolean between;

    /** Whether what follows is compared with: a row's name stands for its figure. */
    boolean than;

    /** The column that is compared: the one that was named, or the one the adjective is said of. */
    Optional<Column> compared(ColumnChoice columns) {
        return Optional.ofNullable(column)
                .or(() -> Optional.ofNullable(adjective).flatMap(columns::of));
    }

    /** Begins anew behind a condition. */
    void done() {
        op = null;
        adjective = null;
        column = null;
        not = false;
        or = false;
        about = false;
        between = false;
        than = false;
    }
}
