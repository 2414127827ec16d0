package com.shuttle.core.acts;

import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.World;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.table.RowsFound;
import java.util.function.Function;

/**
 * A world in which nothing is known and nobody is there, but for what is asked of another.
 *
 * @param acts    what clauses do
 * @param asks    what is known
 * @param meaning how near texts are
 */
record Silent(
        Function<Query.Acts, Odds[]> acts,
        Function<Query.Ask, Finding> asks,
        Function<Query.Closeness, double[]> meaning)
        implements World {

    /** Where nothing is known of clauses or of the matter. */
    Silent(World other) {
        this(acts -> new Odds[0], ask -> Finding.NOTHING, other::reply);
    }

    @Override
    public <R> R reply(Query<R> query) {
        return query.type()
                .cast(
                        switch (query) {
                            case Query.Ask ask -> asks.apply(ask);
                            case Query.Acts asked -> acts.apply(asked);
                            case Query.Closeness asked -> meaning.apply(asked);
                            case Query.Staffed ignored -> true;
                            case Query.Open ignored -> new String[0];
                            case Query.OwnBookings ignored -> new BookingFound[0];
                            case Query.Rows ignored -> RowsFound.NO_TABLE;
                            case Query.Consults ignored -> false;
                            case Query.Entry ignored -> Finding.NOTHING;
                            default -> throw new IllegalArgumentException("not asked here: " + query);
                        });
    }
}
